import type { HungLoad, SetStep } from "~/core/unroll/index.ts";
import type { LoadRounding } from "~/core/plan/index.ts";
import { compareMass, mass, type Mass } from "~/core/kernel/index.ts";
import { piecesHandled, type Towards } from "~/core/gym/index.ts";
import { formatMass, formatShare, plural } from "./numbers.ts";

/** Which sets a load is for: "set 1", "sets 2 to 4", "behind set 4" for what follows it. */
export function formatSetsOfLoad(steps: readonly SetStep[]): string {
  const numbers = steps.map((step) => step.setNumber);
  const [first, last] = [Math.min(...numbers), Math.max(...numbers)];
  if (steps.every((step) => step.kind !== "set")) return `behind set ${first}`;
  return first === last ? `set ${first}` : `sets ${first} to ${last}`;
}

/** "12 plates to move.", and that it is not proven where it is not; "3 loads in turn." where nothing is hung. */
export function formatHandled(loads: readonly HungLoad[]): string {
  const pieces = loads.reduce((sum, { change }) => sum + piecesHandled(change), 0);
  const hangs = loads.every(({ load }) => load.recipe.kind === "plates");
  if (!hangs) return loads.length === 1 ? "One load." : `${loads.length} loads in turn.`;
  const all = `${pieces} ${pieces === 1 ? "plate" : "plates"} to move`;
  return loads.every(({ load }) => load.isProven)
    ? `${all}.`
    : `${all}; too many plates here to prove that no way needs fewer.`;
}

/** Why the large plates are not inside; empty where they are. */
export function formatSavedByOrder(saved: number | null): string {
  if (saved === null) return "";
  return saved === 0
    ? "Not all large plates inside: that saves taking plates off to add others."
    : `Not all large plates inside: that saves moving ${plural(saved, "plate")}.`;
}

/** "2.5 kg under what was worked out, to save plates" */
export function formatMoved(from: Mass, to: Mass): string {
  const by = mass(Math.abs(to.thousandths - from.thousandths), to.unit);
  const way = compareMass(to, from) > 0 ? "over" : "under";
  return `${formatMass(by)} ${way} what was worked out, to save plates`;
}

export const TOWARDS_NAMES: Readonly<Record<Towards, string>> = {
  nearest: "the nearest load",
  easier: "never harder",
  harder: "never easier",
};

/** "as it comes", "within 2.5% to save plates" */
export function formatRoom(within: LoadRounding["within"]): string {
  return within === 0 ? "not moved" : `within ${formatShare(within)} to save plates`;
}
