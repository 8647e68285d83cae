import type { MovementRef } from "../../kernel/index.ts";
import { withOwnSetUp, type FindMovement, type Movement, type OwnSetUp } from "../index.ts";
import { ABDUCTIONS } from "./shipped/abduction.ts";
import { ADDUCTIONS } from "./shipped/adduction.ts";
import { BACK_BENCH_HINGES } from "./shipped/back-bench.ts";
import { CALVES_AND_SHINS } from "./shipped/calf.ts";
import { CONDITIONING_MOVEMENTS } from "./shipped/conditioning.ts";
import { HINGES } from "./shipped/hinge.ts";
import { HIP_FLEXIONS } from "./shipped/hip-flexion.ts";
import { ISOMETRICS } from "./shipped/isometric.ts";
import { KNEE_EXTENSIONS } from "./shipped/knee-extension.ts";
import { KNEE_FLEXIONS } from "./shipped/knee-flexion.ts";
import { LUNGES } from "./shipped/lunge.ts";
import { MOBILITY_MOVEMENTS } from "./shipped/mobility.ts";
import { PRESSES } from "./shipped/press.ts";
import type { Shipped } from "./shipped/build.ts";
import { LIGHT_SQUATS } from "./shipped/squat-light.ts";
import { SQUATS } from "./shipped/squat.ts";
import { USUAL_NAMES } from "./shipped/usual-names.ts";
import { THRUSTS } from "./shipped/thrust.ts";
import { TRUNK_MOVEMENTS } from "./shipped/trunk.ts";

/** The movements that ship with Kravo, by pattern. */
export const SHIPPED_MOVEMENTS: readonly Movement[] = withNames([
  ...SQUATS,
  ...LIGHT_SQUATS,
  ...PRESSES,
  ...HINGES,
  ...BACK_BENCH_HINGES,
  ...THRUSTS,
  ...KNEE_EXTENSIONS,
  ...KNEE_FLEXIONS,
  ...LUNGES,
  ...CALVES_AND_SHINS,
  ...ABDUCTIONS,
  ...ADDUCTIONS,
  ...HIP_FLEXIONS,
  ...TRUNK_MOVEMENTS,
  ...ISOMETRICS,
  ...CONDITIONING_MOVEMENTS,
  ...MOBILITY_MOVEMENTS,
]);

function withNames(shipped: readonly Shipped[]): readonly Movement[] {
  return shipped.map((movement) => ({
    ...movement,
    alsoCalled: USUAL_NAMES[movement.ref.slice("shipped:".length)] ?? [],
  }));
}

const byRef = new Map(SHIPPED_MOVEMENTS.map((movement) => [movement.ref, movement]));

/** The movement that a reference names, or null when there is none. */
export function findMovement(ref: MovementRef): Movement | null {
  return byRef.get(ref) ?? null;
}

/** The movements that a studio can choose from: its own beside those that ship, which it cannot change. */
export interface Catalogue {
  readonly all: readonly Movement[];
  readonly find: FindMovement;
}

/** What a studio added to the set-up of exercises, by reference. */
export type OwnSetUps = Readonly<Record<string, OwnSetUp>>;

/** A catalogue with a studio's own movements behind those that ship, each with what the studio set up on it. */
export function catalogueOf(own: readonly Movement[], setUps: OwnSetUps = {}): Catalogue {
  if (own.length === 0 && Object.keys(setUps).length === 0) return SHIPPED_CATALOGUE;
  const all = [...SHIPPED_MOVEMENTS, ...own].map((movement) => {
    const added = setUps[movement.ref];
    return added === undefined ? movement : withOwnSetUp(movement, added);
  });
  const byOwnRef = new Map(all.map((movement) => [movement.ref, movement]));
  return { all, find: (ref) => byOwnRef.get(ref) ?? null };
}

const SHIPPED_CATALOGUE: Catalogue = { all: SHIPPED_MOVEMENTS, find: findMovement };
