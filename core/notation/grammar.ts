import { EmbeddedActionsParser, type IToken, type TokenType } from "chevrotain";
import type { MuscleLength } from "../movement/index.ts";
import type { DrillKind, SetRole, TempoPhaseName } from "../prescription/index.ts";
import type { MassUnit } from "../quantity/index.ts";
import type {
  AmountUnit,
  DrillWords,
  DropWords,
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
import { ALL_TOKENS, T } from "./tokens.ts";
import { unquoted } from "./words.ts";

const ROLES: readonly (readonly [TokenType, SetRole])[] = [
  [T.Ramp, "ramp"],
  [T.Primer, "primer"],
  [T.Calibration, "calibration"],
  [T.Work, "work"],
  [T.Top, "top"],
  [T.BackOff, "backOff"],
  [T.Burnout, "burnout"],
];
const PHASES: readonly (readonly [TokenType, TempoPhaseName])[] = [
  [T.Lower, "lower"],
  [T.Stretch, "stretch"],
  [T.Lift, "lift"],
  [T.Squeeze, "squeeze"],
];
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
const LENGTHS: readonly (readonly [TokenType, MuscleLength])[] = [
  [T.Stretched, "stretched"],
  [T.Mid, "mid"],
  [T.Shortened, "shortened"],
];

const spanOf = (token: IToken): Span => ({
  at: token.startOffset,
  length: (token.endOffset ?? token.startOffset) - token.startOffset + 1,
});
const valueOf = (image: string) => Number(image.replace(",", "."));

/**
 * The grammar of the written line; docs/notation.md has it in words. It reads words and their places and
 * judges nothing: whether a range is upside down is for `read.ts`.
 */
class LineParser extends EmbeddedActionsParser {
  constructor() {
    super(ALL_TOKENS, { maxLookahead: 3, recoveryEnabled: false });
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
  private readonly group = this.RULE("group", (): GroupWords => {
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

  private readonly role = this.RULE("role", (): SetRole => this.oneOf(ROLES));

  /** One of some words, as the value it stands for. */
  private oneOf<V>(words: readonly (readonly [TokenType, V])[]): V {
    return this.OR9(
      words.map(([type, value]) => ({ ALT: () => (this.CONSUME9(type), value) })),
    ) as V;
  }

  private readonly number = this.RULE("number", (): Num => {
    const token = this.CONSUME(T.Number);
    return { ...spanOf(token), value: valueOf(token.image) };
  });

  private readonly name = this.RULE("name", (): Name => {
    const token = this.CONSUME(T.Quoted);
    return { ...spanOf(token), text: unquoted(token.image) };
  });

  /** time = clock | number [ "s" | "min" ] */
  private readonly time = this.RULE("time", (): Time =>
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

  private readonly clock = this.RULE("clock", (): Time => {
    const token = this.CONSUME(T.Clock);
    const [minutes = "0", rest = "0"] = token.image.split(":");
    return { ...spanOf(token), value: Number(minutes) * 60 + Number(rest) };
  });

  private readonly mass = this.RULE("mass", (): WrittenMass => {
    const n = this.SUBRULE(this.number);
    const unit = this.OPTION(() => this.SUBRULE(this.unit)) ?? null;
    return { ...n, unit };
  });

  private readonly unit = this.RULE("unit", (): MassUnit =>
    this.OR([
      { ALT: () => (this.CONSUME(T.Kg), "kg" as const) },
      { ALT: () => (this.CONSUME(T.Lb), "lb" as const) },
    ]),
  );

  private readonly about = this.RULE("about", (): Num => {
    this.CONSUME(T.About);
    return this.SUBRULE(this.number);
  });

  private readonly aboutTime = this.RULE("aboutTime", (): Time => {
    this.CONSUME(T.About);
    return this.SUBRULE(this.time);
  });

  private readonly pause = this.RULE("pause", (): Time => {
    this.CONSUME(T.Pause);
    return this.SUBRULE(this.time);
  });

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

  /** A word that is looked up in a closed list: a fault, a region. */
  private readonly freeWord = this.RULE("freeWord", (): Name => {
    const token = this.OR([
      { ALT: () => this.CONSUME(T.Word) },
      { ALT: () => this.CONSUME(T.Quoted) },
    ]);
    const text = token.tokenType === T.Quoted ? unquoted(token.image) : token.image;
    return { ...spanOf(token), text };
  });

  /** amount = number [ "-" number ] [ "reps" | "s" | "min" | "steps" … | "m" … ] */
  private readonly amount = this.RULE("amount", (): TargetWords => {
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

  private readonly clockAmount = this.RULE("clockAmount", (): TargetWords => {
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

  private readonly modifier = this.RULE("modifier", (): Modifier =>
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

  private readonly phaseName = this.RULE("phaseName", (): TempoPhaseName => this.oneOf(PHASES));

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

  private readonly sideModifier = this.RULE("sideModifier", (): Modifier => {
    const at = this.LA(1);
    return { kind: "side", ...spanOf(at), side: this.SUBRULE(this.side) };
  });

  /** side = "both" | "alternating" | "left" [ "then" "right" [ "matched" ] ] | "right" [ "then" "left" … ] */
  private readonly side = this.RULE("side", (): SideWords =>
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

  private readonly pairs = this.RULE("pairs", (): readonly Pair[] => {
    const pairs: Pair[] = [];
    this.AT_LEAST_ONE(() => {
      const name = this.SUBRULE(this.name);
      pairs.push({ name, choice: this.SUBRULE1(this.name) });
    });
    return pairs;
  });

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

  private readonly masses = this.RULE("masses", (): LoadWords => {
    const first = this.SUBRULE(this.mass);
    const masses = [first];
    this.MANY(() => {
      this.CONSUME(T.Else);
      masses.push(this.SUBRULE1(this.mass));
    });
    return { kind: "masses", at: first.at, length: first.length, masses };
  });

  private readonly shareLoad = this.RULE("shareLoad", (): LoadWords => {
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

  private readonly sign = this.RULE("sign", (): 1 | -1 =>
    this.OR<1 | -1>([
      { ALT: () => (this.CONSUME(T.PlusWord), 1) },
      { ALT: () => (this.CONSUME(T.Minus), -1) },
    ]),
  );

  /** setWord = "before" | [ "exercise" number ] "set" ( number [ "part" number ] | name [ "part" name ] ) */
  private readonly setWord = this.RULE("setWord", (): SetWord => {
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

  /** item = drill | "check" region time "if tight" drill */
  private readonly item = this.RULE("item", (): ItemWords => {
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
  private readonly drill = this.RULE("drill", (): DrillWords => {
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

  private readonly forTarget = this.RULE("forTarget", (): TargetWords => {
    this.CONSUME(T.For);
    return this.SUBRULE(this.target);
  });

  private readonly after = this.RULE("after", (): Time => {
    this.CONSUME(T.After);
    return this.SUBRULE(this.time);
  });

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
  private readonly drop = this.RULE("drop", (): ExtensionWords => {
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

  private readonly dropShare = this.RULE("dropShare", (): DropWords => {
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
}

/** One parser for all: it holds no state between lines. */
export const PARSER = new LineParser();
