import { FAULTS, REGIONS } from "../movement/index.ts";
import { isId, isMovementRef, type Id, type MintId, type MovementRef } from "../identity/index.ts";
import {
  FEW_MORE,
  USUAL_CLUSTER_PAUSE,
  USUAL_DROP_REST,
  USUAL_REST_PAUSE,
  BOUNDS,
  isRir,
  isWithin,
  OPEN_TEMPO,
  type Accent,
  type BoundName,
  type Drill,
  type DropLoad,
  type Extension,
  type Item,
  type LoadRule,
  type PlannedSet,
  type Rest,
  type Rir,
  type SetUp,
  type SideMode,
  type Target,
} from "../prescription/index.ts";
import {
  count,
  degrees,
  isThousandths,
  kg,
  mass,
  metres,
  seconds,
  share,
  type Count,
  type Mass,
  type Seconds,
  type Share,
} from "../quantity/index.ts";
import { assertNever } from "../result/index.ts";
import {
  effortOf,
  INTERVAL_PAUSE,
  LIKELY,
  RECOVERY,
  TOTAL_PAUSE,
  TOTAL_SETS,
  TRIAL_TRIES,
  type NotationContext,
} from "./context.ts";
import type { NotationError } from "./error.ts";
import type {
  DrillWords,
  EffortWords,
  ExtensionWords,
  GroupWords,
  ItemWords,
  LineWords,
  LoadWords,
  Modifier,
  Name,
  Num,
  Pair,
  RestWords,
  SetWord,
  SideWords,
  Span,
  TargetWords,
  Time,
  WrittenMass,
} from "./syntax.ts";
import { kebab, memberOf } from "./words.ts";

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

type Facet = Exclude<Modifier["kind"], "deadStop" | "secondSqueeze" | "slowLastRep">;
type Trouble = NotationError extends infer E
  ? E extends Span
    ? Omit<E, keyof Span>
    : never
  : never;

/** Reads words into values; what is wrong is noted with its place, and reading goes on. */
export class Reader {
  readonly errors: NotationError[] = [];
  /** The sets read so far, for references to them. */
  private readonly before: PlannedSet[];

  constructor(
    private readonly context: NotationContext,
    private readonly mint: MintId,
    before: readonly PlannedSet[] = [],
  ) {
    this.before = [...before];
  }

  fail({ at, length }: Span, trouble: Trouble): void {
    this.errors.push({ at, length, ...trouble } as NotationError);
  }

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

