/**
 * What may hang at one loading point for one load: sums of plates, each with what it costs to be that far from
 * the target. Sums and sizes are whole numbers of one unit, whichever.
 */
export type Goal = ReadonlyMap<number, number>;

export interface Search {
  /** Sizes of plates, the heaviest first. */
  readonly sizes: readonly number[];
  /** How many of each can hang at one point. */
  readonly usable: readonly number[];
  /** What it costs to hang one plate, or to take it off. */
  readonly perPlate: number;
  /** What a change costs that takes plates off and hangs others. */
  readonly perRerack: number;
  readonly goals: readonly Goal[];
}

/** For each load the places of its plates in `sizes`, from the inside out. */
export type Stacks = readonly (readonly number[])[];

/** So many stretches with a sum each are looked at where only sums matter: some megabytes, some hundredths of a second. */
const MOST_SUMS = 200_000;
/** So many are looked at where plates are short. */
const MOST_STATES = 12_000;

/**
 * The cheapest way to hang all loads one after the other. Plates go on and off at the outside, so each plate
 * hangs through an unbroken stretch of loads, and two stretches lie within each other or apart. So the search
 * goes over stretches: what hangs through all of one is joined by another plate, or the stretch is split.
 * First as if plates had no end, where only the sum of what hangs matters: that is fast, and exact if what it
 * finds is there. Else with the plates counted, which is exact too; null where that would take too long. Of
 * equal ways the one with heavier plates inside. Every goal has to hold a sum that can be hung.
 */
export function searchStacks(search: Search): Stacks | null {
  const { sizes, usable, goals } = search;
  if (goals.length === 0) return [];
  const most = Math.max(...goals.flatMap((goal) => [...goal.keys()]));
  const places = denselyPlaced(goals.length, most);
  if (places.most <= MOST_SUMS) {
    const join = (sum: number, size: number) => sum + (sizes[size] ?? 0);
    const stacks = new StretchSearch(search, { join, places }).best();
    if (stacks?.every((stack) => isThere(stack, usable)) === true) return stacks;
  }
  return new StretchSearch(search, countedPlates(usable, goals.length)).best();
}

function isThere(stack: readonly number[], usable: readonly number[]): boolean {
  return usable.every((most, size) => stack.filter((s) => s === size).length <= most);
}

/** What hangs through a stretch as one number, 0 for nothing, and where its costs are kept. */
interface Hanging {
  /** With one more plate; negative where there is none left. */
  readonly join: (hung: number, size: number) => number;
  readonly places: {
    /** A number for each stretch and what hangs through it, from 0; negative where there are too many. */
    readonly of: (i: number, j: number, hung: number) => number;
    readonly most: number;
  };
}

function denselyPlaced(loads: number, most: number): Hanging["places"] {
  const width = most + 1;
  return { of: (i, j, sum) => (i * loads + j) * width + sum, most: loads * loads * width };
}

/** Plates counted: a digit for each size says how many hang. */
function countedPlates(usable: readonly number[], loads: number): Hanging {
  const weights: number[] = [];
  let next = 1;
  for (const most of usable) {
    weights.push(next);
    next *= most + 1;
  }
  const places = new Map<number, number>();
  return {
    join: (hung, size) => {
      const weight = weights[size] ?? 1;
      const count = Math.floor(hung / weight) % ((usable[size] ?? 0) + 1);
      return count < (usable[size] ?? 0) ? hung + weight : -1;
    },
    places: {
      of: (i, j, hung) => {
        const key = (hung * loads + i) * loads + j;
        const known = places.get(key);
        if (known !== undefined) return known;
        if (places.size >= MOST_STATES) return -1;
        places.set(key, places.size);
        return places.size - 1;
      },
      most: MOST_STATES,
    },
  };
}

/**
 * Four costs for each stretch, as a sum of these: whether its last and its first load are bare, which is that
 * they need nothing beyond what hangs through. The least of the four comes fifth.
 */
const LAST_BARE = 1;
const FIRST_BARE = 2;
const LEAST = 4;
const WIDTH = 5;
const EPSILON = 1e-9;

class StretchSearch {
  private readonly costs: Float64Array;
  private readonly isKnown: Uint8Array;
  /** The heaviest sum that may hang through a stretch. */
  private readonly caps: readonly (readonly number[])[];
  private isTooLarge = false;

  constructor(
    private readonly search: Search,
    private readonly hanging: Hanging,
  ) {
    this.costs = new Float64Array(WIDTH * hanging.places.most);
    this.isKnown = new Uint8Array(hanging.places.most);
    const most = search.goals.map((goal) => Math.max(...goal.keys()));
    this.caps = most.map((_, i) => {
      let cap = Infinity;
      return most.map((m, j) => (j < i ? 0 : (cap = Math.min(cap, m))));
    });
  }

  /** The stacks of the cheapest way; null where there is none, or too much to look at. */
  best(): number[][] | null {
    const { goals } = this.search;
    const at = this.solve(0, goals.length - 1, 0, 0);
    if (this.isTooLarge || this.at(at, LEAST) === Infinity) return null;
    const stacks: number[][] = goals.map(() => []);
    this.walk(0, goals.length - 1, 0, 0, this.leastOf(at), stacks);
    return stacks;
  }

