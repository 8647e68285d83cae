import type { StickingPoint } from "~/core/kernel/index.ts";
import type { CheckIn, LoggedSet } from "~/core/log/index.ts";
import { isOpenTempo } from "~/core/plan/index.ts";
import { formatMass } from "./numbers.ts";
import { FAULT_NAMES, formatTempo, HELPER_NAMES, LIMITER_NAMES, RANGE_NAMES } from "./training.ts";
import { muscleInline, type MuscleNames } from "./muscles.ts";

/** Where the last repetition stuck. */
export const STICKING_NAMES: Readonly<Record<StickingPoint, string>> = {
  bottom: "at the bottom",
  middle: "half-way",
  top: "at the top",
};

/** "the knees cave in from rep 7", "grip gave out first", "rest 95 s": all that was said of a set, in a fixed order. */
export function formatSetRecord(
  {
    limiter,
    conditions: { setUp, tempo, range, restBefore, gear, helper },
    observed: { faults, held, feltIn, stuckAt },
  }: Pick<LoggedSet, "limiter" | "conditions" | "observed">,
  muscles: MuscleNames,
): readonly string[] {
  return [
    ...(faults === null ? [] : faults.length === 0 ? ["no fault seen"] : []),
    ...(faults ?? []).map(
      ({ fault, fromRep }) =>
        `${FAULT_NAMES[fault]}${fromRep === null ? "" : ` from rep ${fromRep}`}`,
    ),
    ...(limiter === null ? [] : [`${LIMITER_NAMES[limiter]} gave out first`]),
    ...(feltIn === null ? [] : [`felt in ${muscleInline(muscles, feltIn)}`]),
    ...(stuckAt === null ? [] : [`stuck ${STICKING_NAMES[stuckAt]}`]),
    ...(held === null ? [] : [`held ${held} s`]),
    ...(range === null ? [] : [RANGE_NAMES[range]]),
    ...(tempo === null || isOpenTempo(tempo) ? [] : [formatTempo(tempo, "lower")]),
    ...Object.entries(setUp ?? {}).map(([name, choice]) => `${name.toLowerCase()} ${choice}`),
    ...(gear === null ? [] : [gear.length === 0 ? "no gear" : `with ${gear.join(", ")}`]),
    ...(helper === "unknown" ? [] : [HELPER_NAMES[helper].toLowerCase()]),
    ...(restBefore === null ? [] : [`after ${restBefore} s rest`]),
  ];
}

/** "80.5 kg, readiness 4 of 5". */
export function formatCheckIn({ bodyWeight, readiness }: CheckIn): string {
  const said = [
    ...(bodyWeight === null ? [] : [formatMass(bodyWeight)]),
    ...(readiness === null ? [] : [`readiness ${readiness} of 5`]),
  ];
  return said.length === 0 ? "nothing said" : said.join(", ");
}
