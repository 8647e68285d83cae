import type {
  Best,
  CountedField,
  LoggedSet,
  ExposedSet,
  Exposure,
  SessionReview,
} from "~/core/log/index.ts";
import type { Loading } from "~/core/gym/index.ts";
import {
  massFromTicks,
  sameReading,
  ticks,
  type Mass,
  type MassUnit,
} from "~/core/kernel/index.ts";
import type { Gained, SeriesRecord } from "~/core/progress/index.ts";
import type { Measure } from "~/core/plan/index.ts";
import { formatMass, formatSets, formatShortDay, plural } from "./numbers.ts";
import { formatAmountOf } from "./progression.ts";
import { sentence } from "./sentence.ts";
import { formatRir } from "./training.ts";
import type { MuscleNames } from "./muscles.ts";

const UNITS: Readonly<Record<Measure, string>> = {
  reps: "",
  seconds: " s",
  steps: " steps",
  metres: " m",
};

/** "100 kg × 12, 11, 10", or set by set where the loads differ; unknown reps are a question mark. */
export function formatSetsDone(sets: readonly ExposedSet[]): string {
  const [first] = sets;
  if (first === undefined) return "no work set";
  const reps = (set: ExposedSet) =>
    set.amount === null ? "?" : `${set.amount}${UNITS[set.measure]}`;
  const load = (set: ExposedSet) => (set.reading === null ? "?" : formatMass(set.reading));
  const same = sets.every(
    (s) => s.reading !== null && first.reading !== null && sameReading(s.reading, first.reading),
  );
  return same
    ? `${load(first)} × ${sets.map(reps).join(", ")}`
    : sets.map((set) => `${load(set)} × ${reps(set)}`).join(", ");
}

/** A load as it is read, where nothing on the body is no 0 kg. */
function loadRead(reading: Mass, { kind }: Loading): string {
  if (reading.thousandths !== 0) return formatMass(reading);
  if (kind === "unloaded") return "";
  return kind === "bodyweight" ? "body weight" : formatMass(reading);
}

/** Sets with the same load behind each other, for a column: "75 kg" and "7 7 7 7"; what is unknown is a question mark. */
export function setsByLoad({ sets, loading }: Pick<Exposure, "sets" | "loading">): readonly {
  readonly load: string;
  readonly done: string;
}[] {
  const groups: { load: string; done: string[] }[] = [];
  for (const { reading, amount, measure } of sets) {
    const load = reading === null ? "?" : loadRead(reading, loading);
    const done = amount === null ? "?" : `${amount}${UNITS[measure]}`;
    const last = groups.at(-1);
    if (last?.load === load) last.done.push(done);
    else groups.push({ load, done: [done] });
  }
  return groups.map(({ load, done }) => ({
    load,
    done: done.join(done.some((own) => own.includes(" ")) ? ", " : " "),
  }));
}

/** "100 kg × 12, 11, 10 · last set RIR 1 · 18 Nov" */
export function formatExposure(exposure: Exposure): string {
  const last = exposure.sets.at(-1);
  const effort = last === undefined ? "" : ` · last set ${formatRir(last.rir)}`;
  return `${formatSetsDone(exposure.sets)}${effort} · ${formatShortDay(exposure.day)}`;
}

/** "Same load, +2 reps in all, RIR −1", "+2.5 kg", "+5 kg (easier)" of a counterweight; what is unknown is left out. */
export function formatGained({ loadTicks, isHarder, done, left }: Gained, unit: MassUnit): string {
  const signed = (n: number, text: string) => `${n > 0 ? "+" : "−"}${text}`;
  const load =
    loadTicks === null
      ? []
      : loadTicks === 0
        ? ["same load"]
        : [
            signed(
              loadTicks,
              formatMass(massFromTicks(ticks(Math.abs(loadTicks)), unit, "nearest")),
            ) + (isHarder === loadTicks > 0 ? "" : isHarder ? " (harder)" : " (easier)"),
          ];
  const reps =
    done === null
      ? []
      : done.amount === 0
        ? [done.measure === "reps" ? "same reps" : "the same in all"]
        : [signed(done.amount, `${formatAmountOf(Math.abs(done.amount), done.measure)} in all`)];
  const effort = left === null || left === 0 ? [] : [`RIR ${signed(left, String(Math.abs(left)))}`];
  return sentence([...load, ...reps, ...effort].join(", "));
}

/** "12 sessions since 12 Jan: +12.5 kg, +2 reps in all"; one that stands aside says why it is none of them. */
export function formatSeries(
  { since, sessions, last, gained }: SeriesRecord,
  unit: MassUnit,
): string {
  const many = `${plural(sessions, "session")} since ${formatShortDay(since)}`;
  const aside = {
    in: "",
    aside: " (not this one: different set-up)",
    unsure: " (not this one: something was not logged)",
  }[last];
  const come = formatGained(gained, unit);
  return `${many}${aside}${come === "" ? "" : `: ${come.charAt(0).toLowerCase()}${come.slice(1)}`}`;
}

const COUNTED: readonly (readonly [CountedField, string])[] = [
  ["fullReps", ""],
  ["partialReps", " partial"],
  ["forcedReps", " forced"],
  ["seconds", " s"],
  ["steps", " steps"],
  ["metres", " m"],
];

/** "100 kg × 8", "60 kg × 6 partial", "? × ?"; what is unknown is a question mark, never a zero. */
export function formatLoggedSet(loggedSet: LoggedSet): string {
  const done = COUNTED.flatMap(([field, unit]) =>
    loggedSet[field] === null ? [] : [`${loggedSet[field]}${unit}`],
  ).join(" + ");
  return `${loggedSet.reading === null ? "?" : formatMass(loggedSet.reading)} × ${done === "" ? "?" : done}`;
}

/** "Quads: 9 direct sets planned, 7 done." */
export function formatPlannedAndDone(
  { region, planned, done }: NonNullable<SessionReview["most"]>,
  muscles: MuscleNames,
): string {
  const sets = planned === 1 ? "direct set" : "direct sets";
  return `${muscles.row[region]}: ${formatSets(planned)} ${sets} planned, ${formatSets(done)} done.`;
}

/** "105 kg × 5", "20 kg × 45 s", "100 kg × 18 in all" */
export function formatBest({ reading, counted, amount }: Best): string {
  return `${formatMass(reading)} × ${amount}${counted === "inAll" ? " in all" : UNITS[counted]}`;
}

/** "12 Jan, RIR 2, set 2, after 9 hard sets, with belt, at 80 kg": when and how a best was set. */
export function formatHowSet({ day, rir, place, hardSetsBefore, gear, bodyWeight }: Best): string {
  return [
    formatShortDay(day),
    ...(rir === "unknown" ? [] : [formatRir(rir)]),
    ...(place === 1 ? [] : [`set ${place}`]),
    ...(hardSetsBefore === 0 ? [] : [`after ${plural(hardSetsBefore, "hard set")}`]),
    ...(gear === null || gear.length === 0
      ? []
      : [`with ${gear.map(({ name }) => name).join(", ")}`]),
    ...(bodyWeight === null ? [] : [`at ${formatMass(bodyWeight)}`]),
  ].join(", ");
}
