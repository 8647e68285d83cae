import { isOpenTempo, type PlannedSet } from "../../index.ts";
import { effortOf, type NotationContext } from "../context.ts";
import { kebab } from "../words.ts";
import { itemText } from "./item.ts";
import { loadText } from "./load.ts";
import {
  accentText,
  effortText,
  pairsText,
  sameRest,
  sameSide,
  sideText,
  tempoText,
  writeRest,
} from "./modifier.ts";
import { extensionsText } from "./part.ts";
import { writeTarget } from "./target.ts";
import { joined } from "./words.ts";

/** What is said about a set, by what it is about, in the order in which it is written. */
const FACETS = [
  "load",
  "effort",
  "tempo",
  "accents",
  "setUp",
  "side",
  "rest",
  "between",
  "optional",
] as const;
type Facet = (typeof FACETS)[number];

/** What belongs to the exercise rather than to one set is said once, in front, where all sets share it. */
const SHARED: readonly Facet[] = ["tempo", "accents", "side", "between"];

interface Written {
  readonly head: string;
  readonly facets: Readonly<Record<Facet, string>>;
  readonly tail: string;
}

/**
 * The sets of an exercise as one written line: equal neighbours together, what is as usual left out, what all
 * share said once. `parseLine` reads it back to the same sets up to ids.
 */
export function writeLine(sets: readonly PlannedSet[], context: NotationContext): string {
  const written = sets.map((set, i) => writeSet(set, i, sets, context));
  const [first] = written;
  if (first === undefined) return "";
  const shared = SHARED.filter(
    (facet) =>
      new Set(written.map(textOfSet)).size > 1 &&
      first.facets[facet] !== "" &&
      written.every((w) => w.facets[facet] === first.facets[facet]),
  );
  const groups: { text: (times: number) => string; key: string; times: number }[] = [];
  for (const w of written) {
    const rest = FACETS.filter((facet) => !shared.includes(facet)).map((f) => w.facets[f]);
    const key = joined([w.head, ...rest, w.tail]);
    const last = groups.at(-1);
    if (last?.key === key) last.times += 1;
    else groups.push({ key, times: 1, text: (n) => (n === 1 ? key : timesOf(n, key)) });
  }
  const line = groups.map((group) => group.text(group.times)).join("; ");
  if (shared.length === 0) return line;
  return `all ${joined(shared.map((facet) => first.facets[facet]))}: ${line}`;
}

const textOfSet = (w: Written) => joined([w.head, ...FACETS.map((f) => w.facets[f]), w.tail]);

/** "3 x 8-12 …"; a role stands before the number. */
function timesOf(times: number, text: string): string {
  const role = /^(?:ramp|primer|calibration|top|back-off|burnout) /.exec(text)?.[0] ?? "";
  return `${role}${times} x ${text.slice(role.length)}`;
}

function writeSet(
  set: PlannedSet,
  index: number,
  sets: readonly PlannedSet[],
  context: NotationContext,
): Written {
  const { defaults } = context;
  const role = set.role === "work" ? "" : kebab(set.role);
  const effort = effortOf(set.role, defaults);
  return {
    head: joined([role, writeTarget(set.target)]),
    facets: {
      load: set.load.kind === "open" ? "" : `at ${loadText(set.load, index, sets, context)}`,
      effort: set.effort === effort ? "" : effortText(set.effort),
      tempo: isOpenTempo(set.tempo) ? "" : tempoText(set.tempo),
      accents: joined(set.accents.map(accentText)),
      setUp: Object.keys(set.setUp).length === 0 ? "" : `with ${pairsText(set.setUp)}`,
      side: sameSide(set.side, defaults.side) ? "" : sideText(set.side),
      rest: sameRest(set.restAfter, defaults.rest) ? "" : `rest ${writeRest(set.restAfter)}`,
      between:
        set.between.length === 0
          ? ""
          : `between ${set.between.map((item) => itemText(item, context)).join(" and ")}`,
      optional: set.optional ? "optional" : "",
    },
    tail: extensionsText(set.extensions, set.target),
  };
}
