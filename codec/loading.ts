import {
  loadingField,
  loadingTrouble,
  STATION_BOUNDS,
  type LoadingTrouble,
} from "~/core/gym/index.ts";

const TROUBLES: Readonly<Record<LoadingTrouble["code"], string>> = {
  tooManyLoads: "These sizes combine to too many loads to search; check sizes and counts.",
  tooHeavy: `One machine has at most ${STATION_BOUNDS.heaviest / 1000}; check sizes and counts.`,
};

/** A station's loading model as stored, and as the form has to make it. */
export const loadingCodec = loadingField.superRefine((loading, ctx) => {
  const trouble = loadingTrouble(loading);
  if (trouble !== null) ctx.addIssue({ code: "custom", message: TROUBLES[trouble.code] });
});
