import { EmbeddedActionsParser, type IToken, type TokenType } from "chevrotain";
import type { MassUnit } from "../../../kernel/index.ts";
import type { Name, Num, Span, Time, WrittenMass } from "../syntax.ts";
import { ALL_TOKENS, T } from "../tokens.ts";
import { unquoted } from "../words.ts";

/** The place of a token in the text. */
export const spanOf = (token: IToken): Span => ({
  at: token.startOffset,
  length: (token.endOffset ?? token.startOffset) - token.startOffset + 1,
});
const valueOf = (image: string) => Number(image.replace(",", "."));

/** Numbers, names, times and masses, which everything else is made of. */
export abstract class WordRules extends EmbeddedActionsParser {
  constructor() {
    super(ALL_TOKENS, { maxLookahead: 3, recoveryEnabled: false });
  }

  /** One of some words, as the value it stands for. */
  protected oneOf<V>(words: readonly (readonly [TokenType, V])[]): V {
    return this.OR9(
      words.map(([type, value]) => ({ ALT: () => (this.CONSUME9(type), value) })),
    ) as V;
  }

  protected readonly number = this.RULE("number", (): Num => {
    const token = this.CONSUME(T.Number);
    return { ...spanOf(token), value: valueOf(token.image) };
  });

  protected readonly name = this.RULE("name", (): Name => {
    const token = this.CONSUME(T.Quoted);
    return { ...spanOf(token), text: unquoted(token.image) };
  });

  /** A word that is looked up in a closed list: a fault, a region. */
  protected readonly freeWord = this.RULE("freeWord", (): Name => {
    const token = this.OR([
      { ALT: () => this.CONSUME(T.Word) },
      { ALT: () => this.CONSUME(T.Quoted) },
    ]);
    const text = token.tokenType === T.Quoted ? unquoted(token.image) : token.image;
    return { ...spanOf(token), text };
  });

  /** time = clock | number [ "s" | "min" ] */
  protected readonly time = this.RULE("time", (): Time =>
    this.OR([
      { ALT: () => this.SUBRULE(this.clock) },
      {
        ALT: () => {
          const n = this.SUBRULE(this.number);
          let times = 1;
          this.OPTION(() =>
            this.OR1([
              { ALT: () => this.CONSUME(T.Seconds) },
              {
                ALT: () => {
                  this.CONSUME(T.Minutes);
                  times = 60;
                },
              },
            ]),
          );
          return { ...n, value: n.value * times };
        },
      },
    ]),
  );

  protected readonly clock = this.RULE("clock", (): Time => {
    const token = this.CONSUME(T.Clock);
    const [minutes = "0", rest = "0"] = token.image.split(":");
    return { ...spanOf(token), value: Number(minutes) * 60 + Number(rest) };
  });

  protected readonly mass = this.RULE("mass", (): WrittenMass => {
    const n = this.SUBRULE(this.number);
    const unit = this.OPTION(() => this.SUBRULE(this.unit)) ?? null;
    return { ...n, unit };
  });

  protected readonly unit = this.RULE("unit", (): MassUnit =>
    this.OR([
      { ALT: () => (this.CONSUME(T.Kg), "kg" as const) },
      { ALT: () => (this.CONSUME(T.Lb), "lb" as const) },
    ]),
  );

  protected readonly about = this.RULE("about", (): Num => {
    this.CONSUME(T.About);
    return this.SUBRULE(this.number);
  });

  protected readonly aboutTime = this.RULE("aboutTime", (): Time => {
    this.CONSUME(T.About);
    return this.SUBRULE(this.time);
  });

  protected readonly pause = this.RULE("pause", (): Time => {
    this.CONSUME(T.Pause);
    return this.SUBRULE(this.time);
  });

  protected readonly sign = this.RULE("sign", (): 1 | -1 =>
    this.OR<1 | -1>([
      { ALT: () => (this.CONSUME(T.PlusWord), 1) },
      { ALT: () => (this.CONSUME(T.Minus), -1) },
    ]),
  );
}
