import {
  assertNever,
  sameReading,
  ticksOf,
  type Day,
  type Id,
  type Mass,
  type MovementRef,
} from "~/core/kernel/index.ts";
import type {
  CellEdit,
  CellError,
  CellSource,
  LongTaper,
  ManyError,
  PhaseWeek,
  Rotation,
  RolledOver,
  SheetCell,
  WholePhase,
} from "~/core/phase/index.ts";
import type { FittingChange } from "~/core/coach/index.ts";
import { directRegions, type FindMovement, type Movement } from "~/core/movement/index.ts";
import type { SetRole } from "~/core/plan/index.ts";
import type { WeekKind } from "~/core/progress/index.ts";
import {
  formatAmount,
  formatDay,
  formatMass,
  formatShare,
  formatShortDay,
  plural,
} from "./numbers.ts";
import { formatTarget, formatTargetShort } from "./target.ts";
import { PATTERN_NAMES, ROLE_NAMES } from "./training.ts";
import { MUSCLES } from "./muscles.ts";

export const WEEKDAY_NAMES = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"] as const;

/** A kind of week where one is chosen. */
export const WEEK_KIND_NAMES: Readonly<Record<WeekKind, string>> = {
  normal: "Normal",
  light: "Light",
  lighter: "Lighter",
  test: "Test",
};

/** What a week is called after its date; nothing where it is a normal one. */
export const WEEK_NAMES: Readonly<Record<WeekKind, string>> = {
  normal: "",
  light: "light",
  lighter: "lighter",
  test: "test",
};

export const SOURCE_NAMES: Readonly<Record<CellSource, string>> = {
  done: "done",
  planned: "planned",
  next: "next",
  projected: "projected",
  missed: "missed",
  dropped: "dropped",
};

const signed = (n: number) => (n > 0 ? `+${n}` : `−${Math.abs(n)}`);

/** "−1 set · RIR +2 · 95 % of the load", or "as it is". */
export function formatWeek({ sets, effort, load }: PhaseWeek): string {
  const parts = [
    ...(sets === 0 ? [] : [`${signed(sets)} ${Math.abs(sets) === 1 ? "set" : "sets"}`]),
    ...(effort === 0 ? [] : [`RIR ${signed(effort)}`]),
    ...(load === 1 ? [] : [`${formatShare(load)} of the load`]),
  ];
  return parts.length === 0 ? "as it is" : parts.join(" · ");
}

/** What the coach changed of a cell. */
export function formatCellEdit(edit: CellEdit): string {
  switch (edit.kind) {
    case "load":
      return formatMass(edit.reading);
    case "loadBy":
      return `${formatShare(edit.share)} of the load`;
    case "sets":
      return plural(edit.to, "set");
    case "setsBy":
      return `${signed(edit.by)} ${Math.abs(edit.by) === 1 ? "set" : "sets"}`;
    case "target":
      return formatTarget(edit.to);
    case "effort":
      return formatEffort({ effort: edit.to, effortUpTo: null });
    case "rest":
      return `rest ${edit.to} s`;
    case "leftOut":
      return "left out";
    default:
      return assertNever(edit);
  }
}

/** One part of a cell: in ink where it changed from the week before, else in grey. */
export interface CellPart {
  readonly text: string;
  readonly isNew: boolean;
}

/** How a load moved from the week before. */
export type Way = "up" | "down" | null;

/** A cell in as few words as it takes: what changed since the cell before, and the load in any case. */
export function formatCell(
  cell: SheetCell,
  before: SheetCell | null,
): { readonly parts: readonly CellPart[]; readonly way: Way } {
  if (cell.done.length > 0) return { parts: doneParts(cell, before), way: wayOf(cell, before) };
  const isLoadNew = before === null || !isSameLoad(cell.reading, before.reading);
  const target = formatTargetShort(cell.target);
  const isTargetNew = before === null || target !== formatTargetShort(before.target);
  const isSetsNew = before !== null && cell.sets !== before.sets;
  const isEffortNew =
    before !== null && (cell.effort !== before.effort || cell.effortUpTo !== before.effortUpTo);
  return {
    parts: [
      {
        text: formatCellLoad(cell.reading, cell.isBodyOnly),
        isNew: isLoadNew,
      },
      ...(isTargetNew ? [{ text: `× ${target}`, isNew: before !== null }] : []),
      ...(isSetsNew ? [{ text: plural(cell.sets, "set"), isNew: true }] : []),
      ...(isEffortNew ? [{ text: formatEffort(cell), isNew: true }] : []),
    ],
    way: wayOf(cell, before),
  };
}

