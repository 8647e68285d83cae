import type { Mass, MassUnit } from "../kernel/index.ts";

/** Plates of one size that a station can use, counted one by one (four 20s are two pairs). */
export interface PlateStock {
  readonly size: Mass;
  readonly count: number;
}

/**
 * How a station is loaded, and so what a *reading* on it means:
 * - `bar`: two sleeves, plates in pairs. Reading: bar and plates; with an unknown bar the hung plates only.
 * - `plateMachine`: one or two loading points filled alike. Reading: the hung plates, never the carriage.
 * - `stack`: a pin, with optional add-ons (each once). Reading: pin label and add-ons. `pulleyRatio` is the
 *   share of the reading that is moved at the handle.
 * - `dumbbells`: two alike. Reading: one of them (`each`) or both together (`pair`).
 * - `freeObject`: kettlebells, sandbags, single plates. Reading: one of them, also where two are held.
 * - `bodyweight`: `movedShare` of the body is moved, with what can be added. Reading: the added load, 0 for none.
 * - `assisted`: a counterweight carries part of the body. Reading: the counterweight, so a higher one is easier.
 * - `band`: bands in order of tension. Reading: the nominal tension of the band used; what it pulls changes with
 *   its stretch, so the total moved stays unknown.
 * - `unloaded`: nothing to load. Reading: always 0.
 *
 * All masses of one station are of its `unit`.
 */
export type Loading =
  | {
      readonly kind: "bar";
      readonly unit: MassUnit;
      readonly bar: Mass | null;
      readonly plates: readonly PlateStock[];
    }
  | {
      readonly kind: "plateMachine";
      readonly unit: MassUnit;
      readonly carriage: Mass | null;
      readonly points: 1 | 2;
      readonly plates: readonly PlateStock[];
    }
  | {
      readonly kind: "stack";
      readonly unit: MassUnit;
      readonly pins: readonly Mass[];
      readonly addOns: readonly Mass[];
      readonly pulleyRatio: number;
    }
  | {
      readonly kind: "dumbbells";
      readonly unit: MassUnit;
      readonly present: readonly Mass[];
      readonly counted: "each" | "pair";
    }
  | {
      readonly kind: "freeObject";
      readonly unit: MassUnit;
      readonly present: readonly Mass[];
      readonly held: 1 | 2;
    }
  | {
      readonly kind: "bodyweight";
      readonly unit: MassUnit;
      readonly movedShare: number;
      readonly added: readonly Mass[];
    }
  | {
      readonly kind: "assisted";
      readonly unit: MassUnit;
      readonly movedShare: number;
      readonly pins: readonly Mass[];
    }
  | { readonly kind: "band"; readonly unit: MassUnit; readonly bands: readonly Band[] }
  | { readonly kind: "unloaded"; readonly unit: MassUnit };

/** A band by the name it goes by in the gym, with the tension it is sold under. */
export interface Band {
  readonly name: string;
  readonly tension: Mass;
}

export type LoadingKind = Loading["kind"];

export const LOADING_KINDS = [
  "bar",
  "plateMachine",
  "stack",
  "dumbbells",
  "freeObject",
  "bodyweight",
  "assisted",
  "band",
  "unloaded",
] as const satisfies readonly LoadingKind[];

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
