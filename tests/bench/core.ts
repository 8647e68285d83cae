/** Core calculations against a structured clone of the same data; printed, never asserted. */
import { newId } from "~/codec/new-id.ts";
import {
  slotDurations,
  sessionDuration,
  checkPlan,
  unroll,
  timelineOf,
  plannedSets,
  volumeOf,
} from "~/core/unroll/index.ts";
import { addDays, type Id, kg, share, minutes } from "~/core/kernel/index.ts";
import { foldCommands, type OrderedCommand } from "~/core/log/index.ts";
import { linesOf, mapSlots, slotsOf } from "~/core/plan/index.ts";
import { factsOn, loadsAfter, proposeFor } from "~/core/progress/index.ts";
import {
  COUNTED_ONCE,
  sampleCommand,
  sampleDay,
  sampleExposed,
  sampleExposure,
  sampleLoggedSet,
  sampleSlot,
  sampleSet,
  sampleUnrollContext,
} from "../samples/index.ts";
import { ANYTHING, findMovements } from "~/core/coach/search/index.ts";
import { assess, findingsOf, judge } from "~/core/coach/index.ts";
import { planLoading, allLoads, type Loading, type Station } from "~/core/gym/index.ts";
import { parseLine } from "~/core/plan/notation/index.ts";
import { NOTATION, sampleCircumstances } from "~/tests/samples/index.ts";
import { exercise, judging, sessionOf } from "~/tests/arbitrary/session.ts";
import { firstPlan } from "~/demo/first-plan.ts";
import { STATIONS, type StationKey } from "~/demo/studio.ts";
import { TRAINEES } from "~/demo/trainees.ts";

const ids = Object.fromEntries(
  Object.keys(STATIONS).map((key) => [key, newId<"station">()]),
) as Record<StationKey, Id<"station">>;
const stations = (Object.keys(STATIONS) as StationKey[]).map((key): Station => ({
  ...STATIONS[key],
  id: ids[key],
  versionId: newId(),
  gymId: newId(),
}));
const routine = TRAINEES[0]?.routine ?? [];
const plan = firstPlan(routine, ids, newId);
const context = sampleUnrollContext(stations);
const steps = unroll(plan, context);
const commands: OrderedCommand[] = Array.from({ length: 40 }, (_, i) => ({
  command: sampleCommand(1, i + 1, { kind: "part", part: sampleLoggedSet(sampleSet(i + 1)) }),
  position: i + 1,
}));
const exposures = Array.from({ length: 12 }, () =>
  sampleExposure([9, 9, 8].map((n) => sampleExposed(kg(100), n))),
);
const slot = slotsOf(plan)[0];
if (slot === undefined) throw new Error("the demo's first routine is empty");
const rack = STATIONS.rack.loading;

const long = judging(
  sessionOf(
    ...[
      "back-squat",
      "romanian-deadlift",
      "leg-press",
      "dumbbell-split-squat",
      "seated-leg-curl",
      "lying-leg-curl",
      "leg-extension",
      "barbell-hip-thrust",
      "adduction-machine",
      "abduction-machine",
      "standing-calf-raise",
      "seated-calf-raise",
    ].map((slug) => exercise(slug, 3)),
  ),
  { brief: { minutesCap: minutes(75), tight: ["ankle"], priorities: ["adductors"] } },
);
const judged = judge(long);

function microseconds(work: () => unknown): number {
  for (let i = 0; i < 300; i++) work();
  const rounds = Array.from({ length: 31 }, () => {
    const begun = performance.now();
    for (let i = 0; i < 60; i++) work();
    return ((performance.now() - begun) * 1000) / 60;
  });
  return rounds.sort((a, b) => a - b)[15] ?? 0;
}

const squats = sampleSlot([1, 2, 3].map((n) => sampleSet(n)));
const [squatLine] = linesOf(squats);
/** Eight exercises with sixteen sessions each, every one with values of its own, so that nothing is shared. */
const eight = Array.from({ length: 8 }, (_, e) =>
  Array.from({ length: 16 }, (_, i) => {
    const load = kg(60 + 5 * e + 2.5 * Math.floor(i / 2));
    const reps = 8 + (i % 3);
    const sets = [0, 1, 2].map(() => sampleExposed(load, reps));
    return sampleExposure(sets, { day: addDays(sampleDay(), 7 * i), loading: rack });
  }),
);
const eightFacts = eight.flatMap((own) => {
  const known = sampleCircumstances({ loading: rack });
  return (squatLine && factsOn(squats, squatLine, own, known)) ?? [];
});
const weeks = Array.from({ length: 48 }, (_, i) => i + 1);

