import type { TokenType } from "chevrotain";
import type { SetRole } from "../../index.ts";
import type { ExtensionWords, GroupWords, ItemWords, LineWords, Modifier } from "../syntax.ts";
import { T } from "../tokens.ts";
import { PartRules } from "./part.ts";

const ROLES: readonly (readonly [TokenType, SetRole])[] = [
  [T.Ramp, "ramp"],
  [T.Primer, "primer"],
  [T.Calibration, "calibration"],
  [T.Work, "work"],
  [T.Top, "top"],
  [T.BackOff, "backOff"],
  [T.Burnout, "burnout"],
];

/**
 * The grammar of the written line; docs/notation.md has it in words. It reads words and their places and
 * judges nothing: whether a range is upside down is for `read/`. A file holds the rules of one kind of words, each
 * built on the one before, since the parser library wants them in one class.
 */
class LineParser extends PartRules {
  constructor() {
    super();
    this.performSelfAnalysis();
  }

  /** line = [ "all" modifier* ":" ] group { ";" group } */
  readonly line = this.RULE("line", (): LineWords => {
    const all: Modifier[] = [];
    const groups: GroupWords[] = [];
    this.OPTION(() => this.CONSUME(T.Separator));
    this.OPTION1(() => {
      this.CONSUME(T.All);
      this.MANY(() => all.push(this.SUBRULE(this.modifier)));
      this.CONSUME(T.Colon);
    });
    this.OPTION2(() => {
      groups.push(this.SUBRULE(this.group));
      this.MANY1(() => {
        this.CONSUME1(T.Separator);
        this.OPTION3(() => groups.push(this.SUBRULE1(this.group)));
      });
    });
    return { all, groups };
  });

  /** items = item { ";" item } */
  readonly items = this.RULE("items", (): readonly ItemWords[] => {
    const items: ItemWords[] = [];
    this.OPTION(() => this.CONSUME(T.Separator));
    this.OPTION1(() => {
      items.push(this.SUBRULE(this.item));
      this.MANY(() => {
        this.CONSUME1(T.Separator);
        this.OPTION2(() => items.push(this.SUBRULE1(this.item)));
      });
    });
    return items;
  });

  /** group = [ role ] [ number ("x" | "of" | "sets" "of") ] [ role ] target { modifier } { ("then" | "+") extension } */
  protected readonly group = this.RULE("group", (): GroupWords => {
    const role = this.OPTION(() => this.SUBRULE(this.role)) ?? null;
    const count =
      this.OPTION1(() => {
        const n = this.SUBRULE(this.number);
        this.OR([
          { ALT: () => this.CONSUME(T.Times) },
          {
            ALT: () => {
              this.OPTION2(() => this.CONSUME(T.Sets));
              this.CONSUME(T.Of);
            },
          },
        ]);
        return n;
      }) ?? null;
    const late = this.OPTION3(() => this.SUBRULE1(this.role)) ?? null;
    const target = this.SUBRULE(this.target);
    const modifiers: Modifier[] = [];
    this.MANY(() => modifiers.push(this.SUBRULE(this.modifier)));
    const extensions: ExtensionWords[] = [];
    this.MANY1(() => {
      this.OR1([{ ALT: () => this.CONSUME(T.Then) }, { ALT: () => this.CONSUME(T.Plus) }]);
      extensions.push(this.SUBRULE(this.extension));
    });
    return {
      at: target.at,
      length: target.length,
      role: role ?? late,
      count,
      target,
      modifiers,
      extensions,
    };
  });

  protected readonly role = this.RULE("role", (): SetRole => this.oneOf(ROLES));
}

/** One parser for all: it holds no state between lines. */
export const PARSER = new LineParser();
