import type { Id, MovementRef, Count, Mass, Share } from "../kernel/index.ts";

/**
 * How a set's load is found. Shares are of the total moved. `open` is a load still to be found, and steps are
 * the station's own, negative for easier.
 */
export type LoadRule =
  | { readonly kind: "absolute"; readonly reading: Mass }
  | { readonly kind: "open" }
  /** Of an earlier set, or of one part of it: a multiple of a drop. */
  | {
      readonly kind: "shareOfSet";
      readonly set: Id<"set">;
      readonly part: Id<"extension"> | null;
      readonly share: Share;
    }
  /** Of the heaviest work set last logged with another movement. */
  | { readonly kind: "shareOfMovement"; readonly movement: MovementRef; readonly share: Share }
  /** Of the estimated maximum with this movement at this station. */
  | { readonly kind: "shareOfMaximum"; readonly share: Share }
  | { readonly kind: "stepsFromSet"; readonly set: Id<"set">; readonly steps: number }
  /** What was used last time here, and so many steps from it. */
  | { readonly kind: "fromLast"; readonly steps: number }
  /** What the estimated maximum allows for the middle of the range and the reps to leave. */
  | { readonly kind: "byEffort" }
  /** Body weight and so much more, or less: a belt, a counterweight, a bar of that total. */
  | { readonly kind: "bodyWeight"; readonly by: "plus" | "minus"; readonly mass: Mass }
  /** A feeler set at `from`, then up by steps until the load is found, at most so many tries. */
  | {
      readonly kind: "trial";
      readonly from: Mass;
      readonly steps: Count;
      readonly tries: Count;
    }
  /** A load, and what the next set goes to where this one falls short; the same reading says "again". */
  | { readonly kind: "fallback"; readonly reading: Mass; readonly then: readonly Mass[] };

/** The reading that a rule names outright, or null where it follows from something else. */
export function readingOf(rule: LoadRule): Mass | null {
  return rule.kind === "absolute" || rule.kind === "fallback" ? rule.reading : null;
}

/** The rule with another reading where it names one or is open; otherwise the rule itself. */
export function withReading(rule: LoadRule, reading: Mass): LoadRule {
  if (rule.kind === "fallback") return { ...rule, reading };
  return rule.kind === "absolute" || rule.kind === "open" ? { kind: "absolute", reading } : rule;
}

/** The rule with every load that it names made another; one that follows from something else stays. */
export function mapReadings(rule: LoadRule, to: (reading: Mass) => Mass): LoadRule {
  if (rule.kind === "absolute") return { ...rule, reading: to(rule.reading) };
  if (rule.kind === "fallback")
    return { ...rule, reading: to(rule.reading), then: rule.then.map(to) };
  return rule.kind === "trial" ? { ...rule, from: to(rule.from) } : rule;
}
