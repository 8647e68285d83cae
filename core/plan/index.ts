/** The session as it is planned: its document, its kinds, and the ways to edit it. The written line is the entry notation/. */
export * from "./accent.ts";
export * from "./bounds.ts";
export * from "./copy.ts";
export * from "./drills.ts";
export * from "./drop-load.ts";
export * from "./edit.ts";
export * from "./effort.ts";
export * from "./extension.ts";
export {
  GEAR_NAME,
  gearField,
  holdSeconds,
  lineSets,
  restSeconds,
  rirEitherWay,
  setsEitherWay,
  SET_UP_WORD,
  setUpField,
  weekPercent,
} from "./fields.ts";
export * from "./frame.ts";
export * from "./hold-position.ts";
export * from "./intensity.ts";
export * from "./item.ts";
export * from "./lines.ts";
export * from "./load-basis.ts";
export * from "./load-beginning.ts";
export * from "./load-bounds.ts";
export * from "./load-rounding.ts";
export * from "./load-rule.ts";
export * from "./plan.ts";
export * from "./planned-set.ts";
export * from "./progression.ts";
export type { RuleBeginning } from "./progression-beginning.ts";
export * from "./reference.ts";
export * from "./rep-range.ts";
export * from "./rest.ts";
export * from "./role.ts";
export * from "./schemes.ts";
export * from "./set-up.ts";
export { aimedAt, type ShareSpan } from "./share-span.ts";
export * from "./side.ts";
export * from "./target.ts";
export * from "./tempo.ts";
export * from "./usual.ts";
export * from "./volume-policy.ts";
