/** What everything stands on: results, ids, days, quantities, and the closed lists of the body. */
export * from "./anatomy.ts";
export * from "./calendar.ts";
export * from "./collections.ts";
export * from "./content.ts";
export * from "./field.ts";
export * from "./identity.ts";
export * from "./mark.ts";
export * from "./mass.ts";
export * from "./quantity.ts";
export * from "./random.ts";
export * from "./result.ts";
export * from "./text.ts";
