import {
  daysBetween,
  share,
  type Day,
  type Limiter,
  type Region,
  type Share,
} from "../kernel/index.ts";
import type { ExposedSet, Exposure } from "../log/index.ts";
import { faultsCome } from "./faults.ts";
import type { Facts } from "./judged-line.ts";
import { shareOfReading } from "./not-yet.ts";
import { keep, type Proposal, type Reason, type Way } from "./proposal.ts";

/** Seen in so many sessions running it leads to something else than load. Source: PRACTICE.md §7. */
const REPEATED = 2;

/** What helps where something else than the target gives out: gear or support, then the set-up, then a more stable exercise. */
const INSTEAD: readonly Way[] = [
  { code: "gear", step: null },
  { code: "checkSetUp", step: null },
  { code: "moreStable", step: null },
];

/** Facts that stand whatever a rule makes of a line: pain, another part that gave out or was felt, a fault that is back. */
export function situationOf(facts: Facts): readonly Reason[] {
  return [...painsIn(facts.last), ...elsewhere(facts), ...faultsBack(facts)];
}

/** The proposal of a rule, with what a situation leaves of it. */
export function inSituation(
  proposal: Proposal,
  facts: Facts,
  situation: readonly Reason[],
): Proposal {
  const because = [...situation, ...proposal.because];
  const held = keep(facts.reading, [...situation, ...proposal.because.filter(isFact)], "low", true);
  if (situation.some(({ code }) => code === "pain")) return held;
  const isRepeated = situation.some(
    (reason) =>
      (reason.code === "otherLimiter" || reason.code === "feltElsewhere") &&
      reason.times >= REPEATED,
  );
  if (isRepeated) return { ...held, ways: INSTEAD };
  const isBack = situation.some(({ code }) => code === "faultReturns");
  const asksMore =
    proposal.move === "raise" || (proposal.move === "keep" && proposal.changes.length > 0);
  if (isBack && asksMore) return held;
  return { ...proposal, because, mustRule: proposal.mustRule || isBack };
}

/** Codes of what a rule would have done, which is said no more where it is not done. */
const STEPS: ReadonlySet<Reason["code"]> = new Set([
  "allAtTop",
  "smallestStep",
  "ownStep",
  "largeStep",
  "reserveAllows",
  "fewLeft",
  "aheadOfRate",
  "noLoads",
  "repsToGain",
  "setAdded",
  "lessRest",
  "stricter",
  "taperOn",
  "taperTest",
]);
const isFact = ({ code }: Reason) => !STEPS.has(code);

function painsIn({ pains }: Exposure): readonly Reason[] {
  return pains
    .filter(({ score }) => score > 0)
    .map(({ joint, score }) => ({ code: "pain", joint, score }));
}

/** What most sets of a session said, where more than half of them did and it is no sign of the target. */
function mostSaid<T extends string>(
  { sets }: Exposure,
  said: (set: ExposedSet) => T | null,
  isElsewhere: (value: T) => boolean,
): T | null {
  const values = sets.flatMap((set) => said(set) ?? []).filter(isElsewhere);
  const [first] = values.toSorted(
    (a, b) => values.filter((v) => v === b).length - values.filter((v) => v === a).length,
  );
  return first !== undefined && values.length * 2 > sets.length ? first : null;
}

const limiterIn = (exposure: Exposure): Limiter | null =>
  mostSaid(
    exposure,
    ({ limiter }) => limiter,
    (limiter) => limiter !== "targetMuscle",
  );

function elsewhere({ exposures, feltIn }: Facts): readonly Reason[] {
  const felt = (exposure: Exposure): Region | null =>
    feltIn.length === 0
      ? null
      : mostSaid(
          exposure,
          ({ observed }) => observed.feltIn,
          (region) => !feltIn.includes(region),
        );
  const limiter = lastAndTimes(exposures, limiterIn);
  const region = lastAndTimes(exposures, felt);
  return [
    ...(limiter === null
      ? []
      : [{ code: "otherLimiter", limiter: limiter.value, times: limiter.times } as const]),
    ...(region === null
      ? []
      : [
          {
            code: "feltElsewhere",
            felt: region.value,
            meant: feltIn,
            times: region.times,
          } as const,
        ]),
  ];
}

/** What the last session said, and in how many running something was said; null where the last said nothing. */
function lastAndTimes<T>(
  exposures: readonly Exposure[],
  said: (exposure: Exposure) => T | null,
): { readonly value: T; readonly times: number } | null {
  const all = exposures.map(said).toReversed();
  const [value] = all;
  if (value === undefined || value === null) return null;
  const end = all.findIndex((one) => one === null);
  return { value, times: end < 0 ? all.length : end };
}

/** Faults that are seen again, after they were gone. */
function faultsBack({ exposures }: Facts): readonly Reason[] {
  return faultsCome(exposures).back.map((fault) => ({ code: "faultReturns", fault }));
}

/** What is left after so many days without an exercise. Source: our rule, docs/progression.md § Away. */
const AFTER: readonly (readonly [days: number, left: number])[] = [
  [112, 0.7],
  [56, 0.8],
  [28, 0.9],
  [14, 0.95],
];
/** From here on the coach is asked. */
const LONG_AWAY = 28;

/** The proposal for somebody who comes back after so long: less load, by its length. */
export function afterBeingAway(proposal: Proposal, facts: Facts, on: Day | null): Proposal {
  const days = on === null ? 0 : daysBetween(facts.last.day, on);
  const left = AFTER.find(([from]) => days >= from)?.[1];
  const base = proposal.move === "lower" ? proposal.reading : facts.reading;
  if (left === undefined || base === null) return proposal;
  const kept: Share = share(left);
  const reading = shareOfReading(facts, base, kept);
  const away = { code: "away", days, share: kept } as const;
  if (reading === null) return { ...proposal, because: [away, ...proposal.because] };
  return {
    ...proposal,
    move: "lower",
    reading,
    changes: [],
    ways: [],
    because: [away, ...proposal.because.filter(isFact)],
    confidence: "medium",
    mustRule: proposal.mustRule || days >= LONG_AWAY,
  };
}
