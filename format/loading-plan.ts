import type { SetStep } from "~/core/prescription/index.ts";

/** Which sets a load is for: "set 1", "sets 2 to 4", "behind set 4" for what follows it. */
export function formatSetsOfLoad(steps: readonly SetStep[]): string {
  const numbers = steps.map((step) => step.setNumber);
  const [first, last] = [Math.min(...numbers), Math.max(...numbers)];
  if (steps.every((step) => step.kind !== "set")) return `behind set ${first}`;
  return first === last ? `set ${first}` : `sets ${first} to ${last}`;
}
