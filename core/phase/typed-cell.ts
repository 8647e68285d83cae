import {
  contentKey,
  count,
  fail,
  mass,
  ok,
  share,
  type Mass,
  type MassUnit,
  type NewId,
  type Result,
} from "../kernel/index.ts";
import { howToMake, type CannotBeMade, type Loading } from "../gym/index.ts";
import {
  isOpenTempo,
  isWithin,
  NO_BOUNDS,
  OPEN_TEMPO,
  restSpan,
  type PlannedSet,
  type Rir,
  type Target,
  TEMPO_PHASES,
} from "../plan/index.ts";
import { parseLine, writeLine, type NotationError } from "../plan/notation/index.ts";
import type { CellEdit } from "./cell-edit.ts";

/** A line in one week as it is before somebody types over it. */
export interface TypedOver {
  readonly sets: readonly PlannedSet[];
  /** The equipment; null where it is gone. */
  readonly loading: Loading | null;
}

/** What one week alone cannot change. */
export type WholePhase = "role" | "tempo" | "technique" | "load" | "side" | "rirRange";

export type CellError =
  /** No line of sets, and none of the short ways. */
  | { readonly code: "unread"; readonly errors: readonly NotationError[] }
  /** Several unlike sets: a cell holds those of one line. */
  | { readonly code: "unlike" }
  /** Something that one week alone cannot change. */
  | { readonly code: "wholePhase"; readonly what: WholePhase }
  | { readonly code: "outOfBounds"; readonly what: "sets" | "percent" }
  | CannotBeMade;

/**
 * What a text says of a line in one week; nothing is what was there before the coach changed it. Short ways: a load
 * alone ("110", "110 kg"), "95%", "4 sets", "-1 set", "out"; else a written line, of which what is not said stays.
 */
export function parseCell(
  text: string,
  over: TypedOver,
  newId: NewId,
): Result<readonly CellEdit[], CellError> {
  const typed = text.trim();
  if (typed === "") return ok([]);
  const read = shortWay(typed, unitOf(over)) ?? fromLine(typed, over, newId);
  return read.ok ? madeHere(read.value, over) : read;
}

const unitOf = ({ loading }: TypedOver): MassUnit => loading?.unit ?? "kg";

/** Edits of which every load can be made on the equipment; fails with the loads on either side of one that cannot. */
function madeHere(
  edits: readonly CellEdit[],
  { loading }: TypedOver,
): Result<readonly CellEdit[], CellError> {
  for (const edit of edits) {
    const made = edit.kind === "load" && loading !== null ? howToMake(loading, edit.reading) : null;
    if (made !== null && !made.ok) return fail(made.error);
  }
  return ok(edits);
}

const LOAD = /^(\d{1,5})(?:[.,](\d{1,3}))? ?(kg|lb)?$/;
const SHARE = /^(\d{1,3}(?:[.,]\d{1,2})?) ?%$/;
const SETS = /^([+-]?)(\d{1,3}) ?sets?$/;

function shortWay(typed: string, unit: MassUnit): Result<readonly CellEdit[], CellError> | null {
  if (/^(out|-|–)$/i.test(typed)) return ok([{ kind: "leftOut" }]);
  const load = LOAD.exec(typed);
  if (load !== null) {
    const [, whole = "0", part = "", said] = load;
    const thousandths = Number(whole) * 1000 + Number(part.padEnd(3, "0"));
    const reading = mass(thousandths, said === "lb" || said === "kg" ? said : unit);
    return ok([{ kind: "load", reading }]);
  }
  const percent = SHARE.exec(typed);
  if (percent !== null) {
    const n = Number((percent[1] ?? "").replace(",", "."));
    return isWithin(n, "weekPercent")
      ? ok([{ kind: "loadBy", share: share(n / 100) }])
      : fail({ code: "outOfBounds", what: "percent" });
  }
  const sets = SETS.exec(typed);
  if (sets === null) return null;
  const n = Number(sets[2]);
  if (sets[1] === "") {
    return isWithin(n, "lineSets")
      ? ok([{ kind: "sets", to: count(n) }])
      : fail({ code: "outOfBounds", what: "sets" });
  }
  const by = sets[1] === "-" ? -n : n;
  return isWithin(by, "setsEitherWay")
    ? ok([{ kind: "setsBy", by }])
    : fail({ code: "outOfBounds", what: "sets" });
}