console.log(
  `\nCore: microseconds, median; a session of ${plan.blocks.length} exercises and ${steps.length} steps\n`,
);
const rows: readonly (readonly [string, () => unknown, unknown])[] = [
  ["unroll", () => unroll(plan, context), plan],
  ["duration of the session", () => sessionDuration(steps), plan],
  ["duration of each exercise", () => slotDurations(steps), plan],
  ["check of the plan", () => checkPlan(plan, context), plan],
  ["hard sets per region", () => volumeOf(plannedSets(plan, context), COUNTED_ONCE), plan],
  ["fold of 40 commands", () => foldCommands(commands), commands],
  [
    "double progression, 12 sessions",
    () => proposeFor(squats, exposures, sampleCircumstances({ loading: rack })),
    exposures,
  ],
  [
    "proposals of 8 exercises, 16 sessions",
    () => eight.map((own) => proposeFor(squats, own, sampleCircumstances({ loading: rack }))),
    eight,
  ],
  [
    "loads of 8 lines, 48 sessions ahead",
    () => eightFacts.map((facts) => loadsAfter(facts, weeks)),
    eight,
  ],
  ["findings of 12 exercises", () => findingsOf(long), long.plan],
  [
    "what the search answers",
    () => findMovements({ ...ANYTHING, text: "curl" }, judged),
    long.plan,
  ],
  ["every load of a rack, not cached", () => allLoads({ ...rack }), allLoads(rack)],
];
console.log(
  `${"calculation".padEnd(36)}${"takes".padStart(8)}${"clone".padStart(9)}${"ratio".padStart(8)}`,
);
/** A ramp, work and a drop chain over a bar with nine sizes of plates: too many stacks to look at all. */
const NINE: Extract<Loading, { kind: "bar" }> = {
  kind: "bar",
  unit: "kg",
  bar: kg(20),
  plates: [25, 20, 15, 10, 7.5, 5, 2.5, 1.25, 0.5].map((n) => ({ size: kg(n), count: 8 })),
};
const chain = [40, 70, 100, 130, 160, 160, 130, 105, 85, 70, 55, 45].map((n) => ({
  reading: kg(n),
  within: share(0.025),
  towards: "nearest" as const,
}));
/** The same few steps with three sizes, where every stack is looked at. */
const THREE: Loading = { ...NINE, plates: NINE.plates.filter((_, i) => [0, 3, 5].includes(i)) };
const line =
  "ramp 8 at 40; ramp 5 at 60; 3 x 5-7 at 80 leave 2 rest 3:00 then 3 drops to 80% of last";
/** Twelve exercises in which every time another load of the first one is typed, so that it is hung anew. */
let typed = 0;
const everything = () => {
  typed += 1;
  const reading = kg(60 + (typed % 60) * 2.5);
  const [begun] = slotsOf(long.plan);
  const changed = mapSlots(long.plan, (s) =>
    s !== begun
      ? s
      : { ...s, sets: s.sets.map((set) => ({ ...set, load: { kind: "absolute", reading } })) },
  );
  timelineOf(assess(changed, long).steps);
};
const prescribing: readonly (readonly [string, () => unknown])[] = [
  ["loading plan, 12 loads, nine sizes", () => planLoading(NINE, chain)],
  ["loading plan, 12 loads, three sizes", () => planLoading(THREE, chain)],
  ["a written line read", () => parseLine(line, [], NOTATION, newId)],
  ["all that follows a change, 12 exercises", everything],
];

for (const [name, work, data] of rows) {
  const [took, clone] = [microseconds(work), microseconds(() => structuredClone(data))];
  console.log(
    `${name.padEnd(36)}${took.toFixed(1).padStart(8)}${clone.toFixed(1).padStart(9)}${(took / clone).toFixed(2).padStart(8)}`,
  );
}

console.log("\nPrescribing: milliseconds, median (aim: 16)\n");
for (const [name, work] of prescribing) {
  console.log(`${name.padEnd(42)}${(microseconds(work) / 1000).toFixed(2).padStart(8)}`);
}
