import type { OVERRULED, Comparing } from "~/core/log/index.ts";

export const CONDITION_NAMES: Readonly<Record<(typeof OVERRULED)[number], string>> = {
  everything: "Everything: compare all the same",
  station: "Other equipment",
  loading: "Equipment that reads otherwise",
  setUp: "Set-up",
  range: "Range of motion",
  tempo: "Tempo",
  rest: "Rest",
  order: "Place in the order",
  gear: "Gear",
  helper: "Spotter or partner",
  bodyWeight: "Body weight",
  faults: "Faults",
  held: "Seconds held",
};

/** "Stance", "Rest", "Everything: compare all the same" */
export function formatCondition({
  condition,
  parameter,
}: Pick<Comparing, "condition" | "parameter">): string {
  return parameter ?? CONDITION_NAMES[condition];
}
