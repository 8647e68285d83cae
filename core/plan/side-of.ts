/** The side that one step works on. */
export type Side = "both" | "left" | "right";

/** What one counted rep of a step is: of both legs at once, of the one leg named, or one for each leg. */
export type LegsCounted = "bothAtOnce" | "oneLeg" | "perLeg";