/** What a written line changes of the sets that are there. */
function fromLine(
  typed: string,
  over: TypedOver,
  newId: NewId,
): Result<readonly CellEdit[], CellError> {
  const { sets } = over;
  const [before] = sets;
  if (before === undefined) return ok([]);
  const read = parseLine(
    typed,
    [],
    {
      unit: unitOf(over),
      // What is not said stays as it is.
      defaults: { effort: before.effort, rest: before.restAfter, side: before.side },
      ...ALONE,
    },
    newId,
  );
  if (!read.ok) return fail({ code: "unread", errors: read.error });
  const [own] = read.value;
  if (own === undefined || read.value.some((set) => !isAlike(set, own)))
    return fail({ code: "unlike" });
  const what = wholePhase(own, before);
  if (what !== null) return fail({ code: "wholePhase", what });
  if (!isWithin(read.value.length, "lineSets")) return fail({ code: "outOfBounds", what: "sets" });
  return ok([
    ...when(read.value.length !== sets.length, { kind: "sets", to: count(read.value.length) }),
    ...when(contentKey(own.target) !== contentKey(before.target), targetTo(own.target)),
    ...(own.load.kind === "absolute" ? loadTo(own.load.reading, before) : []),
    ...when(
      own.effort !== before.effort || own.effortUpTo !== before.effortUpTo,
      effortTo(own.effort),
    ),
    ...when(contentKey(own.restAfter) !== contentKey(before.restAfter), {
      kind: "rest",
      to: restSpan(own.restAfter).likely,
    }),
  ]);
}

/**
 * A line in one week as a text that {@link parseCell} reads: sets, what they ask for, load and reserve. What holds for
 * the whole phase is left away.
 */
export function cellText(
  sets: readonly PlannedSet[],
  reading: Mass | null,
  unit: MassUnit,
): string {
  const plain = sets.map((set): PlannedSet => ({
    ...set,
    role: "work",
    load: reading === null ? { kind: "open" } : { kind: "absolute", reading },
    tempo: OPEN_TEMPO,
    tempoAs: null,
    accents: [],
    extensions: [],
    between: [],
    setUp: {},
    gear: [],
    range: "full",
    optional: false,
    loadBounds: NO_BOUNDS,
  }));
  const [first] = plain;
  if (first === undefined) return "";
  return writeLine(plain, {
    ...ALONE,
    unit,
    // The reserve is always said; rest and side are as they are.
    defaults: { effort: "unknown", rest: first.restAfter, side: first.side },
  });
}

/** A line of sets by itself: it names no other exercise. */
const ALONE = {
  tempo: TEMPO_PHASES,
  exercises: [[]],
  own: 0,
  nameOf: () => null,
  movementNamed: () => null,
} as const;

const when = (holds: boolean, edit: CellEdit): readonly CellEdit[] => (holds ? [edit] : []);
const targetTo = (to: Target): CellEdit => ({ kind: "target", to });
const effortTo = (to: Rir): CellEdit => ({ kind: "effort", to });

function loadTo(
  reading: Extract<CellEdit, { kind: "load" }>["reading"],
  { load }: PlannedSet,
): readonly CellEdit[] {
  return when(contentKey(load) !== contentKey({ kind: "absolute", reading }), {
    kind: "load",
    reading,
  });
}

/** Sets that differ in nothing but their ids. */
function isAlike(a: PlannedSet, b: PlannedSet): boolean {
  const ids = new Set(["id", "lineageId", "line"]);
  return contentKey(a, ids) === contentKey(b, ids);
}

/** What a line says that holds for a whole phase and no week alone; null where it says nothing of that kind. */
function wholePhase(own: PlannedSet, before: PlannedSet): WholePhase | null {
  if (own.role !== before.role && own.role !== "work") return "role";
  if (own.extensions.length > 0 || own.accents.length > 0) return "technique";
  if (own.load.kind !== "absolute" && own.load.kind !== "open") return "load";
  if (contentKey(own.side) !== contentKey(before.side)) return "side";
  if (own.effortUpTo !== null && own.effortUpTo !== before.effortUpTo) return "rirRange";
  const isSaid = !isOpenTempo(own.tempo) && contentKey(own.tempo) !== contentKey(before.tempo);
  return isSaid ? "tempo" : null;
}
