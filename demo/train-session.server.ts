import { findMovement } from "~/core/movement/catalogue/index.ts";
import { type Instant, type Id, amountOf, count, instant } from "~/core/kernel/index.ts";
import {
  type Command,
  type CommandBody,
  type LoggedSet,
  plannedContext,
  UNSAID_CONDITIONS,
  UNSAID_OBSERVATIONS,
} from "~/core/log/index.ts";
import { findSlot, amountAsked, isRir, slotsOf, type Rir } from "~/core/plan/index.ts";
import { isSetStep, unrollContextOf, unroll, type SetStep } from "~/core/unroll/index.ts";
import { newId } from "~/codec/new-id.ts";
import { listStations } from "../server/db/gyms.server.ts";
import { acceptCommands } from "../server/db/commands.server.ts";
import { type StoredSessionLog } from "../server/db/session-logs.server.ts";
import type { Scope } from "../server/db/scope.server.ts";
import type { Random } from "~/core/kernel/index.ts";
import type { Exercise, Incident } from "./trainee.ts";
import { simulateSet } from "./train.ts";

/** How one simulated session goes. */
export interface Course {
  readonly start: Instant;
  readonly week: number;
  readonly incident: Incident["kind"] | null;
  readonly setsToLog: number;
  readonly end: boolean;
}

/** Why the last exercise is skipped. */
const SKIPPED: Partial<Record<Incident["kind"], string>> = {
  stationTaken: "Equipment taken",
  cameLate: "Came late",
};

/** Trains a session log as a device on the floor would: commands in sequence, handed to the same function as a sync. */
export async function trainSession(
  at: (instant: Instant) => Scope,
  sessionLog: StoredSessionLog,
  routine: readonly Exercise[],
  course: Course,
  random: Random,
): Promise<void> {
  const device = newId<"device">();
  const commands: Command[] = [];
  let clock = course.start + 4 * 60_000;
  const say = (body: CommandBody) =>
    commands.push({
      commandId: newId(),
      runId: sessionLog.id,
      device,
      seq: commands.length + 1,
      parent: null,
      at: instant(clock),
      body,
    });
  const stations = await listStations(at(course.start), sessionLog.gymId);
  const context = unrollContextOf(stations, findMovement);
  for (const { kind, id } of sessionLog.document.blocks)
    if (kind === "prepare")
      say({ kind: "items", blockId: id, isDone: course.incident !== "cameLate" });
  const begun = new Set<Id<"slot">>();
  const slots = slotsOf(sessionLog.document);
  for (const step of unroll(sessionLog.document, context)
    .filter(isSetStep)
    .slice(0, course.setsToLog)) {
    const slot = findSlot(sessionLog.document, step.slotId);
    const station = slot && context.station(slot.station);
    const exercise = routine[slots.findIndex((s) => s.id === step.slotId)];
    if (slot === null || station === null || exercise === undefined || step.load.kind !== "made")
      continue;
    const skipped = course.incident === null ? undefined : SKIPPED[course.incident];
    if (skipped !== undefined && exercise === routine.at(-1)) {
      if (!begun.has(slot.id)) say({ kind: "skip", slotId: slot.id, reason: skipped });
      begun.add(slot.id);
      continue;
    }
    if (!begun.has(slot.id)) {
      begun.add(slot.id);
      clock += 90_000;
      const context = plannedContext(sessionLog.document, slot, station, null);
      const isMoved = course.incident === "setUpChanged" && exercise === routine[1];
      say({
        kind: "context",
        context: {
          ...context,
          helper: "alone",
          setUp: isMoved ? { ...context.setUp, "Foot height": "high" } : context.setUp,
        },
      });
    }
    clock += Math.round(step.workSeconds.max * 1000);
    say({ kind: "part", part: loggedSetOf(step, station.versionId, exercise, course, random) });
    clock += step.restAfter.likely * 1000;
    if (
      course.incident === "kneePain" &&
      exercise.movement === "shipped:leg-extension" &&
      step.setNumber === 1
    ) {
      say({
        kind: "pain",
        id: newId(),
        slotId: slot.id,
        key: step.key,
        joint: "knee",
        side: "left",
        score: 4,
        note: "",
      });
    }
  }
  if (course.end) {
    if (course.incident === "flatDay")
      say({
        kind: "note",
        slotId: null,
        text: "Slept four hours. A low-energy day, not a step back.",
      });
    say({ kind: "end", sessionEffort: 7 });
  }
  const accepted = await acceptCommands(at(instant(clock)), sessionLog.id, commands);
  if (!accepted.ok) throw new Error(`the demo's commands were refused: ${accepted.error.code}`);
}

function loggedSetOf(
  step: SetStep,
  stationVersion: Id<"stationVersion">,
  exercise: Exercise,
  course: Course,
  random: Random,
): LoggedSet {
  if (step.load.kind !== "made") throw new Error("a simulated set needs a load");
  const { reading, recipe } = step.load;
  const done = simulateSet(
    exercise,
    course,
    {
      load: amountOf(reading),
      index: step.setNumber - 1 + (step.kind === "drop" ? 6 : 0),
      maxReps: amountAsked(step.target).max,
    },
    random,
  );
  const left: unknown = step.kind === "drop" ? 0 : done.left;
  const rir: Rir = isRir(left) ? left : "unknown";
  return {
    id: newId(),
    slotId: step.slotId,
    key: step.key,
    stationVersion,
    reading,
    platesHung: recipe.kind === "plates" ? recipe.perPoint : null,
    fullReps: done.reps === null ? null : count(done.reps),
    partialReps: null,
    forcedReps: null,
    seconds: null,
    steps: null,
    metres: null,
    rir: done.reps === null ? "unknown" : rir,
    limiter: null,
    note: "",
    conditions: UNSAID_CONDITIONS,
    observed: UNSAID_OBSERVATIONS,
  };
}
