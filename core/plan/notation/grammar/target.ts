import type { AmountUnit, Num, TargetWords } from "../syntax.ts";
import { T } from "../tokens.ts";
import { WordRules, spanOf } from "./words.ts";

/** What a set or a part asks for. */
export abstract class TargetRules extends WordRules {
  /** target = amount | "max" … | "total" … | "intervals" … | "until" … | "burn" … */
  readonly target = this.RULE("target", (): TargetWords =>
    this.OR([
      { ALT: () => this.SUBRULE(this.amount) },
      { ALT: () => this.SUBRULE(this.clockAmount) },
      {
        ALT: () => {
          const word = this.CONSUME(T.Max);
          const least =
            this.OPTION(() => {
              this.CONSUME(T.Least);
              return this.SUBRULE(this.number);
            }) ?? null;
          const about = this.OPTION1(() => this.SUBRULE(this.about)) ?? null;
          return { kind: "limit" as const, ...spanOf(word), least, about };
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.Total);
          const amount = this.SUBRULE1(this.number);
          const of = this.OR1([
            { ALT: () => (this.CONSUME(T.Reps), "reps" as const) },
            { ALT: () => (this.CONSUME(T.Steps), "steps" as const) },
          ]);
          const sets =
            this.OPTION2(() => {
              this.CONSUME(T.In);
              const n = this.SUBRULE2(this.number);
              this.OPTION3(() => this.CONSUME(T.Sets));
              return n;
            }) ?? null;
          const pause = this.OPTION4(() => this.SUBRULE(this.pause)) ?? null;
          return { kind: "total" as const, ...spanOf(word), amount, of, sets, pause };
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.Intervals);
          const rounds = this.SUBRULE3(this.number);
          this.CONSUME(T.Times);
          const work = this.SUBRULE(this.time);
          const pause = this.OPTION5(() => this.SUBRULE1(this.pause)) ?? null;
          return { kind: "intervals" as const, ...spanOf(word), rounds, work, pause };
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.Until);
          const fault = this.SUBRULE(this.freeWord);
          const about = this.OPTION6(() => this.SUBRULE1(this.about)) ?? null;
          return { kind: "until" as const, ...spanOf(word), fault, about };
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.Burn);
          this.CONSUME(T.PlusWord);
          const reps = this.SUBRULE4(this.number);
          const about = this.OPTION7(() => this.SUBRULE2(this.about)) ?? null;
          return { kind: "burn" as const, ...spanOf(word), reps, about };
        },
      },
    ]),
  );

  /** amount = number [ "-" number ] [ "reps" | "s" | "min" | "steps" … | "m" … ] */
  protected readonly amount = this.RULE("amount", (): TargetWords => {
    const min = this.SUBRULE(this.number);
    const max =
      this.OPTION(() => {
        this.OR([{ ALT: () => this.CONSUME(T.Dash) }, { ALT: () => this.CONSUME(T.To) }]);
        return this.SUBRULE1(this.number);
      }) ?? min;
    let times = 1;
    const counts =
      this.OPTION1(() =>
        this.OR1<AmountUnit>([
          { ALT: () => (this.CONSUME(T.Reps), { kind: "reps" }) },
          { ALT: () => (this.CONSUME(T.Seconds), { kind: "seconds" }) },
          {
            ALT: () => {
              this.CONSUME(T.Minutes);
              times = 60;
              return { kind: "seconds" };
            },
          },
          {
            ALT: () => {
              this.CONSUME(T.Steps);
              const inAll = this.OPTION2(() =>
                this.OR2([
                  { ALT: () => (this.CONSUME(T.InAll), true) },
                  { ALT: () => (this.CONSUME(T.Each), false) },
                ]),
              );
              const outAndBack = this.OPTION3(() => this.CONSUME(T.OutAndBack)) !== undefined;
              return { kind: "steps", counted: inAll === true ? "inAll" : "perSide", outAndBack };
            },
          },
          {
            ALT: () => {
              this.CONSUME(T.Metres);
              const outAndBack = this.OPTION4(() => this.CONSUME1(T.OutAndBack)) !== undefined;
              return { kind: "metres", outAndBack };
            },
          },
        ]),
      ) ?? ({ kind: "reps" } as const);
    const timed = (n: Num): Num => ({ ...n, value: n.value * times });
    const length = max.at + max.length - min.at;
    return { kind: "amount", at: min.at, length, min: timed(min), max: timed(max), counts };
  });

  protected readonly clockAmount = this.RULE("clockAmount", (): TargetWords => {
    const min = this.SUBRULE(this.clock);
    const max =
      this.OPTION(() => {
        this.CONSUME(T.Dash);
        return this.SUBRULE1(this.clock);
      }) ?? min;
    return {
      kind: "amount",
      at: min.at,
      length: min.length,
      min,
      max,
      counts: { kind: "seconds" },
    };
  });
}
