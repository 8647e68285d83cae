import { refsByName } from "~/core/movement/index.ts";
import { substitutesFor, swapSlot } from "~/core/coach/search/index.ts";
import { judgingIn, lastReadingFrom } from "~/core/coach/index.ts";
import {
  fail,
  ok,
  parseMass,
  type Id,
  type MovementRef,
  type Result,
} from "~/core/kernel/index.ts";
import { usualWeek, weekAt, type PhaseEdit } from "~/core/phase/index.ts";
import {
  copyApart,
  isPreparatory,
  shortTempoOrder,
  slotsOf,
  withLines,
  type Slot,
} from "~/core/plan/index.ts";
import { parseLine, type NotationError } from "~/core/plan/notation/index.ts";
import { newId } from "~/codec/new-id.ts";
import { weekOf, type ChangePhase } from "~/codec/change-phase.ts";
import { getStation, studioDay } from "../db/gyms.server.ts";
import { catalogueFor } from "../db/movements.server.ts";
import { getPerson } from "../db/people.server.ts";
import type { StoredPhase } from "../db/phases.server.ts";
import type { Scope } from "../db/scope.server.ts";
import { changePhase, type ChangePhaseError, type Followed } from "./change-phase.server.ts";
import { contextFor } from "./context.server.ts";
import { dayFrom } from "./phase.server.ts";
import { studioSettings } from "../db/studio-settings.server.ts";

export type EditPhaseError =
  | ChangePhaseError
  | { readonly code: "sourceMissing" }
  | { readonly code: "noStandIn" }
  | { readonly code: "notALoad"; readonly text: string }
  /** A technique whose sets cannot be read. */
  | { readonly code: "notSets"; readonly error: NotationError | null }
  /** It takes turns with something else. */
  | { readonly code: "takesTurns" }
  | { readonly code: "weekdayTaken" }
  | { readonly code: "notAWeek"; readonly text: string };

/** Changes a phase by what a form of its page asks. */
export async function editPhase(
  scope: Scope,
  phase: StoredPhase,
  asked: ChangePhase,
): Promise<Result<Followed, EditPhaseError>> {
  const edits = await editsFor(scope, phase, asked);
  if (!edits.ok) return edits;
  const named = asked.intent === "aim" ? { name: asked.name } : {};
  return changePhase(scope, phase, asked.baseRevision, edits.value, named);
}

async function editsFor(
  scope: Scope,
  phase: StoredPhase,
  asked: ChangePhase,
): Promise<Result<readonly PhaseEdit[], EditPhaseError>> {
  const { document } = phase;
  const isTaken = (weekday: number, but?: Id<"phaseDay">) =>
    document.days.some((own) => own.weekday === weekday && own.id !== but);
  switch (asked.intent) {
    case "aim": {
      const { goal, success, approach, notes } = asked;
      return ok([{ kind: "aim", goal, success, approach, notes }]);
    }
    case "week": {
      const read = weekOf(asked);
      return read.success
        ? ok([{ kind: "week", week: asked.week, to: read.data }])
        : fail({ code: "notAWeek", text: read.error.issues[0]?.message ?? "" });
    }
    case "addWeek":
      return ok([{ kind: "addWeek", after: asked.after, week: usualWeek("normal") }]);
    case "removeWeek":
      return ok([{ kind: "removeWeek", week: asked.week }]);
    case "day": {
      const { day, weekday, gymId, startTime, title } = asked;
      if (isTaken(weekday, day)) return fail({ code: "weekdayTaken" });
      return ok([{ kind: "day", day, weekday, gymId, startTime, title }]);
    }
    case "removeDay":
      return ok([{ kind: "removeDay", day: asked.day }]);
    case "addDay": {
      if (isTaken(asked.weekday)) return fail({ code: "weekdayTaken" });
      const person = await getPerson(scope, phase.personId);
      const { start, approach } = document;
      const place = { gymId: asked.gymId, start, approach };
      const made = person && (await dayFrom(scope, asked.source, person, place, asked.weekday));
      if (!made) return fail({ code: "sourceMissing" });
      return ok([{ kind: "addDay", day: made.day }]);
    }
    case "spans": {
      const { day, lineage, from, to } = asked;
      const isAlways = from <= 1 && to >= document.weeks.length;
      return ok([{ kind: "spans", day, lineage, in: isAlways ? [] : [{ from, to }] }]);
    }
    case "turns":
      return turnsWith(scope, phase, asked);
    case "technique":
      return techniqueOf(scope, phase, asked);
    case "target": {
      const { day, lineage, line, load, reps } = asked;
      if (load === "") return ok([{ kind: "statedTarget", day, line, to: null }]);
      const slot = slotIn(phase, day, lineage);
      const station = slot && (await getStation(scope, slot.station));
      const reading = parseMass(load, station?.loading.unit ?? "kg");
      if (!reading.ok) return fail({ code: "notALoad", text: load });
      const week = Math.min(asked.week, document.weeks.length);
      const to = { day, lineage, line, reading: reading.value, reps, week };
      return ok([{ kind: "statedTarget", day, line, to }]);
    }
    case "endTurns":
      return ok([{ kind: "endRotation", day: asked.day, member: asked.lineage }]);
    case "keep": {
      const { day, lineage, phases } = asked;
      return ok([{ kind: "keep", day, lineage, phases }]);
    }
  }
}

