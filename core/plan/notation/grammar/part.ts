import type { TokenType } from "chevrotain";
import type { MuscleLength } from "../../../kernel/index.ts";
import type { DropWords, ExtensionWords, Num, TargetWords, Time } from "../syntax.ts";
import { T } from "../tokens.ts";
import { ModifierRules } from "./modifier.ts";
import { spanOf } from "./words.ts";

const LENGTHS: readonly (readonly [TokenType, MuscleLength])[] = [
  [T.Stretched, "stretched"],
  [T.Mid, "mid"],
  [T.Shortened, "shortened"],
];

/** What follows a set, behind "then". */
export abstract class PartRules extends ModifierRules {
  readonly extension = this.RULE("extension", (): ExtensionWords => {
    const at = spanOf(this.LA(1));
    return this.OR<ExtensionWords>([
      { ALT: () => this.SUBRULE(this.drop) },
      {
        ALT: () => {
          this.CONSUME(T.RestPause);
          const times = this.SUBRULE(this.number);
          const after = this.OPTION(() => this.SUBRULE(this.after)) ?? null;
          const target = this.OPTION1(() => this.SUBRULE(this.forTarget)) ?? null;
          return { kind: "restPause", ...at, times, after, target, percent: null };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Cluster);
          const times = this.SUBRULE1(this.number);
          const after = this.OPTION2(() => this.SUBRULE1(this.after)) ?? null;
          const percent =
            this.OPTION3(() => {
              this.CONSUME(T.At);
              const n = this.SUBRULE2(this.number);
              this.CONSUME(T.Percent);
              return n;
            }) ?? null;
          const target = this.OPTION4(() => this.SUBRULE1(this.forTarget)) ?? null;
          return { kind: "cluster", ...at, times, after, target, percent };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Partials);
          const where = this.oneOf(LENGTHS);
          const target = this.OPTION5(() => this.SUBRULE2(this.forTarget)) ?? null;
          return { kind: "partials", ...at, where, target };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Forced);
          const by = this.OR1([
            { ALT: () => (this.CONSUME(T.Self), "self" as const) },
            { ALT: () => (this.CONSUME(T.Partner), "partner" as const) },
          ]);
          const target = this.OPTION6(() => this.SUBRULE3(this.forTarget)) ?? null;
          return { kind: "forced", ...at, by, target };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Position);
          const pairs = this.OPTION7(() => this.SUBRULE(this.pairs)) ?? [];
          const target = this.OPTION8(() => this.SUBRULE4(this.forTarget)) ?? null;
          return { kind: "position", ...at, pairs, target };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Hold);
          const time = this.SUBRULE(this.time);
          const where = this.OR2<"stretched" | "shortened" | Num>([
            { ALT: () => (this.CONSUME1(T.Stretched), "stretched") },
            { ALT: () => (this.CONSUME1(T.Shortened), "shortened") },
            {
              ALT: () => {
                const n = this.SUBRULE3(this.number);
                this.CONSUME(T.Degrees);
                return n;
              },
            },
          ]);
          return { kind: "hold", ...at, time, where };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Breaths);
          const breaths = this.SUBRULE4(this.number);
          const target = this.OPTION9(() => this.SUBRULE5(this.forTarget)) ?? null;
          return { kind: "breaths", ...at, breaths, target };
        },
      },
    ]);
  });

  /** drop = [ number ] "drop" ( "to" ( percent [ "of" ( "first" | "last" ) ] | mass | "body" ) | "strip" n | "down" n ) [ for ] [ after ] */
  protected readonly drop = this.RULE("drop", (): ExtensionWords => {
    const at = spanOf(this.LA(1));
    const times = this.OPTION(() => this.SUBRULE(this.number)) ?? null;
    this.CONSUME(T.Drop);
    const to = this.OR<DropWords>([
      {
        ALT: () => {
          this.CONSUME(T.To);
          return this.OR1<DropWords>([
            {
              GATE: () => this.LA(2).tokenType === T.Percent,
              ALT: () => this.SUBRULE(this.dropShare),
            },
            {
              GATE: () => this.LA(2).tokenType !== T.Percent,
              ALT: () => ({ kind: "mass", mass: this.SUBRULE(this.mass) }),
            },
            { ALT: () => (this.CONSUME(T.Body), { kind: "body" }) },
          ]);
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Strip);
          const plates = this.SUBRULE1(this.number);
          this.OPTION1(() => this.CONSUME(T.Plates));
          return { kind: "strip", plates };
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.Down);
          const steps = this.SUBRULE2(this.number);
          this.OPTION2(() => this.CONSUME(T.Steps));
          return { kind: "steps", steps };
        },
      },
    ]);
    const target = this.OPTION3(() => this.SUBRULE(this.forTarget)) ?? null;
    const after = this.OPTION4(() => this.SUBRULE(this.after)) ?? null;
    return { kind: "drop", ...at, times, to, target, after };
  });

  protected readonly dropShare = this.RULE("dropShare", (): DropWords => {
    const percent = this.SUBRULE(this.number);
    this.CONSUME(T.Percent);
    const of =
      this.OPTION(() => {
        this.CONSUME(T.Of);
        return this.OR<"first" | "current">([
          { ALT: () => (this.CONSUME(T.First), "first") },
          { ALT: () => (this.CONSUME(T.Last), "current") },
        ]);
      }) ?? "current";
    return { kind: "share", percent, of };
  });

  protected readonly forTarget = this.RULE("forTarget", (): TargetWords => {
    this.CONSUME(T.For);
    return this.SUBRULE(this.target);
  });

  protected readonly after = this.RULE("after", (): Time => {
    this.CONSUME(T.After);
    return this.SUBRULE(this.time);
  });
}
