import { directRegions } from "../movement/index.ts";
import type { CoveredSlot } from "./coverage.ts";

/** What of an exercise says how alike it is to another. */
export type Likeness = Pick<CoveredSlot, "movement" | "stimulus" | "isCurveKnown">;

/** The same muscles at the same length, hardest at the same point, with the same leg arrangement and pattern. */
export function isSameAgain(a: Likeness, b: Likeness): boolean {
  return (
    a.movement.pattern === b.movement.pattern &&
    a.movement.laterality === b.movement.laterality &&
    a.stimulus.length === b.stimulus.length &&
    a.stimulus.profile === b.stimulus.profile &&
    sameList(directRegions(a.movement), directRegions(b.movement))
  );
}

const sameList = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && a.every((x) => b.includes(x));

/**
 * Unlike exercises for the same main muscle that are known to be hardest at the same point of the same length. A
 * single-leg exercise beside one on two legs is there for the legs, not for the point.
 */
export function isSameSticking(a: Likeness, b: Likeness): boolean {
  const [region] = directRegions(a.movement);
  return (
    region !== undefined &&
    directRegions(b.movement)[0] === region &&
    isOnTwoLegs(a) === isOnTwoLegs(b) &&
    isTelling(a) &&
    isTelling(b) &&
    a.movement.pattern !== b.movement.pattern &&
    a.stimulus.profile === b.stimulus.profile &&
    a.stimulus.length === b.stimulus.length
  );
}

const isTelling = ({ isCurveKnown, stimulus }: Likeness) =>
  isCurveKnown && stimulus.profile !== "even";

const isOnTwoLegs = ({ movement }: Likeness) => movement.laterality === "twoLegs";
