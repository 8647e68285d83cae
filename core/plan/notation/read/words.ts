import {
  isMovementRef,
  type MintId,
  type MovementRef,
  count,
  isThousandths,
  kg,
  mass,
  seconds,
  share,
  type Count,
  type Mass,
  type Seconds,
  type Share,
} from "../../../kernel/index.ts";
import { BOUNDS, isWithin, type BoundName, type PlannedSet } from "../../index.ts";
import type { NotationContext } from "../context.ts";
import type { NotationError } from "../error.ts";
import type { Name, Num, Span, Time, WrittenMass } from "../syntax.ts";
import { kebab, memberOf } from "../words.ts";

/** What is wrong, before its place is known. */
export type Trouble = NotationError extends infer E
  ? E extends Span
    ? Omit<E, keyof Span>
    : never
  : never;

/** Numbers within their bounds, masses, and words of closed lists; what is wrong is noted with its place. */
export abstract class WordReader {
  readonly errors: NotationError[] = [];

  /** The sets read so far, for references to them. */
  protected readonly before: PlannedSet[];

  constructor(
    protected readonly context: NotationContext,
    protected readonly mint: MintId,
    before: readonly PlannedSet[] = [],
  ) {
    this.before = [...before];
  }

  fail({ at, length }: Span, trouble: Trouble): void {
    this.errors.push({ at, length, ...trouble } as NotationError);
  }

  protected whole(n: Num): number {
    if (Number.isInteger(n.value)) return n.value;
    this.fail(n, { code: "whole", value: n.value });
    return Math.round(n.value);
  }

  protected inside(n: Num, name: BoundName): number {
    if (isWithin(n.value, name)) return n.value;
    this.fail(n, { code: "bound", bound: name, value: n.value });
    return BOUNDS[name].least;
  }

  protected bounded(n: Num, name: BoundName): Count {
    return count(Math.ceil(this.inside({ ...n, value: this.whole(n) }, name)));
  }

  protected span(min: Num, max: Num, at: Span): void {
    if (min.value > max.value) {
      this.fail(at, { code: "upsideDown", min: min.value, max: max.value });
    }
  }

  protected time(time: Time, name: BoundName): Seconds {
    return seconds(this.inside(time, name));
  }

  protected percent(n: Num, name: "percent" | "dropPercent"): Share {
    return share(this.inside(n, name) / 100);
  }

  protected mass(written: WrittenMass): Mass {
    const thousandths = Math.round(written.value * 1000);
    const isExact = Math.abs(thousandths - written.value * 1000) < 1e-6;
    if (!isExact || !isThousandths(thousandths)) {
      this.fail(written, { code: "mass", value: written.value });
      return kg(0);
    }
    return mass(thousandths, written.unit ?? this.context.unit);
  }

  protected member<M extends string>(list: readonly M[], word: Name): M {
    const found = memberOf(list, word.text);
    if (found === null) {
      this.fail(word, { code: "noWord", word: word.text, choices: list.map(kebab) });
    }
    return found ?? (list[0] as M);
  }

  protected movement(name: Name): MovementRef {
    if (isMovementRef(name.text)) return name.text;
    const found = this.context.movementNamed(name.text);
    if (found === null) this.fail(name, { code: "noMovement", name: name.text });
    return found ?? "shipped:none";
  }
}