  private set(words: GroupWords, said: ReadonlyMap<string, readonly Modifier[]>): PlannedSet {
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
      lineId: this.mint(),
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
  private facetsOf(modifiers: readonly Modifier[]): ReadonlyMap<string, readonly Modifier[]> {
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

  // Numbers

  private whole(n: Num): number {
    if (Number.isInteger(n.value)) return n.value;
    this.fail(n, { code: "whole", value: n.value });
    return Math.round(n.value);
  }

  private inside(n: Num, name: BoundName): number {
    if (isWithin(n.value, name)) return n.value;
    this.fail(n, { code: "bound", bound: name, value: n.value });
    return BOUNDS[name].least;
  }

  private bounded(n: Num, name: BoundName): Count {
    return count(Math.ceil(this.inside({ ...n, value: this.whole(n) }, name)));
  }

  private span(min: Num, max: Num, at: Span): void {
    if (min.value > max.value) {
      this.fail(at, { code: "upsideDown", min: min.value, max: max.value });
    }
  }

  private time(time: Time, name: BoundName): Seconds {
    return seconds(this.inside(time, name));
  }

  private percent(n: Num, name: "percent" | "dropPercent"): Share {
    return share(this.inside(n, name) / 100);
  }

  private mass(written: WrittenMass): Mass {
    const thousandths = Math.round(written.value * 1000);
    const isExact = Math.abs(thousandths - written.value * 1000) < 1e-6;
    if (!isExact || !isThousandths(thousandths)) {
      this.fail(written, { code: "mass", value: written.value });
      return kg(0);
    }
    return mass(thousandths, written.unit ?? this.context.unit);
  }

  // Targets

  target(words: TargetWords): Target {
    const likely = (about: Num | null, least = 0) =>
      about === null ? count(Math.max(LIKELY, least)) : this.bounded(about, "amount");
    switch (words.kind) {
      case "amount":
        return this.amount(words);
      case "limit": {
        const atLeast = words.least === null ? null : this.bounded(words.least, "amount");
        return { kind: "limit", atLeast, likely: likely(words.about, atLeast ?? 0) };
      }
      case "total":
        return {
          kind: "total",
          of: words.of,
          amount: this.bounded(words.amount, "amount"),
          likelySets: words.sets === null ? count(TOTAL_SETS) : this.bounded(words.sets, "repeats"),
          pause: words.pause === null ? seconds(TOTAL_PAUSE) : this.time(words.pause, "pause"),
        };
      case "intervals":
        return {
          kind: "intervals",
          rounds: this.bounded(words.rounds, "repeats"),
          work: this.time(words.work, "work"),
          pause: words.pause === null ? seconds(INTERVAL_PAUSE) : this.time(words.pause, "pause"),
        };
      case "until":
        return {
          kind: "untilForm",
          criterion: this.member(FAULTS, words.fault),
          likely: likely(words.about),
        };
      case "burn":
        return {
          kind: "afterBurn",
          reps: this.bounded(words.reps, "amount"),
          likely: likely(words.about),
        };
      default:
        return assertNever(words);
    }
  }

  private amount(words: Extract<TargetWords, { kind: "amount" }>): Target {
    const { counts } = words;
    if (counts.kind === "seconds") {
      this.span(words.min, words.max, words);
      return {
        kind: "seconds",
        min: this.time(words.min, "work"),
        max: this.time(words.max, "work"),
      };
    }
    if (counts.kind === "reps") {
      this.span(words.min, words.max, words);
      return {
        kind: "reps",
        min: this.bounded(words.min, "amount"),
        max: words.max === words.min ? this.quiet(words.max) : this.bounded(words.max, "amount"),
      };
    }
    if (words.min.value !== words.max.value) this.fail(words, { code: "oneNumber" });
    if (counts.kind === "steps") {
      const { counted, outAndBack } = counts;
      return { kind: "steps", steps: this.bounded(words.max, "amount"), counted, outAndBack };
    }
    return {
      kind: "metres",
      metres: metres(this.inside(words.max, "metres")),
      outAndBack: counts.outAndBack,
    };
  }

  /** A number that was judged already. */
  private quiet(n: Num): Count {
    return count(Math.max(BOUNDS.amount.least, Math.round(Math.min(n.value, BOUNDS.amount.most))));
  }

  private member<M extends string>(list: readonly M[], word: Name): M {
    const found = memberOf(list, word.text);
    if (found === null) {
      this.fail(word, { code: "noWord", word: word.text, choices: list.map(kebab) });
    }
    return found ?? (list[0] as M);
  }

  // Loads

  load(words: LoadWords): LoadRule {
    switch (words.kind) {
      case "masses": {
        const [reading = kg(0), ...then] = words.masses.map((m) => this.mass(m));
        if (then.length === 0) return { kind: "absolute", reading };
        if (then.length > BOUNDS.fallbacks.most) {
          this.fail(words, { code: "bound", bound: "fallbacks", value: then.length });
        }
        return { kind: "fallback", reading, then };
      }
      case "shareOfSet":
        return {
          kind: "shareOfSet",
          ...this.setNamed(words.set),
          share: this.percent(words.percent, "percent"),
        };
      case "shareOfMovement":
        return {
          kind: "shareOfMovement",
          movement: this.movement(words.movement),
          share: this.percent(words.percent, "percent"),
        };
      case "shareOfMaximum":
        return { kind: "shareOfMaximum", share: this.percent(words.percent, "percent") };
      case "stepsFromSet":
        return {
          kind: "stepsFromSet",
          set: this.setNamed(words.set).set,
          steps: words.sign * this.bounded(words.steps, "steps"),
        };
      case "last":
        return {
          kind: "fromLast",
          steps: words.steps === null ? 0 : words.sign * this.bounded(words.steps, "steps"),
        };
      case "effort":
        return { kind: "byEffort" };
      case "open":
        return { kind: "open" };
      case "body":
        return {
          kind: "bodyWeight",
          by: words.sign === 1 ? "plus" : "minus",
          mass: words.mass === null ? mass(0, this.context.unit) : this.mass(words.mass),
        };
      case "trial":
        return {
          kind: "trial",
          from: this.mass(words.from),
          steps: words.up === null ? count(1) : this.bounded(words.up, "steps"),
          tries: words.tries === null ? count(TRIAL_TRIES) : this.bounded(words.tries, "tries"),
        };
      default:
        return assertNever(words);
    }
  }

  /** The set that words mean: an earlier one of this line, one of an exercise before, or one by its id. */
  private setNamed(words: SetWord): { set: Id<"set">; part: Id<"extension"> | null } {
    const none = { set: this.mint<"set">(), part: null };
    switch (words.kind) {
      case "before": {
        const set = this.before.at(-1);
        if (set === undefined) this.fail(words, { code: "notBefore", number: 0 });
        return set === undefined ? none : { set: set.id, part: null };
      }
      case "id": {
        const { id, part } = words;
        if (!isId<"set">(id.text) || (part !== null && !isId<"extension">(part.text))) {
          this.fail(id, { code: "id" });
          return none;
        }
        return { set: id.text, part: part === null ? null : (part.text as Id<"extension">) };
      }
      case "number":
        return this.setNumbered(words) ?? none;
      default:
        return assertNever(words);
    }
  }

  private setNumbered(words: Extract<SetWord, { kind: "number" }>) {
    const number = this.whole(words.set);
    const exercise = words.exercise === null ? null : this.whole(words.exercise) - 1;
    const isOwn = exercise === null || exercise === this.context.own;
    const sets = isOwn ? this.before : (this.context.exercises[exercise] ?? []);
    const set = sets[number - 1];
    if (set === undefined || (exercise !== null && exercise > this.context.own)) {
      const trouble: Trouble =
        isOwn && number >= 1
          ? { code: "notBefore", number }
          : { code: "noSet", exercise: exercise === null ? null : exercise + 1, number };
      this.fail(words, trouble);
      return null;
    }
    if (words.part === null) return { set: set.id, part: null };
    const part = set.extensions[this.whole(words.part) - 1];
    if (part === undefined) this.fail(words.part, { code: "noPart", number: words.part.value });
    return { set: set.id, part: part?.id ?? null };
  }

  private movement(name: Name): MovementRef {
    if (isMovementRef(name.text)) return name.text;
    const found = this.context.movementNamed(name.text);
    if (found === null) this.fail(name, { code: "noMovement", name: name.text });
    return found ?? "shipped:none";
  }

  // What else is said of a set

  private effort(words: EffortWords, at: Span): Rir {
    switch (words.kind) {
      case "many":
        return "more";
      case "none":
        return 0;
      case "unknown":
      case "past":
        return words.kind;
      case "left":
        return this.reserve(words.reps.value, words.reps.value, words.reps);
      case "outOfTen": {
        const { value } = words.effort;
        if (value >= 0 && value < 5) return "more";
        return this.reserve(10 - value, value, words.effort);
      }
      default:
        this.fail(at, { code: "reserve", value: 0 });
        return assertNever(words);
    }
  }

  private reserve(left: number, written: number, at: Span): Rir {
    if (isRir(left)) return left;
    this.fail(at, { code: "reserve", value: written });
    return 0;
  }

  private tempo(phases: readonly Modifier[]): PlannedSet["tempo"] {
    return phases.reduce<PlannedSet["tempo"]>((tempo, modifier) => {
      if (modifier.kind !== "phase") return tempo;
      const { phase, seconds: time } = modifier;
      return {
        ...tempo,
        [phase]: time === "explosive" ? time : this.inside(time, "phase"),
      };
    }, OPEN_TEMPO);
  }

  private accent(modifier: Modifier): Accent {
    switch (modifier.kind) {
      case "deadStop":
      case "secondSqueeze":
        return { kind: modifier.kind, seconds: this.time(modifier.seconds, "accent") };
      case "slowLastRep":
        return {
          kind: "slowLastRep",
          phase: modifier.phase,
          seconds: this.time(modifier.seconds, "accent"),
        };
      case "load":
      case "effort":
      case "phase":
      case "rest":
      case "side":
      case "setUp":
      case "between":
      case "optional":
        throw new Error(`${modifier.kind} is no accent`);
      default:
        return assertNever(modifier);
    }
  }

  rest(words: RestWords): Rest {
    const about = (time: Time | null) =>
      time === null ? seconds(RECOVERY) : this.time(time, "rest");
    switch (words.kind) {
      case "time":
        if (words.max === null) return { kind: "fixed", seconds: this.time(words.min, "rest") };
        this.span(words.min, words.max, words.min);
        return {
          kind: "range",
          min: this.time(words.min, "rest"),
          max: this.time(words.max, "rest"),
        };
      case "most":
        return { kind: "atMost", seconds: this.time(words.time, "rest") };
      case "breath":
      case "partner":
        return { kind: words.kind, likely: about(words.about) };
      case "heart":
        return {
          kind: "heartRate",
          below: this.bounded(words.below, "heartRate"),
          likely: about(words.about),
        };
      default:
        return assertNever(words);
    }
  }

  private pairs(pairs: readonly Pair[]): SetUp {
    const names = new Set<string>();
    for (const { name } of pairs) {
      if (names.has(name.text)) this.fail(name, { code: "twice", what: name.text });
      names.add(name.text);
    }
    return Object.fromEntries(pairs.map(({ name, choice }) => [name.text, choice.text]));
  }

  item(words: ItemWords): Item {
    const ids = { id: this.mint<"item">(), lineId: this.mint<"line">() };
    if (words.kind === "drill") return this.drill(words, words);
    return {
      kind: "tightnessCheck",
      ...ids,
      region: this.member(REGIONS, words.region),
      seconds: this.time(words.time, "work"),
      ifTight: this.drill(words.drill, words.drill),
    };
  }

  private drill(words: DrillWords, at: Span): Drill {
    const { intensity } = words;
    if (words.name === null && words.movement === null) this.fail(at, { code: "unnamed" });
    if (intensity?.kind === "heart") this.span(intensity.min, intensity.max, intensity.min);
    return {
      kind: words.drill,
      id: this.mint(),
      lineId: this.mint(),
      name: words.name?.text ?? "",
      movement: words.movement === null ? null : this.movement(words.movement),
      target: this.target(words.target),
      side: words.side === null ? { kind: "both" } : sideOf(words.side),
      intensity:
        intensity === null
          ? { kind: "unsaid" }
          : intensity.kind === "felt"
            ? { kind: "felt", outOfTen: this.bounded(intensity.outOfTen, "felt") }
            : {
                kind: "heartRate",
                min: this.bounded(intensity.min, "heartRate"),
                max: this.bounded(intensity.max, "heartRate"),
              },
    };
  }

  // Extensions

  extension(words: ExtensionWords, own: Target): readonly Extension[] {
    const ids = () => ({ id: this.mint<"extension">(), lineId: this.mint<"line">() });
    switch (words.kind) {
      case "drop": {
        const to = this.drop(words.to);
        const restBefore = words.after === null ? USUAL_DROP_REST : this.time(words.after, "pause");
        const times = words.times === null ? 1 : this.bounded(words.times, "repeats");
        const target = words.target === null ? own : this.target(words.target);
        return Array.from({ length: times }, () => ({
          kind: "drop",
          ...ids(),
          to,
          target,
          restBefore,
        }));
      }
      case "restPause":
        return [
          {
            kind: "restPause",
            ...ids(),
            pauses: this.bounded(words.times, "repeats"),
            pause: words.after === null ? USUAL_REST_PAUSE : this.time(words.after, "pause"),
            target: words.target === null ? FEW_MORE : this.target(words.target),
          },
        ];
      case "cluster":
        return [
          {
            kind: "cluster",
            ...ids(),
            groups: this.bounded(words.times, "repeats"),
            pause: words.after === null ? USUAL_CLUSTER_PAUSE : this.time(words.after, "pause"),
            multiple: words.percent === null ? share(1) : this.percent(words.percent, "percent"),
            target: words.target === null ? own : this.target(words.target),
          },
        ];
      case "partials":
        return [
          { kind: "partials", ...ids(), where: words.where, target: this.orFew(words.target) },
        ];
      case "forced":
        return [{ kind: "forced", ...ids(), by: words.by, target: this.orFew(words.target) }];
      case "position":
        return [
          {
            kind: "positionChange",
            ...ids(),
            setUp: this.pairs(words.pairs),
            target: words.target === null ? own : this.target(words.target),
          },
        ];
      case "hold": {
        const { where } = words;
        return [
          {
            kind: "endHold",
            ...ids(),
            seconds: this.time(words.time, "hold"),
            at:
              typeof where === "string"
                ? { kind: where }
                : { kind: "angle", degrees: degrees(this.bounded(where, "degrees")) },
          },
        ];
      }
      case "breaths":
        return [
          {
            kind: "breather",
            ...ids(),
            breaths: this.bounded(words.breaths, "repeats"),
            target: words.target === null ? own : this.target(words.target),
          },
        ];
      default:
        return assertNever(words);
    }
  }

  private orFew(words: TargetWords | null): Target {
    return words === null ? FEW_MORE : this.target(words);
  }

  private drop(words: Extract<ExtensionWords, { kind: "drop" }>["to"]): DropLoad {
    switch (words.kind) {
      case "share":
        return {
          kind: "share",
          of: words.of,
          share: this.percent(words.percent, "dropPercent"),
        };
      case "strip":
        return { kind: "strip", plates: this.bounded(words.plates, "plates") };
      case "steps":
        return { kind: "steps", steps: this.bounded(words.steps, "steps") };
      case "mass":
        return { kind: "reading", reading: this.mass(words.mass) };
      case "body":
        return { kind: "bodyweight" };
      default:
        return assertNever(words);
    }
  }
}

function sideOf(words: SideWords): SideMode {
  return words.kind === "each"
    ? { kind: "each", first: words.first, matchFirst: words.matched }
    : { kind: words.kind };
}