/** An exercise takes turns with a variation, which is added behind it; more of them go on in the same rotation. */
async function turnsWith(
  scope: Scope,
  phase: StoredPhase,
  { day, lineage, every, movement }: Extract<ChangePhase, { intent: "turns" }>,
): Promise<Result<readonly PhaseEdit[], EditPhaseError>> {
  const { document } = phase;
  const slot = slotIn(phase, day, lineage);
  const variation = slot && (await variationOf(scope, phase, day, slot, movement));
  if (!variation) return fail({ code: "noStandIn" });
  const before = document.rotations.find((own) => own.day === day && own.members.includes(lineage));
  const members = [...(before?.members ?? [lineage]), variation.lineageId];
  const today = await studioDay(scope);
  // Whose turn it is now keeps it.
  const turn = Math.floor(Math.max(0, weekAt(document, today) - 1) / every) % members.length;
  const startsWith = before?.startsWith ?? (members.length - turn) % members.length;
  return ok([
    {
      kind: "addExercise",
      day,
      slot: variation,
      block: newId(),
      behind: lineage,
      from: 1,
      to: document.weeks.length,
    },
    { kind: "rotation", to: { day, every, members, startsWith } },
  ]);
}

/**
 * Every so many weeks an exercise is done by other sets: a variation of its own with lines of its own, which has the
 * last turn of so many, so that it goes on from phase to phase.
 */
async function techniqueOf(
  scope: Scope,
  phase: StoredPhase,
  { day, lineage, every, line }: Extract<ChangePhase, { intent: "technique" }>,
): Promise<Result<readonly PhaseEdit[], EditPhaseError>> {
  const { document } = phase;
  const slot = slotIn(phase, day, lineage);
  if (slot === undefined) return fail({ code: "noStandIn" });
  if (document.rotations.some((own) => own.day === day && own.members.includes(lineage)))
    return fail({ code: "takesTurns" });
  const [station, { find, all }, { tempoOrder }] = await Promise.all([
    getStation(scope, slot.station),
    catalogueFor(scope),
    studioSettings(scope),
  ]);
  const first = slot.sets.find(({ role }) => !isPreparatory(role));
  if (first === undefined) return fail({ code: "noStandIn" });
  const read = parseLine(
    line,
    [],
    {
      unit: station?.loading.unit ?? "kg",
      // What is not said is as the exercise has it otherwise.
      defaults: { effort: first.effort, rest: first.restAfter, side: first.side },
      tempo: shortTempoOrder(tempoOrder, find(slot.movement)?.tempoStart ?? "lower"),
      exercises: [[]],
      own: 0,
      nameOf: (ref) => find(ref)?.name ?? null,
      movementNamed: (name) => refsByName(all).get(name.toLowerCase()) ?? null,
    },
    newId,
  );
  if (!read.ok || read.value.length === 0)
    return fail({ code: "notSets", error: read.ok ? null : (read.error[0] ?? null) });
  const own = copyApart(withLines({ ...slot, sets: read.value, lines: [] }), newId);
  const members = [...Array.from({ length: every - 1 }, () => lineage), own.lineageId];
  return ok([
    {
      kind: "addExercise",
      day,
      slot: own,
      block: newId(),
      behind: lineage,
      from: 1,
      to: document.weeks.length,
    },
    { kind: "rotation", to: { day, every: 1, members, startsWith: 0 } },
  ]);
}

function slotIn({ document }: StoredPhase, day: Id<"phaseDay">, lineage: Id<"lineage">) {
  const own = document.days.find(({ id }) => id === day);
  return own && slotsOf(own.session).find(({ lineageId }) => lineageId === lineage);
}

async function variationOf(
  scope: Scope,
  phase: StoredPhase,
  day: Id<"phaseDay">,
  slot: Slot,
  movement: MovementRef,
): Promise<Slot | null> {
  const gym = phase.document.days.find(({ id }) => id === day)?.gymId;
  const look = gym && (await lookingIn(scope, phase, gym));
  if (!look) return null;
  const own = look.for(slot).find((one) => one.movement.ref === movement);
  return own === undefined ? null : copyApart(swapSlot(slot, own, look.side), newId);
}

/** How variations of exercises are looked for in a gym, for the client of a phase; null where the client is gone. */
async function lookingIn(scope: Scope, phase: StoredPhase, gymId: Id<"gym">) {
  const [person, today, catalogue] = await Promise.all([
    getPerson(scope, phase.personId),
    studioDay(scope),
    catalogueFor(scope),
  ]);
  if (person === null) return null;
  const { context } = await contextFor(scope, person, gymId, today);
  const judging = judgingIn(gymId, context, catalogue);
  const swap = {
    brief: context.brief,
    catalogue: judging.catalogue,
    stations: judging.stations,
    unrollContext: judging.unrollContext,
    lastReading: lastReadingFrom(context),
  };
  return {
    side: context.brief.weakerSide ?? ("left" as const),
    for: (slot: Slot) =>
      substitutesFor(slot, { kind: "travelling" }, swap).substitutions.filter(
        (own) => own.movement.ref !== slot.movement,
      ),
  };
}

/** How many variations of an exercise are offered. */
const OFFERED = 8;

/** The exercises that come nearest to each of a phase, by their lineages. */
export async function variationsIn(
  scope: Scope,
  phase: StoredPhase,
): Promise<Readonly<Record<string, readonly MovementRef[]>>> {
  const { days } = phase.document;
  const gyms = [...new Set(days.map(({ gymId }) => gymId))];
  const looks = new Map(
    await Promise.all(gyms.map(async (gym) => [gym, await lookingIn(scope, phase, gym)] as const)),
  );
  return Object.fromEntries(
    days.flatMap(({ gymId, session }) =>
      slotsOf(session).map((slot) => {
        const found = looks.get(gymId)?.for(slot) ?? [];
        return [slot.lineageId, found.slice(0, OFFERED).map(({ movement }) => movement.ref)];
      }),
    ),
  );
}
