import { recordOf } from "../../kernel/index.ts";
import { AS_USUAL, BOUNDS, OPEN_TEMPO, type PlannedSet, type SetRole } from "../index.ts";
import { effortOf, type NotationContext } from "./context.ts";
import { FACET_NAMES, FACETS, modifier, type Facet, type Modifier } from "./facet.ts";
import { joined, number, readBounded, type Num } from "./measures.ts";
import { dropSet, extension, extensionsText, type ExtensionWords } from "./extension.ts";
import {
  first,
  inTurn,
  isSaid,
  many,
  map,
  maybe,
  oneOf,
  token,
  word,
  type Means,
  type Words,
} from "./phrase.ts";
import type { Span } from "./span.ts";
import { note, type Reading } from "./reading.ts";
import { target, writeTarget } from "./target.ts";
import { ALL_PHASES } from "./tempo.ts";
import { textOfWord, type WordName } from "./tokens.ts";

/** The word of each role. */
const ROLE_WORDS: Readonly<Record<SetRole, WordName>> = {
  ramp: "ramp",
  primer: "primer",
  calibration: "calibration",
  work: "work",
  top: "top",
  backOff: "backOff",
  burnout: "burnout",
};

type Targets = readonly [Means<PlannedSet["target"]>, ...Means<PlannedSet["target"]>[]];

/** Sets that are alike: how many, and what is said about them. */
interface Group {
  readonly at: Span;
  readonly count: Num | null;
  readonly role: SetRole;
  /** One for all of them, or one a set where they were listed. */
  readonly targets: Targets;
  readonly modifiers: readonly Modifier[];
  readonly extensions: readonly ExtensionWords[];
}

const role = oneOf(Object.entries(ROLE_WORDS).map(([name, at]) => [at, name as SetRole] as const));

/** number ( "x" | "of" | "sets" "of" ) */
const times: Words<Num> = map(
  inTurn(
    number,
    first(
      word("times"),
      map(inTurn(isSaid("sets"), word("of")), ([, at]) => at),
    ),
  ),
  ([n]) => n,
);

/** number { ( "," | "/" ) number } : reps of one set after the other */
const listed: Words<Targets> = map(
  inTurn(token("list"), isSaid("reps")),
  ([found]) =>
    [...found.text.matchAll(/\d+/g)].map(({ 0: text, index }) => (r: Reading) => {
      const said = { at: found.offset + index, length: text.length, value: Number(text) };
      const reps = readBounded(r, said, "amount");
      return { kind: "reps" as const, min: reps, max: reps };
    }) as unknown as Targets,
);

/** [ role ] [ times ] [ role ] target { modifier } { ( "then" | "+" ) extension } */
const group: Words<Group> = map(
  inTurn(
    maybe(role),
    maybe(times),
    maybe(role),
    map(
      first<Targets>(
        listed,
        map(target, (means): Targets => [means]),
      ),
      (means, at) => ({ means, at }),
    ),
    many(modifier),
    many(
      first(
        map(inTurn(first(word("then"), word("plusSign")), extension), ([, words]) => words),
        dropSet,
      ),
    ),
  ),
  ([early, count, late, { means, at }, modifiers, extensions]) => ({
    at,
    count,
    role: early ?? late ?? "work",
    targets: means,
    modifiers,
    extensions,
  }),
);

/** [ "all" { modifier } ":" ] */
const forAll: Words<readonly Modifier[]> = map(
  maybe(inTurn(word("all"), many(modifier), token("colon"))),
  (found) => found?.[1] ?? [],
);

/** Some words, told apart by separators, of which one may stand at either end too. */
export function separated<V>(words: Words<V>): Words<readonly V[]> {
  const others = many(map(inTurn(word("separator"), maybe(words)), ([, found]) => found));
  return map(inTurn(maybe(words), others), ([begun, more]) =>
    [begun, ...more].filter((found) => found !== null),
  );
}

/** The grammar of the written line; docs/notation.md has it in words. Gives sets with fresh ids. */
export const line: Words<Means<readonly PlannedSet[]>> = map(
  inTurn(maybe(word("separator")), forAll, separated(group)),
  ([, shared, groups]) =>
    (r: Reading) => {
      const sets = groups.flatMap((words) => readGroup(r, words, shared));
      const [begun] = groups;
      if (sets.length > BOUNDS.sets.most && begun !== undefined) {
        note(r, begun.at, { code: "bound", bound: "sets", value: sets.length });
      }
      return sets.slice(0, BOUNDS.sets.most);
    },
);

function readGroup(r: Reading, words: Group, shared: readonly Modifier[]): readonly PlannedSet[] {
  const { targets } = words;
  const said = words.count === null ? targets.length : readBounded(r, words.count, "sets");
  const isListed = targets.length > 1;
  if (isListed && said !== targets.length) {
    note(r, words.at, { code: "listCount", sets: said, listed: targets.length });
  }
  const each = isListed ? targets : Array.from({ length: said }, () => targets[0]);
  checkOnce(r, words.modifiers);
  checkOnce(r, shared);
  const own = new Set(words.modifiers.map(({ facet }) => facet));
  for (const { facet } of [...shared, ...words.modifiers]) r.said.add(facet);
  const modifiers = [...shared.filter(({ facet }) => !own.has(facet)), ...words.modifiers];
  // Each set is read by itself, since "the set before" is another one for each.
  return each.map((asked) => {
    const set = readSet(r, words, asked, modifiers);
    r.before.push(set);
    return set;
  });
}

