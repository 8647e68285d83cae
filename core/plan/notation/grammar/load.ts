import type { LoadWords, SetWord } from "../syntax.ts";
import { T } from "../tokens.ts";
import { TargetRules } from "./target.ts";
import { spanOf } from "./words.ts";

/** What stands behind "at". */
export abstract class LoadRules extends TargetRules {
  /** load = mass { "else" mass } | share | steps from a set or last time | "effort" | "open" | "body" … | "trial" … */
  readonly load = this.RULE("load", (): LoadWords => {
    const at = spanOf(this.LA(1));
    return this.OR<LoadWords>([
      { GATE: () => this.LA(2).tokenType !== T.Percent, ALT: () => this.SUBRULE(this.masses) },
      { ALT: () => this.SUBRULE(this.shareLoad) },
      {
        ALT: () => {
          const set = this.SUBRULE(this.setWord);
          const sign = this.SUBRULE(this.sign);
          const steps = this.SUBRULE(this.number);
          this.OPTION(() => this.CONSUME(T.Steps));
          return { kind: "stepsFromSet", ...at, set, sign, steps };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Last);
          const by = this.OPTION1(() => {
            const sign = this.SUBRULE1(this.sign);
            const steps = this.SUBRULE1(this.number);
            this.OPTION2(() => this.CONSUME1(T.Steps));
            return { sign, steps };
          });
          return { kind: "last", ...at, sign: by?.sign ?? 1, steps: by?.steps ?? null };
        },
      },
      { ALT: () => (this.CONSUME(T.Effort), { kind: "effort", ...at }) },
      { ALT: () => (this.CONSUME(T.Open), { kind: "open", ...at }) },
      {
        ALT: () => {
          this.CONSUME(T.Body);
          const by = this.OPTION3(() => ({
            sign: this.SUBRULE2(this.sign),
            mass: this.SUBRULE(this.mass),
          }));
          return { kind: "body", ...at, sign: by?.sign ?? 1, mass: by?.mass ?? null };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Trial);
          const from = this.SUBRULE1(this.mass);
          const up =
            this.OPTION4(() => {
              this.CONSUME(T.Up);
              return this.SUBRULE2(this.number);
            }) ?? null;
          const tries =
            this.OPTION5(() => {
              this.CONSUME(T.Tries);
              return this.SUBRULE3(this.number);
            }) ?? null;
          return { kind: "trial", ...at, from, up, tries };
        },
      },
    ]);
  });

  protected readonly masses = this.RULE("masses", (): LoadWords => {
    const first = this.SUBRULE(this.mass);
    const masses = [first];
    this.MANY(() => {
      this.CONSUME(T.Else);
      masses.push(this.SUBRULE1(this.mass));
    });
    return { kind: "masses", at: first.at, length: first.length, masses };
  });

  protected readonly shareLoad = this.RULE("shareLoad", (): LoadWords => {
    const percent = this.SUBRULE(this.number);
    const at = { at: percent.at, length: percent.length };
    this.CONSUME(T.Percent);
    this.CONSUME(T.Of);
    return this.OR<LoadWords>([
      { ALT: () => (this.CONSUME(T.Max), { kind: "shareOfMaximum", ...at, percent }) },
      {
        ALT: () => ({
          kind: "shareOfMovement",
          ...at,
          percent,
          movement: this.SUBRULE(this.name),
        }),
      },
      { ALT: () => ({ kind: "shareOfSet", ...at, percent, set: this.SUBRULE(this.setWord) }) },
    ]);
  });

  /** setWord = "before" | [ "exercise" number ] "set" ( number [ "part" number ] | name [ "part" name ] ) */
  protected readonly setWord = this.RULE("setWord", (): SetWord => {
    const at = spanOf(this.LA(1));
    return this.OR<SetWord>([
      { ALT: () => (this.CONSUME(T.Before), { kind: "before", ...at }) },
      {
        ALT: () => {
          const exercise =
            this.OPTION(() => {
              this.CONSUME(T.Exercise);
              return this.SUBRULE(this.number);
            }) ?? null;
          this.CONSUME(T.Set);
          return this.OR1<SetWord>([
            {
              ALT: () => {
                const set = this.SUBRULE1(this.number);
                const part =
                  this.OPTION1(() => {
                    this.CONSUME(T.Part);
                    return this.SUBRULE2(this.number);
                  }) ?? null;
                return { kind: "number", ...at, exercise, set, part };
              },
            },
            {
              ALT: () => {
                const id = this.SUBRULE(this.name);
                const part =
                  this.OPTION2(() => {
                    this.CONSUME1(T.Part);
                    return this.SUBRULE1(this.name);
                  }) ?? null;
                return { kind: "id", ...at, id, part };
              },
            },
          ]);
        },
      },
    ]);
  });
}
