import type { TokenType } from "chevrotain";
import type { TempoPhaseName } from "../../index.ts";
import type { EffortWords, ItemWords, Modifier, Num, RestWords } from "../syntax.ts";
import { T } from "../tokens.ts";
import { ItemRules } from "./item.ts";
import { spanOf } from "./words.ts";

const PHASES: readonly (readonly [TokenType, TempoPhaseName])[] = [
  [T.Lower, "lower"],
  [T.Stretch, "stretch"],
  [T.Lift, "lift"],
  [T.Squeeze, "squeeze"],
];

/** What is said about a set, in any order. */
export abstract class ModifierRules extends ItemRules {
  protected readonly modifier = this.RULE("modifier", (): Modifier =>
    this.OR<Modifier>([
      {
        ALT: () => {
          const word = this.CONSUME(T.At);
          return { kind: "load", ...spanOf(word), load: this.SUBRULE(this.load) };
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.Leave);
          const effort = this.OR1<EffortWords>([
            { ALT: () => ({ kind: "left", reps: this.SUBRULE(this.number) }) },
            { ALT: () => (this.CONSUME(T.Many), { kind: "many" }) },
            { ALT: () => (this.CONSUME(T.None), { kind: "none" }) },
            { ALT: () => (this.CONSUME(T.Unknown), { kind: "unknown" }) },
          ]);
          return { kind: "effort", ...spanOf(word), effort };
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.Past);
          this.CONSUME(T.Limit);
          return { kind: "effort", ...spanOf(word), effort: { kind: "past" } };
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.Effort);
          const effort = this.SUBRULE1(this.number);
          return { kind: "effort", ...spanOf(word), effort: { kind: "outOfTen", effort } };
        },
      },
      {
        ALT: () => {
          this.OPTION(() => this.CONSUME(T.Tempo));
          return this.SUBRULE(this.phase);
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.DeadStop);
          return { kind: "deadStop", ...spanOf(word), seconds: this.SUBRULE(this.time) };
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.SecondSqueeze);
          return { kind: "secondSqueeze", ...spanOf(word), seconds: this.SUBRULE1(this.time) };
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.LastRep);
          const phase = this.SUBRULE(this.phaseName);
          return { kind: "slowLastRep", ...spanOf(word), phase, seconds: this.SUBRULE2(this.time) };
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.Rest);
          return { kind: "rest", ...spanOf(word), rest: this.SUBRULE(this.rest) };
        },
      },
      { ALT: () => this.SUBRULE(this.sideModifier) },
      {
        ALT: () => {
          const word = this.CONSUME(T.With);
          return { kind: "setUp", ...spanOf(word), pairs: this.SUBRULE(this.pairs) };
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.Between);
          const items: ItemWords[] = [];
          this.AT_LEAST_ONE_SEP({
            SEP: T.And,
            DEF: () => items.push(this.SUBRULE(this.item)),
          });
          return { kind: "between", ...spanOf(word), items };
        },
      },
      {
        ALT: () => {
          const word = this.CONSUME(T.Optional);
          return { kind: "optional", ...spanOf(word) };
        },
      },
    ]),
  );

  protected readonly phaseName = this.RULE("phaseName", (): TempoPhaseName => this.oneOf(PHASES));

  /** phase = phase-name ( number [ "s" ] | "fast" ) */
  readonly phase = this.RULE("phase", (): Modifier => {
    const at = this.LA(1);
    const phase = this.SUBRULE(this.phaseName);
    const seconds = this.OR<Num | "explosive">([
      { ALT: () => this.SUBRULE(this.time) },
      { ALT: () => (this.CONSUME(T.Fast), "explosive") },
    ]);
    return { kind: "phase", ...spanOf(at), phase, seconds };
  });

  protected readonly sideModifier = this.RULE("sideModifier", (): Modifier => {
    const at = this.LA(1);
    return { kind: "side", ...spanOf(at), side: this.SUBRULE(this.side) };
  });

  /** rest = time [ "-" time ] | "most" time | "breath" [ about ] | "partner" [ about ] | "heart" "below" number [ about ] */
  readonly rest = this.RULE("rest", (): RestWords => {
    const at = spanOf(this.LA(1));
    return this.OR<RestWords>([
      {
        ALT: () => {
          const min = this.SUBRULE(this.time);
          const max =
            this.OPTION(() => {
              this.OR1([{ ALT: () => this.CONSUME(T.Dash) }, { ALT: () => this.CONSUME(T.To) }]);
              return this.SUBRULE1(this.time);
            }) ?? null;
          return { kind: "time", ...at, min, max };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Most);
          return { kind: "most", ...at, time: this.SUBRULE2(this.time) };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Breath);
          const about = this.OPTION1(() => this.SUBRULE(this.aboutTime)) ?? null;
          return { kind: "breath", ...at, about };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Partner);
          const about = this.OPTION2(() => this.SUBRULE1(this.aboutTime)) ?? null;
          return { kind: "partner", ...at, about };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Heart);
          this.CONSUME(T.Below);
          const below = this.SUBRULE(this.number);
          const about = this.OPTION3(() => this.SUBRULE2(this.aboutTime)) ?? null;
          return { kind: "heart", ...at, below, about };
        },
      },
    ]);
  });
}