/** "102.5", "bodyweight", or what is found on the day. */
function formatCellLoad(reading: Mass | null, isBodyOnly: boolean): string {
  if (reading === null) return "set on the day";
  return isBodyOnly ? "bodyweight" : formatAmount(reading);
}

/** "RIR 2", "RIR 1–3"; how much is left is for the trainee to say where it is no number. */
function formatEffort({ effort, effortUpTo }: Pick<SheetCell, "effort" | "effortUpTo">): string {
  if (effort === "unknown") return "RIR not set";
  if (effort === "past") return "beyond failure";
  if (effort === "more") return "RIR over 5";
  return effortUpTo === null ? `RIR ${effort}` : `RIR ${effort}–${effortUpTo}`;
}

const isSameLoad = (a: Mass | null, b: Mass | null) =>
  a === null || b === null ? a === b : sameReading(a, b);

/** "102.5 × 10 9 8": the first set's load and what each set came to. */
function doneParts({ done, isBodyOnly }: SheetCell, before: SheetCell | null): readonly CellPart[] {
  const reading = done[0]?.reading ?? null;
  const last = before?.done[0]?.reading ?? before?.reading ?? null;
  return [
    {
      text:
        reading === null ? "–" : formatCellLoad(reading, isBodyOnly && reading.thousandths === 0),
      isNew: before === null || !isSameLoad(reading, last),
    },
    { text: formatAmounts(done.map(({ amount }) => amount)), isNew: true },
  ];
}

/** "× 10 9 8", or "· 4 × 6" where three sets or more came to the same. */
function formatAmounts(amounts: readonly (number | null)[]): string {
  const [first] = amounts;
  const isSame = amounts.length > 2 && first != null && amounts.every((n) => n === first);
  return isSame
    ? `·\u2009${amounts.length}\u2009×\u2009${first}`
    : `×\u2009${amounts.map((n) => n ?? "?").join("\u2009")}`;
}

function wayOf(cell: SheetCell, before: SheetCell | null): Way {
  const [was, is] = [loadIn(before), loadIn(cell)];
  if (was === null || is === null || isSameLoad(was, is)) return null;
  return ticksOf(is) > ticksOf(was) ? "up" : "down";
}

const loadIn = (cell: SheetCell | null) => cell?.done[0]?.reading ?? cell?.reading ?? null;

/** The whole of a cell: "3 × 8–10 at 102.5 kg, RIR 2". */
export function formatCellWhole(cell: SheetCell): string {
  const load =
    cell.reading === null
      ? "load set on the day"
      : cell.isBodyOnly
        ? "bodyweight"
        : `at ${formatMass(cell.reading)}`;
  const effort = cell.effort === "unknown" ? "" : `, ${formatEffort(cell)}`;
  return `${cell.sets} × ${formatTargetShort(cell.target)} ${load}${effort}`;
}

const WHOLE_PHASE: Readonly<Record<WholePhase, string>> = {
  role: "The role of a set",
  tempo: "Tempo",
  technique: "A technique such as a drop set",
  load: "How a load is worked out",
  side: "How the sides are trained",
  rirRange: "A range of RIR",
};

/** What is wrong with what was typed into a cell, and what to do. */
export function formatCellError(error: CellError): string {
  switch (error.code) {
    case "unread":
      return "This was not understood. Type a load (110), a share (95%), sets (4 sets, -1 set), out, or a line like 3 x 8 at 110 leave 2.";
    case "unlike":
      return "A cell holds sets that are alike; open the session for others.";
    case "wholePhase":
      return `${WHOLE_PHASE[error.what]} is set for the whole phase: open the session of this day.`;
    case "cannotBeMade": {
      const near = [error.easier, error.harder].flatMap((made) => made?.reading ?? []);
      const instead = near.length === 0 ? "" : ` Nearest: ${near.map(formatMass).join(", ")}.`;
      return `${formatMass(error.reading)} is not available on this equipment.${instead}`;
    }
    case "outOfBounds":
      return error.what === "sets"
        ? "Expected 1 to 20 sets, or up to 10 more or fewer."
        : "Expected 30 to 120 per cent.";
    default:
      return assertNever(error);
  }
}

