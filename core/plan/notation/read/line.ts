import type { MintId } from "../../../kernel/index.ts";
import { BOUNDS, type PlannedSet } from "../../index.ts";
import { effortOf, type NotationContext } from "../context.ts";
import type { NotationError } from "../error.ts";
import type { GroupWords, LineWords, Modifier } from "../syntax.ts";
import { sideOf } from "./item.ts";
import { PartReader } from "./part.ts";

type Facet = Exclude<Modifier["kind"], "deadStop" | "secondSqueeze" | "slowLastRep">;

/** Reads words into values; what is wrong is noted with its place, and reading goes on. */
export class Reader extends PartReader {
  group(words: GroupWords, all: readonly Modifier[]): readonly PlannedSet[] {
    const times = words.count === null ? 1 : this.bounded(words.count, "sets");
    const said = this.facetsOf(words.modifiers);
    const shared = this.facetsOf(all);
    // Each set is read by itself, since "the set before" is another one for each.
    return Array.from({ length: times }, () => {
      const set = this.set(words, new Map([...shared, ...said]));
      this.before.push(set);
      return set;
    });
  }

  protected set(words: GroupWords, said: ReadonlyMap<string, readonly Modifier[]>): PlannedSet {
    const role = words.role ?? "work";
    const target = this.target(words.target);
    const { defaults } = this.context;
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
        this.fail(words.extensions[0] ?? words, {
          code: "bound",
          bound: "extensions",
          value: parts,
        });
      }
    }
    return {
      id: this.mint(),
      lineageId: this.mint(),
      line: this.mint(),
      role,
      target,
      load: load === undefined ? { kind: "open" } : this.load(load.load),
      effort: effort === undefined ? effortOf(role, defaults) : this.effort(effort.effort, effort),
      tempo: this.tempo(said.get("phase") ?? []),
      accents: (said.get("accent") ?? []).map((accent) => this.accent(accent)),
      setUp: setUp === undefined ? {} : this.pairs(setUp.pairs),
      restAfter: rest === undefined ? defaults.rest : this.rest(rest.rest),
      between: (one("between")?.items ?? []).map((item) => this.item(item)),
      side: side === undefined ? defaults.side : sideOf(side.side),
      extensions: words.extensions
        .flatMap((extension) => this.extension(extension, target))
        .slice(0, BOUNDS.extensions.most),
      optional: one("optional") !== undefined,
    };
  }

  /** What is said, by what it is about; one thing is said once, a phase once each. */
  protected facetsOf(modifiers: readonly Modifier[]): ReadonlyMap<string, readonly Modifier[]> {
    const facets = new Map<string, Modifier[]>();
    for (const modifier of modifiers) {
      const isAccent = ["deadStop", "secondSqueeze", "slowLastRep"].includes(modifier.kind);
      const facet = isAccent ? "accent" : modifier.kind;
      const own = facets.get(facet) ?? [];
      const same = own.some((m) =>
        m.kind === "phase" && modifier.kind === "phase" ? m.phase === modifier.phase : !isAccent,
      );
      if (same) this.fail(modifier, { code: "twice", what: facet });
      if (isAccent && own.length === 3) this.fail(modifier, { code: "twice", what: facet });
      facets.set(facet, [...own, modifier]);
    }
    return facets;
  }
}

/** Sets with fresh ids from words, and everything that is wrong with them. */
export function readLine(
  words: LineWords,
  context: NotationContext,
  mint: MintId,
): { readonly sets: readonly PlannedSet[]; readonly errors: readonly NotationError[] } {
  const reader = new Reader(context, mint);
  const sets = words.groups.flatMap((group) => reader.group(group, words.all));
  const [first] = words.groups;
  if (sets.length > BOUNDS.sets.most && first !== undefined) {
    reader.fail(first, { code: "bound", bound: "sets", value: sets.length });
  }
  return { sets: sets.slice(0, BOUNDS.sets.most), errors: reader.errors };
}
