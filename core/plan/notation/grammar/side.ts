import type { Pair, SideWords } from "../syntax.ts";
import { T } from "../tokens.ts";
import { LoadRules } from "./load.ts";

/** Sides, and names with their choices. */
export abstract class SideRules extends LoadRules {
  /** side = "both" | "alternating" | "left" [ "then" "right" [ "matched" ] ] | "right" [ "then" "left" … ] */
  protected readonly side = this.RULE("side", (): SideWords =>
    this.OR<SideWords>([
      { ALT: () => (this.CONSUME(T.Both), { kind: "both" }) },
      { ALT: () => (this.CONSUME(T.Alternating), { kind: "alternating" }) },
      {
        ALT: () => {
          this.CONSUME(T.Left);
          const other = this.OPTION({
            GATE: () => this.LA(2).tokenType === T.Right,
            DEF: () => {
              this.CONSUME(T.Then);
              this.CONSUME(T.Right);
              return this.OPTION1(() => this.CONSUME(T.Matched)) !== undefined;
            },
          });
          return other === undefined
            ? { kind: "left" }
            : { kind: "each", first: "left", matched: other };
        },
      },
      {
        ALT: () => {
          this.CONSUME1(T.Right);
          const other = this.OPTION2({
            GATE: () => this.LA(2).tokenType === T.Left,
            DEF: () => {
              this.CONSUME1(T.Then);
              this.CONSUME1(T.Left);
              return this.OPTION3(() => this.CONSUME1(T.Matched)) !== undefined;
            },
          });
          return other === undefined
            ? { kind: "right" }
            : { kind: "each", first: "right", matched: other };
        },
      },
    ]),
  );

  protected readonly pairs = this.RULE("pairs", (): readonly Pair[] => {
    const pairs: Pair[] = [];
    this.AT_LEAST_ONE(() => {
      const name = this.SUBRULE(this.name);
      pairs.push({ name, choice: this.SUBRULE1(this.name) });
    });
    return pairs;
  });
}