/** Why a phase was not saved, and what to do. */
export function formatOverlap(other: {
  readonly name: string;
  readonly starts: Day;
  readonly ends: Day;
}): string {
  return `${other.name} runs from ${formatDay(other.starts)} to ${formatDay(other.ends)}. Two phases of one client cannot overlap: begin later, or make it shorter.`;
}

/** "3 of your changes are for exercises or weeks that no longer exist; they have no effect." */
export function formatLost(changes: number): string {
  return changes === 1
    ? "1 of your changes is for an exercise or week that no longer exists; it has no effect."
    : `${changes} of your changes are for exercises or weeks that no longer exist; they have no effect.`;
}

/** What becomes of a taper that is longer than its phase, and what to do. */
export function formatLongTaper(
  { movement, takes, has, isTested }: LongTaper,
  find: FindMovement,
): string {
  const name = find(movement)?.name ?? movement;
  const what = `${name} tapers to a test over ${plural(takes, "session")}, and this phase has ${has} for it`;
  return isTested
    ? `${what}: the test week brings the test forward.`
    : `${what}: it ends before the test. Add weeks, make one a test week, or begin with fewer reps.`;
}

/** Why nothing was written into the cells, and what to do. */
export function formatTypeCellsError(error: TypeCellsProblem): string {
  switch (error.code) {
    case "cell":
      return formatCellError(error.error);
    case "isReal":
      return error.source === "missed"
        ? "This session was missed: it cannot be changed any more."
        : `This session is ${SOURCE_NAMES[error.source]}: open it to change it.`;
    case "tooMany":
      return `A phase holds ${error.most} changes of single weeks; change the sessions themselves instead.`;
    case "notThere":
      return "This exercise is not in this week.";
    case "cellChanged":
      return `Someone else changed this cell in the meantime; it is shown as they left it. Not saved: ${error.at.text}`;
    case "changedMeanwhile":
      return "Someone else changed this phase in the meantime; it is shown as they left it. Nothing was undone.";
    case "overlaps":
      return formatOverlap(error.with);
    case "missing":
      return "This phase or its client is gone.";
    default:
      return assertNever(error);
  }
}

/** What may stand in the way of writing into cells. */
export type TypeCellsProblem =
  | { readonly code: "cell"; readonly error: CellError }
  | { readonly code: "isReal"; readonly source: CellSource }
  | { readonly code: "notThere" }
  | { readonly code: "tooMany"; readonly most: number }
  | { readonly code: "cellChanged"; readonly at: { readonly text: string } }
  | { readonly code: "changedMeanwhile" }
  | { readonly code: "overlaps"; readonly with: Parameters<typeof formatOverlap>[0] }
  | { readonly code: "missing" };

export const WEEKDAYS = [
  "Monday",
  "Tuesday",
  "Wednesday",
  "Thursday",
  "Friday",
  "Saturday",
  "Sunday",
] as const;

/** Why a phase was not made, and what to do. */
export function formatNewPhaseError(
  error:
    | { readonly code: "overlaps"; readonly with: Parameters<typeof formatOverlap>[0] }
    | { readonly code: "missing" }
    | { readonly code: "gymMissing" }
    | { readonly code: "sourceMissing"; readonly weekday: number },
): string {
  switch (error.code) {
    case "overlaps":
      return formatOverlap(error.with);
    case "missing":
      return "This client is gone.";
    case "gymMissing":
      return "This gym is gone; choose another one.";
    case "sourceMissing":
      return `The session for ${WEEKDAYS[error.weekday - 1] ?? "this day"} is gone, or another client's; choose another one.`;
    default:
      return assertNever(error);
  }
}

/** "Strength 2" after "Strength 1"; "Squat, next" where a name has no number. */
export function nameAfter(name: string): string {
  const numbered = /^(.*?)(\d{1,3})$/.exec(name);
  const [, text = "", n] = numbered ?? [];
  const next = n === undefined ? `${name}, next` : `${text}${Number(n) + 1}`;
  return next.slice(0, 80);
}

const ENDED_BECAUSE: Readonly<Record<RolledOver["ended"][number]["why"], string>> = {
  weeksOver: "its weeks are over",
  keptLongEnough: "it was kept long enough; a variation has its turn",
};

