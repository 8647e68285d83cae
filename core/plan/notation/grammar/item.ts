import type { TokenType } from "chevrotain";
import type { DrillKind } from "../../index.ts";
import type { DrillWords, ItemWords } from "../syntax.ts";
import { T } from "../tokens.ts";
import { SideRules } from "./side.ts";
import { spanOf } from "./words.ts";

const DRILLS: readonly (readonly [TokenType, DrillKind])[] = [
  [T.PulseRaiser, "pulseRaiser"],
  [T.Mobility, "mobility"],
  [T.PreFatigue, "preFatigue"],
  [T.Stretch, "stretch"],
  [T.SteadyCardio, "steadyCardio"],
  [T.Intervals, "intervals"],
  [T.CoolDown, "coolDown"],
  [T.SelfMassage, "selfMassage"],
];

/** Drills and checks. */
export abstract class ItemRules extends SideRules {
  /** item = drill | "check" region time "if tight" drill */
  protected readonly item = this.RULE("item", (): ItemWords => {
    const at = spanOf(this.LA(1));
    return this.OR<ItemWords>([
      { ALT: () => ({ ...at, ...this.SUBRULE(this.drill) }) },
      {
        ALT: () => {
          this.CONSUME(T.Check);
          const region = this.SUBRULE(this.freeWord);
          const time = this.SUBRULE(this.time);
          const tight = this.CONSUME(T.IfTight);
          const drill = { ...spanOf(tight), ...this.SUBRULE1(this.drill) };
          return { kind: "check", ...at, region, time, drill };
        },
      },
    ]);
  });

  /** drill = drill-kind [ name ] [ "movement" name ] target [ side ] [ "felt" number | "heart" number "-" number ] */
  protected readonly drill = this.RULE("drill", (): DrillWords => {
    const drill = this.oneOf(DRILLS);
    const name = this.OPTION(() => this.SUBRULE(this.name)) ?? null;
    const movement =
      this.OPTION1(() => {
        this.CONSUME(T.Movement);
        return this.SUBRULE1(this.name);
      }) ?? null;
    const target = this.SUBRULE(this.target);
    const side = this.OPTION2(() => this.SUBRULE(this.side)) ?? null;
    const intensity =
      this.OPTION3(() =>
        this.OR<NonNullable<DrillWords["intensity"]>>([
          {
            ALT: () => {
              this.CONSUME(T.Felt);
              return { kind: "felt", outOfTen: this.SUBRULE(this.number) };
            },
          },
          {
            ALT: () => {
              this.CONSUME(T.Heart);
              const min = this.SUBRULE1(this.number);
              this.CONSUME(T.Dash);
              return { kind: "heart", min, max: this.SUBRULE2(this.number) };
            },
          },
        ]),
      ) ?? null;
    return { kind: "drill", drill, name, movement, target, side, intensity };
  });
}
