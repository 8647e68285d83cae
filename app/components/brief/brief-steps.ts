/** The parts of the form, in the order in which a coach asks. */
export const BRIEF_STEPS = ["goal", "health", "muscles", "where", "body", "ranges"] as const;
export type BriefStep = (typeof BRIEF_STEPS)[number];
