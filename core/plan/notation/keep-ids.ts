import { contentKey, type Id } from "../../kernel/index.ts";
import { leadTo, type Extension, type Item, type PlannedSet } from "../index.ts";

/**
 * The sets with the ids of the sets before them that they match: first those whose content is the same, in
 * order; then, between two of these, the rest in order. So a set that was edited stays the same set, one that
 * was put in is new, and what refers to a set that stayed still finds it.
 */
export function keepIds(
  sets: readonly PlannedSet[],
  previous: readonly PlannedSet[],
): readonly PlannedSet[] {
  const pairs = align(sets, previous, contentOf);
  const setIds = new Map<Id<"set">, Id<"set">>();
  const extensions = new Map<Extension, Extension>();
  for (const set of sets) {
    const old = pairs.get(set);
    if (old === undefined) continue;
    setIds.set(set.id, old.id);
    for (const [extension, before] of align(set.extensions, old.extensions, contentOf, sameKind)) {
      extensions.set(extension, before);
    }
  }
  const copies = {
    sets: setIds,
    extensions: new Map([...extensions].map(([extension, old]) => [extension.id, old.id])),
  };
  return sets.map((set) => {
    const old = pairs.get(set);
    return {
      ...set,
      id: old?.id ?? set.id,
      lineageId: old?.lineageId ?? set.lineageId,
      line: old?.line ?? set.line,
      load: leadTo(set.load, copies),
      tempoAs: set.tempoAs && (copies.sets.get(set.tempoAs) ?? set.tempoAs),
      between: keepItems(set.between, old?.between ?? []),
      extensions: set.extensions.map((extension) =>
        withIdsOf(extensions.get(extension) ?? extension, extension),
      ),
    };
  });
}

/** An extension with the ids of another, and its line where both are drops. */
export function withIdsOf(old: Extension, extension: Extension): Extension {
  const ids = { id: old.id, lineageId: old.lineageId };
  return extension.kind === "drop" && old.kind === "drop"
    ? { ...extension, ...ids, line: old.line }
    : { ...extension, ...ids };
}

const sameKind = (a: { readonly kind: string }, b: { readonly kind: string }) => a.kind === b.kind;

/** As {@link keepIds}, for drills and checks. */
export function keepItems(items: readonly Item[], previous: readonly Item[]): readonly Item[] {
  const pairs = align(items, previous, contentOf, sameKind);
  return items.map((item) => {
    const old = pairs.get(item);
    if (old === undefined) return item;
    const ids = { id: old.id, lineageId: old.lineageId };
    if (item.kind !== "tightnessCheck") return { ...item, ...ids };
    if (old.kind !== "tightnessCheck") return { ...item, ...ids };
    const { id, lineageId } = old.ifTight;
    return { ...item, ...ids, ifTight: { ...item.ifTight, id, lineageId } };
  });
}

const NAMES_SOMETHING = new Set(["id", "lineageId", "line", "set", "part", "tempoAs"]);

/** Everything but ids; a reference to another set is some reference. */
const contentOf = (value: object) => contentKey(value, NAMES_SOMETHING);

/**
 * Which entry of `to` stands for which of `from`: a longest common subsequence by content, then what lies
 * between two matches in order, where `fits`.
 */
function align<V extends object>(
  from: readonly V[],
  to: readonly V[],
  content: (value: V) => string,
  fits: (a: V, b: V) => boolean = () => true,
): ReadonlyMap<V, V> {
  if (from.length === 0 || to.length === 0) return new Map();
  const a = from.map(content);
  const b = to.map(content);
  const best: number[][] = Array.from({ length: a.length + 1 }, () =>
    Array<number>(b.length + 1).fill(0),
  );
  const at = (i: number, j: number) => best[i]?.[j] ?? 0;
  for (let i = a.length - 1; i >= 0; i -= 1) {
    for (let j = b.length - 1; j >= 0; j -= 1) {
      const row = best[i];
      if (row === undefined) continue;
      row[j] = a[i] === b[j] ? at(i + 1, j + 1) + 1 : Math.max(at(i + 1, j), at(i, j + 1));
    }
  }
  const pairs = new Map<V, V>();
  let left: V[] = [];
  let right: V[] = [];
  const pairRest = () => {
    for (const value of left) {
      const found = right.findIndex((other) => fits(value, other));
      if (found < 0) continue;
      pairs.set(value, right[found] as V);
      right = right.slice(found + 1);
    }
    left = [];
    right = [];
  };
  let [i, j] = [0, 0];
  while (i < a.length || j < b.length) {
    const [x, y] = [from[i], to[j]];
    if (x !== undefined && y !== undefined && a[i] === b[j]) {
      pairRest();
      pairs.set(x, y);
      i += 1;
      j += 1;
    } else if (x !== undefined && (y === undefined || at(i + 1, j) >= at(i, j + 1))) {
      left.push(x);
      i += 1;
    } else if (y !== undefined) {
      right.push(y);
      j += 1;
    }
  }
  pairRest();
  return pairs;
}
