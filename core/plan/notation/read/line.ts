import type { NewId } from "../../../kernel/index.ts";
import { BOUNDS, type PlannedSet } from "../../index.ts";
import { effortOf, type NotationContext } from "../context.ts";
import type { NotationError } from "../error.ts";
import type { GroupWords, LineWords, Modifier } from "../syntax.ts";
import { readItem, readPairs, sideOf } from "./item.ts";
import { readLoad } from "./load.ts";
import { readAccent, readEffort, readRest, readTempo } from "./modifier.ts";
import { readExtension } from "./part.ts";
import { fail, reading, type Reading } from "./reading.ts";
import { readTarget } from "./target.ts";
import { readBounded } from "./words.ts";

/** What is said of a set, by what it is about. */
type Facet = Exclude<Modifier["kind"], "deadStop" | "secondSqueeze" | "slowLastRep">;
/** Sets that are alike. */
function readGroup(r: Reading, words: GroupWords, all: readonly Modifier[]): readonly PlannedSet[] {
  const times = words.count === null ? 1 : readBounded(r, words.count, "sets");
  const said = facetsOf(r, words.modifiers);
  const shared = facetsOf(r, all);
  // Each set is read by itself, since "the set before" is another one for each.
  return Array.from({ length: times }, () => {
    const set = readSet(r, words, new Map([...shared, ...said]));
    r.before.push(set);
    return set;
  });
}

function readSet(
  r: Reading,
  words: GroupWords,
  said: ReadonlyMap<string, readonly Modifier[]>,
): PlannedSet {
  const role = words.role ?? "work";
  const target = readTarget(r, words.target);
  const { defaults } = r.context;
  const one = <K extends Facet>(kind: K) =>
    said.get(kind)?.at(-1) as Extract<Modifier, { kind: K }> | undefined;
  const [load, effort, rest, side] = [one("load"), one("effort"), one("rest"), one("side")];
  const setUp = one("setUp");
  if (words.extensions.length > 0) {
    const parts = words.extensions.reduce(
      (n, e) => n + (e.kind === "drop" ? (e.times?.value ?? 1) : 1),
      0,
    );
    if (parts > BOUNDS.extensions.most) {
      fail(r, words.extensions[0] ?? words, {
        code: "bound",
        bound: "extensions",
        value: parts,
      });
    }
  }
  return {
    id: r.newId(),
    lineageId: r.newId(),
    line: r.newId(),
    role,
    target,
    load: load === undefined ? { kind: "open" } : readLoad(r, load.load),
    effort: effort === undefined ? effortOf(role, defaults) : readEffort(r, effort.effort, effort),
    tempo: readTempo(r, said.get("phase") ?? []),
    accents: (said.get("accent") ?? []).map((accent) => readAccent(r, accent)),
    setUp: setUp === undefined ? {} : readPairs(r, setUp.pairs),
    restAfter: rest === undefined ? defaults.rest : readRest(r, rest.rest),
    between: (one("between")?.items ?? []).map((item) => readItem(r, item)),
    side: side === undefined ? defaults.side : sideOf(side.side),
    extensions: words.extensions
      .flatMap((extension) => readExtension(r, extension, target))
      .slice(0, BOUNDS.extensions.most),
    optional: one("optional") !== undefined,
  };
}

/** What is said, by what it is about; one thing is said once, a phase once each. */
function facetsOf(
  r: Reading,
  modifiers: readonly Modifier[],
): ReadonlyMap<string, readonly Modifier[]> {
  const facets = new Map<string, Modifier[]>();
  for (const modifier of modifiers) {
    const isAccent = ["deadStop", "secondSqueeze", "slowLastRep"].includes(modifier.kind);
    const facet = isAccent ? "accent" : modifier.kind;
    const own = facets.get(facet) ?? [];
    const same = own.some((m) =>
      m.kind === "phase" && modifier.kind === "phase" ? m.phase === modifier.phase : !isAccent,
    );
    if (same) fail(r, modifier, { code: "twice", what: facet });
    if (isAccent && own.length === 3) fail(r, modifier, { code: "twice", what: facet });
    facets.set(facet, [...own, modifier]);
  }
  return facets;
}

/** Sets with fresh ids from words, and everything that is wrong with them. */
export function readLine(
  words: LineWords,
  context: NotationContext,
  newId: NewId,
): { readonly sets: readonly PlannedSet[]; readonly errors: readonly NotationError[] } {
  const r = reading(context, newId);
  const sets = words.groups.flatMap((group) => readGroup(r, group, words.all));
  const [first] = words.groups;
  if (sets.length > BOUNDS.sets.most && first !== undefined) {
    fail(r, first, { code: "bound", bound: "sets", value: sets.length });
  }
  return { sets: sets.slice(0, BOUNDS.sets.most), errors: r.errors };
}
