import { seconds } from "../kernel/index.ts";
import { accentSeconds, repSeconds, workOf } from "../plan/index.ts";
import type { SetPlace } from "./expand.ts";
import type { SetStep } from "./step.ts";
import type { UnrollContext } from "./unroll-context.ts";
import { usualRepOf } from "./unroll-items.ts";

/** A short-range repetition takes about so much of a full one. Source: our rule, docs/arithmetic.md § Time. */
const SHORT_REP = 0.6;
const NO_ACCENTS: SetStep["accents"] = [];

/** What is done to the repetitions of an extension beyond their tempo; a hold has none. */
export const accentsAt = ({ kind, set }: SetPlace): SetStep["accents"] =>
  kind === "endHold" ? NO_ACCENTS : set.accents;

/** How long an extension is worked on. */
export function workSecondsAt(
  place: SetPlace,
  { movement }: UnrollContext,
): SetStep["workSeconds"] {
  const { set, target, slot } = place;
  const usual = usualRepOf(slot.movement, movement);
  const accents = accentSeconds(accentsAt(place), set.tempo, usual);
  const perRep = repSeconds(set.tempo, usual) + accents.perRep;
  const work = workOf(target, perRep, set.side);
  const reach = set.range === "full" || target.kind === "seconds" ? 1 : SHORT_REP;
  const { once } = accents;
  return { min: seconds(work.min * reach + once), max: seconds(work.max * reach + once) };
}