  private at(at: number, variant: number): number {
    return this.costs[at + variant] ?? Infinity;
  }

  private leastOf(at: number): number {
    return [0, 1, 2, 3].find((variant) => this.at(at, variant) === this.at(at, LEAST)) ?? 0;
  }

  /** Works the costs of a stretch out, once, and says where they are kept; anywhere once it is too much. */
  private solve(i: number, j: number, hung: number, sum: number): number {
    const place = this.hanging.places.of(i, j, hung);
    if (place < 0) this.isTooLarge = true;
    if (this.isTooLarge) return 0;
    const at = place * WIDTH;
    if (this.isKnown[place] === 1) return at;
    this.isKnown[place] = 1;
    const { costs, search } = this;
    const { sizes, perRerack } = search;
    // Local numbers instead of a call for each offer: this loop runs ten thousand times for one plan.
    let plain = Infinity;
    let lastBare = Infinity;
    let firstBare = Infinity;
    let bothBare = i === j ? (search.goals[i]?.get(sum) ?? Infinity) : Infinity;
    for (let size = 0; size < sizes.length; size += 1) {
      const cost = this.joinedCost(i, j, hung, sum, size);
      if (cost < plain) plain = cost;
    }
    for (let after = i; after < j; after += 1) {
      const l = this.solve(i, after, hung, sum);
      if (costs[l + LEAST] === Infinity) continue;
      const r = this.solve(after + 1, j, hung, sum);
      if (costs[r + LEAST] === Infinity) continue;
      const hangs = costs[r] ?? Infinity;
      const stays = costs[r + FIRST_BARE] ?? Infinity;
      const hangsToBare = costs[r + LAST_BARE] ?? Infinity;
      const staysToBare = costs[r + FIRST_BARE + LAST_BARE] ?? Infinity;
      for (let first = 0; first <= FIRST_BARE; first += FIRST_BARE) {
        // A change costs more where plates go off and others on: where neither side of it is bare.
        const strips = (costs[l + first] ?? Infinity) + perRerack;
        const bare = costs[l + first + LAST_BARE] ?? Infinity;
        const before = strips - perRerack < bare ? strips - perRerack : bare;
        const toHang = strips < bare ? strips : bare;
        const cost = Math.min(toHang + hangs, before + stays);
        const costToBare = Math.min(toHang + hangsToBare, before + staysToBare);
        if (first === 0) {
          if (cost < plain) plain = cost;
          if (costToBare < lastBare) lastBare = costToBare;
        } else {
          if (cost < firstBare) firstBare = cost;
          if (costToBare < bothBare) bothBare = costToBare;
        }
      }
    }
    costs[at] = plain;
    costs[at + LAST_BARE] = lastBare;
    costs[at + FIRST_BARE] = firstBare;
    costs[at + FIRST_BARE + LAST_BARE] = bothBare;
    costs[at + LEAST] = Math.min(plain, lastBare, firstBare, bothBare);
    return at;
  }

  /** The cost with one more plate through all of a stretch. What hangs through the last load stays there. */
  private joinedCost(i: number, j: number, hung: number, sum: number, size: number): number {
    const more = sum + (this.search.sizes[size] ?? 0);
    if (more > (this.caps[i]?.[j] ?? 0)) return Infinity;
    const joined = this.hanging.join(hung, size);
    if (joined < 0) return Infinity;
    const times = j === this.search.goals.length - 1 ? 1 : 2;
    return this.search.perPlate * times + this.at(this.solve(i, j, joined, more), LEAST);
  }

  /** Follows the way that came to a cost, plates before splits and heavier ones first. */
  private walk(
    i: number,
    j: number,
    hung: number,
    sum: number,
    variant: number,
    stacks: number[][],
  ): void {
    const { sizes, goals, perRerack } = this.search;
    const wanted = this.at(this.solve(i, j, hung, sum), variant) + EPSILON;
    if (
      i === j &&
      variant === FIRST_BARE + LAST_BARE &&
      (goals[i]?.get(sum) ?? Infinity) <= wanted
    ) {
      return;
    }
    for (let size = 0; variant === 0 && size < sizes.length; size += 1) {
      if (this.joinedCost(i, j, hung, sum, size) > wanted) continue;
      for (let load = i; load <= j; load += 1) stacks[load]?.push(size);
      const [joined, more] = [this.hanging.join(hung, size), sum + (sizes[size] ?? 0)];
      this.walk(i, j, joined, more, this.leastOf(this.solve(i, j, joined, more)), stacks);
      return;
    }
    for (let after = i; after < j; after += 1) {
      const left = this.solve(i, after, hung, sum);
      const right = this.solve(after + 1, j, hung, sum);
      for (const bare of [0, LAST_BARE]) {
        for (const bareAfter of [0, FIRST_BARE]) {
          const [l, r] = [(variant & FIRST_BARE) + bare, (variant & LAST_BARE) + bareAfter];
          const rerack = bare + bareAfter === 0 ? perRerack : 0;
          if (this.at(left, l) + this.at(right, r) + rerack > wanted) continue;
          this.walk(i, after, hung, sum, l, stacks);
          this.walk(after + 1, j, hung, sum, r, stacks);
          return;
        }
      }
    }
    throw new Error("the way to a cost is lost");
  }
}
