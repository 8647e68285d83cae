import type {
  BandIn,
  LineCurve,
  StatedTarget,
  TargetOdds,
  TargetStanding,
} from "~/core/phase/index.ts";
import { formatMass, formatShare } from "./numbers.ts";

/** How a stated target stands: "110 kg × 5 by week 8: week 7 if every target is met · 70% chance". */
export function formatTargetOdds(
  { target, metIn, arrives }: TargetStanding,
  odds: TargetOdds | "working" | "failed",
): string {
  const stated = `${formatStated(target)} by week ${target.week}`;
  if (metIn !== null) return `${stated}: met in week ${metIn}`;
  const way =
    arrives === null
      ? "not within this phase, even if every target is met"
      : arrives > target.week
        ? `slips to week ${arrives}, if every target is met`
        : `week ${arrives} if every target is met`;
  return `${stated}: ${way} · ${typeof odds === "string" ? ODDS_STATES[odds] : formatOdds(odds)}`;
}

/** "110 kg × 5" */
export function formatStated({ reading, reps }: Pick<StatedTarget, "reading" | "reps">): string {
  return `${formatMass(reading)} × ${reps}`;
}

const ODDS_STATES = {
  working: "working out how likely …",
  failed: "how likely could not be worked out",
} as const;

const formatOdds = ({ chance }: TargetOdds) =>
  chance === null ? "too little trained to say how likely" : `${formatChance(chance)} chance`;

/** A difference of two values of a curve: "+6%". */
export function formatGain(by: number): string {
  const share = Math.expm1(by);
  return `${share >= 0.0005 ? "+" : ""}${formatShare(Math.round(share * 1000) / 1000)}`;
}

/** What a main line shows, asks and likely comes to, each in some words. */
export function formatMainLine({
  done,
  asked,
  isTotalKnown,
  band,
}: Pick<LineCurve, "done" | "asked" | "isTotalKnown"> & {
  readonly band: readonly BandIn[] | null;
}): readonly string[] {
  const [first, last] = [done[0] ?? asked[0], done.at(-1)];
  const [to, likely] = [asked.at(-1), band?.at(-1)];
  if (first === undefined) return [];
  const gain = ({ value }: { readonly value: number }) => formatGain(value - first.value);
  return [
    ...(last === undefined || last === first
      ? []
      : [`strength ${gain(last)}, weeks ${first.week} to ${last.week}`]),
    ...(to === undefined ? [] : [`planned by week ${to.week}: ${gain(to)}`]),
    ...(band?.length === 0 && to !== undefined ? ["not enough sessions for a range yet"] : []),
    ...(likely === undefined
      ? []
      : [`likely by then: ${gain({ value: likely.low })} to ${gain({ value: likely.high })}`]),
    ...(isTotalKnown ? [] : ["of the load shown; the total is unknown"]),
  ];
}

/** A chance to five per cent, and no surer than the test bed found it: docs/progression.md § Odds. */
export function formatChance(chance: number): string {
  if (chance < 0.1) return "under 10%";
  if (chance > 0.95) return "over 95%";
  return formatShare(Math.round(chance * 20) / 20);
}