/** What a phase that follows carries as notes: how the last one was called, and what now comes first. */
export function formatCarried(
  name: string,
  notes: string,
  { putFirst, ended }: Pick<RolledOver, "putFirst" | "ended">,
  find: FindMovement,
): string {
  const over = ended.map(
    ({ movement, why }) => `${find(movement)?.name ?? movement} is out: ${ENDED_BECAUSE[why]}.`,
  );
  const first = putFirst.map(
    ({ movement, skipped, of }) =>
      `${find(movement)?.name ?? movement} comes first: skipped in ${skipped} of ${of} sessions.`,
  );
  const carried = [`Follows ${name}.`, ...first, ...over, ...(notes === "" ? [] : [notes])];
  return carried.join("\n").slice(0, 2000);
}

/** Everything that a line of a sheet goes by where several are changed at once, in lower case. */
export function namesOfRow(
  {
    movement: ref,
    role,
    day,
  }: {
    readonly movement: MovementRef;
    readonly role: SetRole;
    readonly day: { readonly weekday: number; readonly title: string };
  },
  movement: Movement | null,
): readonly string[] {
  const regions = movement === null ? [] : directRegions(movement);
  return [
    movement?.name ?? ref,
    ...(movement === null ? [] : [PATTERN_NAMES[movement.pattern]]),
    ...regions.flatMap((region) =>
      Object.values(MUSCLES).flatMap(({ row, label }) => [row[region], label[region]]),
    ),
    ROLE_NAMES[role],
    `${ROLE_NAMES[role]} set`,
    day.title,
    WEEKDAYS[day.weekday - 1] ?? "",
    WEEKDAY_NAMES[day.weekday - 1] ?? "",
  ].map((name) => name.toLowerCase());
}

/** Why a line for many cells does nothing, and how to write it. */
export function formatManyError(error: ManyError): string {
  switch (error.code) {
    case "noWeeks":
      return "Say which weeks at the end: in week 4, or weeks 4-6.";
    case "weekOut":
      return `There is no week ${error.week}; the phase has ${error.most}.`;
    case "nobody":
      return error.who === ""
        ? "Say first which exercises: all, hinges, quads, leg press, Monday."
        : "Nothing here goes by those first words: an exercise, a pattern, a muscle, a day, or all.";
    case "nothing":
      return "Say what to change: -1 set, 4 sets, 95%, 110 kg, out.";
    default:
      return assertNever(error);
  }
}

/** When an exercise has its turn: "takes turns, 2 weeks each", "every 3 weeks", "2 of every 3 weeks". */
export function formatTurns({ every, members }: Rotation, lineage: Id<"lineage">): string {
  const own = members.filter((member) => member === lineage).length;
  const weeks = every * members.length;
  if (own === members.length / new Set(members).size)
    return `takes turns, ${every === 1 ? "week by week" : `${every} weeks each`}`;
  return own * every === 1 ? `every ${weeks} weeks` : `${own * every} of every ${weeks} weeks`;
}

/** Why a phase is not assigned, and what to do. */
export function formatAssignError(
  error: Parameters<typeof formatNewPhaseError>[0] | { readonly code: "incomplete" },
): string {
  return error.code === "incomplete"
    ? "Choose at least one client, a gym and a first day."
    : formatNewPhaseError(error);
}

/** Copies of a phase as they are told before they are made. */
export function toldCopies(copies: readonly FittedCopy[]) {
  return copies.map(({ person, days, exercises, changes, overlap }) => ({
    person,
    about: `${plural(days, "day")} a week, ${plural(exercises, "exercise")}`,
    changes,
    obstacle: overlap === null ? null : formatOverlap(overlap),
  }));
}

interface FittedCopy {
  readonly person: { readonly id: Id<"person">; readonly name: string };
  readonly days: number;
  readonly exercises: number;
  readonly changes: readonly FittingChange[];
  readonly overlap: Parameters<typeof formatOverlap>[0] | null;
}

/** What a day of a phase can be made from, as a list to choose from. */
export function formatSources({
  templates,
  plans,
}: {
  readonly templates: readonly { readonly id: string; readonly name: string }[];
  readonly plans: readonly { readonly id: string; readonly title: string; readonly day: Day }[];
}): readonly { readonly value: string; readonly text: string }[] {
  return [
    ...templates.map(({ id, name }) => ({ value: `template:${id}`, text: `Template: ${name}` })),
    ...plans.map(({ id, title, day }) => ({
      value: `plan:${id}`,
      text: `${title}, ${formatShortDay(day)}`,
    })),
  ];
}