function readSet(
  r: Reading,
  words: Group,
  target: Group["targets"][number],
  said: readonly Modifier[],
): PlannedSet {
  const { defaults } = r.context;
  const plain: PlannedSet = {
    id: r.newId(),
    lineageId: r.newId(),
    line: r.newId(),
    role: words.role,
    target: target(r),
    load: { kind: "open" },
    effort: effortOf(words.role, defaults),
    tempo: OPEN_TEMPO,
    accents: [],
    setUp: {},
    restAfter: defaults.rest,
    between: [],
    side: defaults.side,
    extensions: [],
    optional: false,
    ...AS_USUAL,
  };
  for (const { says } of said) Object.assign(plain, says(r, plain));
  return Object.assign(plain, { extensions: readExtensions(r, words.extensions, plain.target) });
}

function readExtensions(
  r: Reading,
  words: readonly ExtensionWords[],
  own: PlannedSet["target"],
): PlannedSet["extensions"] {
  const { most } = BOUNDS.extensions;
  const asked = words.reduce((n, { times: often }) => n + (often?.value ?? 1), 0);
  const [begun] = words;
  if (begun !== undefined && asked > most) {
    note(r, begun, { code: "bound", bound: "extensions", value: asked });
  }
  const extensions = words.flatMap((one) => {
    const often = one.times === null ? 1 : readBounded(r, one.times, "repeats");
    return Array.from({ length: often }, () => one.read(r, own));
  });
  return extensions.slice(0, most);
}

/** Notes what is said twice of one set. */
function checkOnce(r: Reading, modifiers: readonly Modifier[]): void {
  modifiers.forEach((said, i) => {
    const same = modifiers.slice(0, i).filter(({ facet }) => facet === said.facet);
    const isAgain =
      same.length >= FACETS[said.facet].most ||
      (said.once !== undefined && same.some(({ once }) => meets(once, said.once)));
    if (isAgain) note(r, said, { code: "twice", what: said.facet });
  });
}

const meets = (a: string | undefined, b: string | undefined) =>
  a === b || a === ALL_PHASES || b === ALL_PHASES;

const NONE: ReadonlySet<string> = new Set();
/** How a line stands before a coach: the RIR is said even where it is as usual. */
export const RIR_SAID: ReadonlySet<string> = new Set(["effort"]);

/** A set as it is written: what it asks for, what is said about it, and what follows it. */
interface Written {
  readonly role: string;
  readonly target: string;
  readonly facets: Readonly<Record<Facet, string>>;
  readonly extensions: string;
}

/**
 * The sets of an exercise as one written line: equal neighbours together, what is as usual left out, what all
 * share said once. `parseLine` reads it back to the same sets up to ids. What is `always` written stands there also
 * where it is as usual.
 */
export function writeLine(
  sets: readonly PlannedSet[],
  context: NotationContext,
  always: ReadonlySet<string> = NONE,
): string {
  const each = sets.map((set, index) => writeSet(set, { sets, index, context, always }));
  const [begun] = each;
  if (begun === undefined) return "";
  const areAlike = new Set(each.map((w) => textOf(w, FACET_NAMES))).size === 1;
  const shared = FACET_NAMES.filter(
    (facet) =>
      FACETS[facet].isShared &&
      !areAlike &&
      begun.facets[facet] !== "" &&
      each.every((w) => w.facets[facet] === begun.facets[facet]),
  );
  const own = FACET_NAMES.filter((facet) => !shared.includes(facet));
  const groups: { role: string; text: string; times: number }[] = [];
  for (const w of each) {
    const text = textOf(w, own);
    const last = groups.at(-1);
    if (last?.text === text && last.role === w.role) last.times += 1;
    else groups.push({ role: w.role, text, times: 1 });
  }
  // A role stands before the number: "top 3 x 5".
  const text = groups
    .map((g) => joined([g.role, g.times === 1 ? g.text : `${g.times} x ${g.text}`]))
    .join("; ");
  if (shared.length === 0) return text;
  return `all ${joined(shared.map((facet) => begun.facets[facet]))}: ${text}`;
}

const textOf = (w: Written, facets: readonly Facet[]) =>
  joined([w.target, ...facets.map((facet) => w.facets[facet]), w.extensions]);

function writeSet(set: PlannedSet, place: Parameters<typeof FACETS.load.write>[1]): Written {
  return {
    role: set.role === "work" ? "" : textOfWord(ROLE_WORDS[set.role]),
    target: writeTarget(set.target),
    facets: recordOf(FACET_NAMES, (facet) => FACETS[facet].write(set, place)),
    extensions: extensionsText(set.extensions, set.target),
  };
}
