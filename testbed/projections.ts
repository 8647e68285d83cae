import { compareMass } from "~/core/kernel/index.ts";
import { stepsFrom } from "~/core/gym/index.ts";
import { linesOf } from "~/core/plan/index.ts";
import { factsOn, projected, USUAL_RULES } from "~/core/progress/index.ts";
import { drawAthlete } from "./athlete.ts";
import { seededRandom } from "~/core/kernel/index.ts";
import { BAR, train } from "./session.ts";

export interface ProjectionReport {
  readonly stated: number;
  /** Share of stated bands that held the session in which the load was trained for what was asked. */
  readonly held: number;
  readonly early: number;
  readonly late: number;
  /** How wide the bands were in the middle, as a multiple of the likely number of sessions. */
  readonly width: number;
}

/** Weeks after which a load is asked about, and how many steps above the last one. */
const ASKED_AFTER = 10;
const STEPS_AHEAD = [2, 4, 6] as const;
const WEEKS = 60;

/** How often the band that is stated for a load holds what happens. */
export function projectionReport(athletes: number, seed: number): ProjectionReport {
  const random = seededRandom(seed);
  const rule = { kind: "doubleProgression", decides: "weakest" } as const;
  const found: ("held" | "early" | "late")[] = [];
  const widths: number[] = [];
  for (let i = 0; i < athletes; i += 1) {
    const athlete = drawAthlete(random);
    const weeks = train({ athlete, rule, weeks: WEEKS, random });
    const known = weeks.filter(({ week }) => week < ASKED_AFTER);
    const later = weeks.filter(({ week }) => week >= ASKED_AFTER);
    const last = known.at(-1);
    const line = last && linesOf(last.slot)[0];
    const steps = STEPS_AHEAD[i % STEPS_AHEAD.length] ?? 2;
    if (last === undefined || line === undefined) continue;
    const facts = factsOn(
      last.slot,
      line,
      known.map(({ exposure }) => exposure),
      {
        loading: BAR,
        bodyWeight: null,
        isHoldingSuccess: false,
        parameters: [],
        comparing: [],
        feltIn: [],
        isRestShared: false,
        strength: USUAL_RULES,
        weeks: null,
      },
    );
    const from = facts?.reading ?? null;
    const asked = from && stepsFrom(BAR, from, steps)?.reading;
    if (facts === null || !asked) continue;
    const projection = projected(facts, asked);
    if (!projection.ok || projection.value.sessions.earliest === null) continue;
    const { earliest, likely, latest } = projection.value.sessions;
    const at = later.findIndex(({ exposure }) =>
      exposure.sets.every(
        ({ reading, amount, demand }) =>
          reading !== null &&
          compareMass(reading, asked) >= 0 &&
          (amount ?? 0) >= (demand.least ?? 0),
      ),
    );
    const happened = at < 0 ? Infinity : at + 1;
    // What does not arrive while we look tells nothing of a band that reaches further.
    if (happened === Infinity && (latest === null || latest > later.length)) {
      found.push("held");
      continue;
    }
    found.push(happened < earliest ? "early" : happened > (latest ?? Infinity) ? "late" : "held");
    if (likely !== null && latest !== null) widths.push((latest - earliest) / likely);
  }
  const share = (kind: (typeof found)[number]) =>
    found.filter((one) => one === kind).length / Math.max(1, found.length);
  return {
    stated: found.length,
    held: share("held"),
    early: share("early"),
    late: share("late"),
    width: widths.toSorted((a, b) => a - b)[Math.floor(widths.length / 2)] ?? NaN,
  };
}
