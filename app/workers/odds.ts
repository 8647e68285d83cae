import type { BandIn, LineCurve, TargetOdds, TargetStanding } from "~/core/phase/index.ts";

/** What the worker simulates continuations of. */
export interface OddsAsked {
  readonly targets: readonly Pick<TargetStanding, "target" | "way">[];
  readonly curves: readonly Pick<LineCurve, "from" | "ahead">[];
}

/** What came of it, in the same order. */
export interface OddsFound {
  readonly odds: readonly TargetOdds[];
  readonly bands: readonly (readonly BandIn[])[];
}
