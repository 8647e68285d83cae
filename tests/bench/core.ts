/** Core calculations against a structured clone of the same data; printed, never asserted. */
import { mintId } from "~/codec/mint.ts";
import { slotDurations, sessionDuration } from "~/core/duration/index.ts";
import type { Id } from "~/core/identity/index.ts";
import { foldCommands, type OrderedCommand } from "~/core/log/index.ts";
import { checkPlan, slotsOf, unroll } from "~/core/prescription/index.ts";
import { nextByDoubleProgression } from "~/core/progression/index.ts";
import {
  sampleCommand,
  sampleExposed,
  sampleExposure,
  samplePart,
  sampleSet,
  sampleAround,
} from "~/core/samples/index.ts";
import { ANYTHING, findMovements } from "~/core/finder/index.ts";
import { findingsOf, judge } from "~/core/finding/index.ts";
import { exercise, judging, sessionOf } from "~/tests/arbitrary/session.ts";
import { kg } from "~/core/quantity/index.ts";
import { allLoads, type Station } from "~/core/station/index.ts";
import { DEFAULT_VOLUME_POLICY, plannedSets, volumeOf } from "~/core/volume/index.ts";
import { firstPlan } from "~/demo/first-plan.ts";
import { STATIONS, TRAINEES, type StationKey } from "~/demo/studio.ts";

const ids = Object.fromEntries(
  Object.keys(STATIONS).map((key) => [key, mintId<"station">()]),
) as Record<StationKey, Id<"station">>;
const stations = (Object.keys(STATIONS) as StationKey[]).map((key): Station => ({
  ...STATIONS[key],
  id: ids[key],
  versionId: mintId(),
  gymId: mintId(),
}));
const routine = TRAINEES[0]?.routine ?? [];
const plan = firstPlan(routine, ids, mintId);
const around = sampleAround(stations);
const steps = unroll(plan, around);
const commands: OrderedCommand[] = Array.from({ length: 40 }, (_, i) => ({
  command: sampleCommand(1, i + 1, { kind: "part", part: samplePart(sampleSet(i + 1)) }),
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
  { brief: { minutesCap: 75, tight: ["ankle"], priorities: ["adductors"] } },
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

console.log(
  `\nCore: microseconds, median; a session of ${plan.blocks.length} exercises and ${steps.length} steps\n`,
);
const rows: readonly (readonly [string, () => unknown, unknown])[] = [
  ["unroll", () => unroll(plan, around), plan],
  ["duration of the session", () => sessionDuration(steps), plan],
  ["duration of each exercise", () => slotDurations(steps), plan],
  ["check of the plan", () => checkPlan(plan, around), plan],
  ["hard sets per region", () => volumeOf(plannedSets(plan, around), DEFAULT_VOLUME_POLICY), plan],
  ["fold of 40 commands", () => foldCommands(commands), commands],
  [
    "double progression, 12 sessions",
    () => nextByDoubleProgression(slot, exposures, rack),
    exposures,
  ],
  ["findings of 12 exercises", () => findingsOf(long), long.plan],
  [
    "what the finder answers",
    () => findMovements({ ...ANYTHING, text: "curl" }, judged),
    long.plan,
  ],
  ["every load of a rack, not cached", () => allLoads({ ...rack }), allLoads(rack)],
];
console.log(
  `${"calculation".padEnd(36)}${"takes".padStart(8)}${"clone".padStart(9)}${"ratio".padStart(8)}`,
);
for (const [name, work, data] of rows) {
  const [took, clone] = [microseconds(work), microseconds(() => structuredClone(data))];
  console.log(
    `${name.padEnd(36)}${took.toFixed(1).padStart(8)}${clone.toFixed(1).padStart(9)}${(took / clone).toFixed(2).padStart(8)}`,
  );
}
