import { kindsOf, unionOf, type FamilyOf, type Mass } from "../kernel/index.ts";
import * as assisted from "./loading/assisted.ts";
import * as band from "./loading/band.ts";
import * as bar from "./loading/bar.ts";
import * as bodyweight from "./loading/bodyweight.ts";
import * as dumbbells from "./loading/dumbbells.ts";
import * as freeObject from "./loading/free-object.ts";
import * as plateMachine from "./loading/plate-machine.ts";
import * as stack from "./loading/stack.ts";
import * as unloaded from "./loading/unloaded.ts";

export type { Band, PlateStock } from "./loading-fields.ts";

/** The ways in which a station is loaded; the only list of them. */
export const LOADINGS = {
  bar,
  plateMachine,
  stack,
  dumbbells,
  freeObject,
  bodyweight,
  assisted,
  band,
  unloaded,
} as const;

/** How a station is loaded, and so what a *reading* on it means. All masses of one station are of its `unit`. */
export type Loading = FamilyOf<typeof LOADINGS>;
export type LoadingKind = Loading["kind"];
export const LOADING_KINDS = kindsOf(LOADINGS);
export const loadingField = unionOf(LOADINGS);

/** What to do to make a load. */
export type Recipe =
  /** Plates for each loading point, heaviest first, which is also the order to hang them. */
  | { readonly kind: "plates"; readonly points: 1 | 2; readonly perPoint: readonly Mass[] }
  | { readonly kind: "pin"; readonly pin: Mass; readonly addOns: readonly Mass[] }
  | { readonly kind: "dumbbells"; readonly each: Mass }
  | { readonly kind: "object"; readonly each: Mass; readonly held: 1 | 2 }
  /** Added to the body; 0 is the body alone. */
  | { readonly kind: "added"; readonly mass: Mass }
  | { readonly kind: "counterweight"; readonly pin: Mass }
  | { readonly kind: "band"; readonly name: string; readonly tension: Mass }
  | { readonly kind: "nothing" };

/** A load that a station can make, and how. */
export interface MadeLoad {
  readonly reading: Mass;
  readonly recipe: Recipe;
}
