import { contentKey, idOf, seconds, type Id, type MassUnit } from "../kernel/index.ts";
import { burstsOf } from "./extension.ts";
import type { Slot } from "./plan.ts";
import type { PlannedSet } from "./planned-set.ts";
import type { RuleBeginning } from "./progression-beginning.ts";
import type { ProgressionRule } from "./progression.ts";
import { restSpan } from "./rest.ts";
import { amountAsked, measureOf } from "./target.ts";

/** Sets of an exercise that move together from week to week: the top set, the back-offs, a step of a pyramid. */
export interface Line {
  readonly id: Id<"line">;
  readonly rule: ProgressionRule;
  /** In the order of the exercise; at least one. */
  readonly sets: readonly [PlannedSet, ...PlannedSet[]];
}

/** The rule that a line moves on by: its own, or the exercise's. */
export function ruleOf(slot: Pick<Slot, "lines" | "progression">, line: Id<"line">) {
  return slot.lines.find(({ id }) => id === line)?.rule ?? slot.progression;
}

/** The exercise with a rule of its own for a line; null lets the line go by the rule of the exercise again. */
export function withRule(slot: Slot, line: Id<"line">, rule: ProgressionRule | null): Slot {
  const others = slot.lines.filter(({ id }) => id !== line);
  return { ...slot, lines: rule === null ? others : [...others, { id: line, rule }] };
}

/** The lines of an exercise, in the order of their first sets. */
export function linesOf(slot: Pick<Slot, "sets" | "lines" | "progression">): readonly Line[] {
  const ids = [...new Set(slot.sets.map((set) => set.line))];
  return ids.flatMap((id) => {
    const [first, ...others] = slot.sets.filter((set) => set.line === id);
    return first === undefined ? [] : [{ id, rule: ruleOf(slot, id), sets: [first, ...others] }];
  });
}

/** What a rule begins from on these sets of a line, at equipment that reads in this unit: what they ask for. */
export function beginningOf(sets: readonly PlannedSet[], unit: MassUnit): RuleBeginning {
  const [first] = sets;
  const asked = first === undefined ? null : amountAsked(first.target);
  const [least, most] = [Math.round(asked?.min ?? 8), Math.round(asked?.max ?? 12)];
  const inAll = sets
    .flatMap(({ target, extensions }) => [
      amountAsked(target).max,
      ...extensions.flatMap((extension) =>
        "target" in extension
          ? [amountAsked(extension.target).max * burstsOf(extension).times]
          : [],
      ),
    ])
    .reduce((sum, n) => sum + n, 0);
  return {
    sets: Math.max(1, sets.length),
    least,
    most,
    inAll: Math.round(inAll),
    rest: first === undefined ? USUAL_REST : restSpan(first.restAfter).likely,
    unit,
  };
}
const USUAL_REST = seconds(120);

/** True for a rule by which each set moves on by itself, so that loads and targets of its line come to differ. */
function isSetBySet(rule: ProgressionRule): boolean {
  return (
    rule.kind === "beatLast" ||
    rule.kind === "limitSets" ||
    (rule.kind === "doubleProgression" && rule.decides === "eachSet")
  );
}

/**
 * What sets of one line have in common: role, load rule, target, the range and the stance that they are done in.
 * Where each set moves on by itself, loads and targets are its own.
 */
function keyOf({ role, load, target, range, setUp }: PlannedSet, rule: ProgressionRule): string {
  return isSetBySet(rule)
    ? contentKey([role, load.kind, measureOf(target), range, setUp])
    : contentKey([role, load, target, range, setUp]);
}

/** The key that most of some sets have, of equally many the first. */
function commonKey(sets: readonly PlannedSet[], rule: ProgressionRule): string | undefined {
  const counts = new Map<string, number>();
  for (const set of sets) {
    const key = keyOf(set, rule);
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  return [...counts].reduce<[string, number] | undefined>(
    (most, entry) => (most === undefined || entry[1] > most[1] ? entry : most),
    undefined,
  )?.[0];
}

/**
 * The exercise with its sets in lines after an edit. A set that is no longer like the most of its line leaves it:
 * for a line that it is like, or for one of its own. A set that stood alone joins a line that it is like. Drops of
 * one line's sets share a line by their place in the chain. The same slot where nothing changes.
 */
export function withLines(slot: Slot): Slot {
  const keys = new Map(
    linesOf(slot).flatMap(({ id, rule, sets }) => {
      const key = sets.length === 1 ? undefined : commonKey(sets, rule);
      return key === undefined ? [] : [[id, key] as const];
    }),
  );
  const left = new Map<Id<"line">, Id<"line">>();
  const put = slot.sets.map((set): PlannedSet => {
    const key = keyOf(set, ruleOf(slot, set.line));
    const own = keys.get(set.line);
    if (own === key) return set;
    const alike = [...keys].find(([id, known]) => known === keyOf(set, ruleOf(slot, id)))?.[0];
    const line = alike ?? (own === undefined ? set.line : lineFrom(set, slot, keys));
    keys.set(line, key);
    if (line === set.line) return set;
    if (alike === undefined) left.set(line, set.line);
    return { ...set, line };
  });
  const sets = withDropLines(put);
  const isSame = sets.every((set, i) => set === slot.sets[i]);
  const lines = [
    ...slot.lines,
    ...[...left].flatMap(([id, from]) => {
      const rule = slot.lines.find((known) => known.id === from)?.rule;
      return rule === undefined ? [] : [{ id, rule }];
    }),
  ].filter(({ id }) => sets.some((set) => set.line === id));
  return isSame && lines.length === slot.lines.length ? slot : { ...slot, sets, lines };
}

/** A line of its own for a set, that no other set names. */
function lineFrom(set: PlannedSet, slot: Slot, keys: ReadonlyMap<Id<"line">, string>): Id<"line"> {
  const own = idOf<"line">(set.lineageId);
  const isTaken = keys.has(own) || slot.sets.some(({ line }) => line === own);
  return isTaken ? idOf<"line">(set.id) : own;
}

/** Each drop in the line of the first drop at its place in a chain of the same line. */
function withDropLines(sets: readonly PlannedSet[]): readonly PlannedSet[] {
  const firsts = new Map<string, Id<"line">>();
  return sets.map((set) => {
    let place = 0;
    const extensions = set.extensions.map((extension) => {
      if (extension.kind !== "drop") return extension;
      place += 1;
      const at = `${set.line}/${place}`;
      const line = firsts.get(at) ?? extension.line;
      firsts.set(at, line);
      return line === extension.line ? extension : { ...extension, line };
    });
    return extensions.every((extension, i) => extension === set.extensions[i])
      ? set
      : { ...set, extensions };
  });
}
