import {
  leastOf,
  partOf,
  worthAt,
  worthOf,
  type Choice,
  type Goal,
  type Part,
  type Problem,
} from "./problem.ts";

/**
 * A good choice at once: from what is kept, the one change that helps most, again and again: an option more, other
 * sets of one, one in place of another, a set from one to another. Tried twice, by what a change adds and by what it
 * adds for the part of the limits that it takes, and the better one is taken. It ends where no single change helps,
 * which need not be the best there is.
 */
export function greedyChoice(problem: Problem): Choice {
  const [a, b] = (["gain", "gainForRoom"] as const).map((by) => {
    const at = new Standing(problem, leastOf(problem));
    for (let i = 0; i < MOST_CHANGES && at.improve(by); i += 1);
    for (let i = 0; i < MOST_CHANGES && at.improve("gain"); i += 1);
    return at.choice;
  });
  if (a === undefined || b === undefined) return leastOf(problem);
  return worthOf(problem, a) >= worthOf(problem, b) ? a : b;
}

/** A guard only: each change is worth more than the one before, so that it ends by itself. */
const MOST_CHANGES = 500;
/** What takes next to no room is not worth everything. */
const LEAST_ROOM = 0.05;
/** A change has to be worth more than rounding. */
const LEAST_GAIN = 1e-7;
const HAIR = 1e-6;

type Change = readonly (readonly [option: number, sets: number])[];

/** A choice with the sums of its goals and limits, so that a change is tried without adding up everything anew. */
class Standing {
  readonly #problem: Problem;
  readonly #sets: number[];
  readonly #goalsOf: readonly (readonly (readonly [goal: number, part: Part])[])[];
  readonly #limitsOf: readonly (readonly (readonly [limit: number, part: Part])[])[];
  readonly #groupsOf: readonly (readonly number[])[];
  readonly #goalSums: number[];
  readonly #limitSums: number[];
  readonly #takenOf: number[];

  constructor(problem: Problem, begun: Choice) {
    this.#problem = problem;
    const { options, goals, limits, groups } = problem;
    this.#sets = options.map(() => 0);
    this.#goalsOf = byOption(options.length, goals);
    this.#limitsOf = byOption(options.length, limits);
    const groupsOf = options.map((): number[] => []);
    groups.forEach((group, g) => group.forEach((i) => groupsOf[i]?.push(g)));
    this.#groupsOf = groupsOf;
    this.#goalSums = goals.map(({ have }) => have);
    this.#limitSums = limits.map(() => 0);
    this.#takenOf = groups.map(() => 0);
    begun.forEach((sets, i) => this.#apply([[i, sets]]));
  }

  get choice(): Choice {
    return [...this.#sets];
  }

  /** Makes the change that helps most; false where none does. */
  improve(by: "gain" | "gainForRoom"): boolean {
    let best: { change: Change; score: number } | null = null;
    for (const change of this.#changes()) {
      const { gain, room } = this.#effectOf(change);
      if (gain <= LEAST_GAIN) continue;
      const score = by === "gain" ? gain : gain / (LEAST_ROOM + room);
      if (best === null || score > best.score) best = { change, score };
    }
    if (best === null) return false;
    this.#apply(best.change);
    return true;
  }

  *#changes(): Generator<Change> {
    const { options } = this.#problem;
    const taken = this.#sets.flatMap((sets, i) => (sets > 0 ? [i] : []));
    for (const [i, { least, most, isKept }] of options.entries()) {
      const own = this.#sets[i] ?? 0;
      if (own > 0 && !isKept) yield [[i, 0]];
      for (let sets = least; sets <= most; sets += 1) {
        if (sets === own) continue;
        yield [[i, sets]];
        if (own > 0) continue;
        for (const other of taken)
          if (options[other]?.isKept !== true)
            yield [
              [other, 0],
              [i, sets],
            ];
      }
    }
    // A set from one to another.
    for (const from of taken)
      for (const to of taken) {
        const [less, more] = [(this.#sets[from] ?? 0) - 1, (this.#sets[to] ?? 0) + 1];
        if (from === to || less < (options[from]?.least ?? 0) || more > (options[to]?.most ?? 0))
          continue;
        yield [
          [from, less],
          [to, more],
        ];
      }
  }

  /** What a change adds to the worth, −∞ where it is not allowed, and the largest part of a limit that it takes. */
  #effectOf(change: Change): { readonly gain: number; readonly room: number } {
    const { options, goals, limits } = this.#problem;
    const goalBy = new Map<number, number>();
    const limitBy = new Map<number, number>();
    const groupBy = new Map<number, number>();
    let gain = 0;
    for (const [i, sets] of change) {
      const own = this.#sets[i] ?? 0;
      const taking = Number(sets > 0) - Number(own > 0);
      gain += taking * (options[i]?.worth ?? 0);
      for (const [goal, part] of this.#goalsOf[i] ?? [])
        goalBy.set(goal, (goalBy.get(goal) ?? 0) + partOf(part, sets) - partOf(part, own));
      for (const [limit, part] of this.#limitsOf[i] ?? [])
        limitBy.set(limit, (limitBy.get(limit) ?? 0) + partOf(part, sets) - partOf(part, own));
      if (taking !== 0)
        for (const group of this.#groupsOf[i] ?? [])
          groupBy.set(group, (groupBy.get(group) ?? 0) + taking);
    }
    let room = 0;
    for (const [limit, by] of limitBy) {
      const most = limits[limit]?.most ?? 0;
      if (by > 0 && (this.#limitSums[limit] ?? 0) + by > most + HAIR) return REFUSED;
      if (most > 0) room = Math.max(room, by / most);
    }
    for (const [group, by] of groupBy)
      if (by > 0 && (this.#takenOf[group] ?? 0) + by > 1) return REFUSED;
    for (const [goal, by] of goalBy) {
      const { pieces } = goals[goal] ?? NO_GOAL;
      const sum = this.#goalSums[goal] ?? 0;
      gain += worthAt(pieces, sum + by) - worthAt(pieces, sum);
    }
    return { gain, room };
  }

  #apply(change: Change): void {
    for (const [i, sets] of change) {
      const own = this.#sets[i] ?? 0;
      const add = (sums: number[], of: readonly (readonly [number, Part])[] | undefined) => {
        for (const [at, part] of of ?? [])
          sums[at] = (sums[at] ?? 0) + partOf(part, sets) - partOf(part, own);
      };
      add(this.#goalSums, this.#goalsOf[i]);
      add(this.#limitSums, this.#limitsOf[i]);
      const taking = Number(sets > 0) - Number(own > 0);
      for (const group of this.#groupsOf[i] ?? [])
        this.#takenOf[group] = (this.#takenOf[group] ?? 0) + taking;
      this.#sets[i] = sets;
    }
  }
}

const REFUSED = { gain: -Infinity, room: 0 } as const;
const NO_GOAL: Goal = { parts: [], have: 0, pieces: [] };

function byOption(options: number, sums: readonly { readonly parts: readonly Part[] }[]) {
  const of = Array.from({ length: options }, (): (readonly [number, Part])[] => []);
  sums.forEach(({ parts }, at) => parts.forEach((part) => of[part.option]?.push([at, part])));
  return of;
}
