import { createToken, Lexer, type TokenType } from "chevrotain";

/** What has no fixed text: a number, a time, a name in quotes. */
export type OpenToken = "number" | "clock" | "quoted";

const opens = new Map<TokenType, OpenToken>();

/** What may stand at a place: a word as it is written, or one of the kinds without fixed text. */
export type Expectation = { readonly word: string } | { readonly kind: OpenToken };

/** What a token type expects. */
export function expectationOf(type: TokenType): Expectation {
  const kind = opens.get(type);
  return kind === undefined ? { word: type.LABEL ?? type.name } : { kind };
}

/** A word that the notation does not know. */
const Word = createToken({ name: "Word", pattern: /[a-z]+(?:-[a-z]+)*/i });

/** The parser keeps names of tokens apart from those of rules by the first letter. */
const capital = (name: string) => name.charAt(0).toUpperCase() + name.slice(1);

/** A word or sign; `text` is how it is written where a name would not do. */
function word(name: string, pattern: RegExp, text: string = name): TokenType {
  return createToken({ name: capital(name), pattern, label: text });
}

function open(name: OpenToken, pattern: RegExp): TokenType {
  const type = createToken({ name: capital(name), pattern });
  opens.set(type, name);
  return type;
}

/** A whole word: "left" is not the beginning of "lefty", while "20s" is a number and a unit. */
const w = (text: string) => new RegExp(`(?:${text})(?![a-z])`, "i");

export const T = {
  Clock: open("clock", /\d{1,3}:[0-5]\d/),
  Number: open("number", /\d+(?:[.,]\d+)?/),
  Quoted: open("quoted", /["“”](?:[^"“”\\\n]|\\.)*["“”]/),
  /** Sets are told apart by semicolons or by lines; empty ones between them do no harm. */
  Separator: createToken({
    name: "Separator",
    pattern: /(?:;|\r?\n)(?:[\s,]*(?:;|\r?\n))*/,
    label: ";",
    line_breaks: true,
  }),
  Colon: word("colon", /:/, ":"),
  Times: word("times", /×|x(?![a-z])/i, "x"),
  Dash: word("dash", /[-–—]/, "-"),
  Percent: word("percent", /%/, "%"),
  Plus: word("plus sign", /\+/, "+"),
  Degrees: word("degrees", /°|deg(?:rees)?\b/i, "deg"),

  All: word("all", w("all")),
  Optional: word("optional", w("optional")),
  // roles
  Ramp: word("ramp", w("ramps?"), "ramp"),
  Primer: word("primer", w("primer")),
  Calibration: word("calibration", w("calibration|calibrate")),
  Work: word("work", w("work")),
  Top: word("top", w("top")),
  BackOff: word("back-off", w("back-?off")),
  Burnout: word("burnout", w("burn-?out")),
  // targets
  Reps: word("reps", w("reps?")),
  Steps: word("steps", w("steps?")),
  InAll: word("in-all", w("in[- ]all"), "in all"),
  OutAndBack: word("out-and-back", w("out[- ]and[- ]back"), "out and back"),
  Max: word("max", w("max(?:imum)?"), "max"),
  Least: word("least", w("least")),
  About: word("about", w("about")),
  Total: word("total", w("total")),
  In: word("in", w("in")),
  Sets: word("sets", w("sets"), "sets"),
  Pause: word("pause", w("pause")),
  Intervals: word("intervals", w("intervals?"), "intervals"),
  Until: word("until", w("until")),
  Burn: word("burn", w("burn")),
  // units
  Kg: word("kg", w("kgs?"), "kg"),
  Lb: word("lb", w("lbs?"), "lb"),
  Seconds: word("s", w("s(?:ec(?:onds?)?)?"), "s"),
  Minutes: word("min", w("min(?:utes?)?"), "min"),
  Metres: word("m", w("m(?:et(?:re|er)s?)?"), "m"),
  // loads
  At: word("at", w("at|@")),
  Of: word("of", w("of")),
  Set: word("set", w("set")),
  Exercise: word("exercise", w("exercise")),
  Before: word("before", w("before")),
  Part: word("part", w("part")),
  Minus: word("minus", w("minus")),
  PlusWord: word("plus", w("plus")),
  Last: word("last", w("last")),
  Effort: word("effort", w("effort")),
  Open: word("open", w("open")),
  Body: word("body", w("body(?:[- ]?weight)?"), "body"),
  Trial: word("trial", w("trial")),
  Up: word("up", w("up")),
  Tries: word("tries", w("tries")),
  Else: word("else", w("else")),
  // effort
  Leave: word("leave", w("leav(?:e|ing)"), "leave"),
  Many: word("many", w("many")),
  None: word("none", w("none")),
  Unknown: word("unknown", w("unknown")),
  Past: word("past", w("past")),
  Limit: word("limit", w("limit")),
  // tempo and accents
  Tempo: word("tempo", w("tempo")),
  Lower: word("lower", w("lower")),
  Stretch: word("stretch", w("stretch")),
  Lift: word("lift", w("lift")),
  Squeeze: word("squeeze", w("squeeze")),
  Fast: word("fast", w("fast")),
  DeadStop: word("dead-stop", w("dead[- ]stop"), "dead stop"),
  SecondSqueeze: word("second-squeeze", w("second[- ]squeeze"), "second squeeze"),
  LastRep: word("last-rep", w("last[- ]rep(?!s)"), "last rep"),
  // rest
  Rest: word("rest", w("rest")),
  Most: word("most", w("most")),
  Breath: word("breath", w("breath")),
  Heart: word("heart", w("heart")),
  Below: word("below", w("below")),
  Partner: word("partner", w("partner")),
  // sides
  Both: word("both", w("both")),
  Left: word("left", w("left")),
  Right: word("right", w("right")),
  Each: word("each", w("each")),
  Matched: word("matched", w("matched")),
  Alternating: word("alternating", w("alternating")),
  // set-up, items
  With: word("with", w("with")),
  Between: word("between", w("between")),
  And: word("and", w("and")),
  Movement: word("movement", w("movement")),
  Felt: word("felt", w("felt")),
  Check: word("check", w("check")),
  IfTight: word("if-tight", w("if[- ]tight"), "if tight"),
  PulseRaiser: word("pulse-raiser", w("pulse[- ]raiser")),
  Mobility: word("mobility", w("mobility")),
  PreFatigue: word("pre-fatigue", w("pre[- ]fatigue")),
  SteadyCardio: word("steady-cardio", w("steady[- ]cardio")),
  CoolDown: word("cool-down", w("cool[- ]down")),
  SelfMassage: word("self-massage", w("self[- ]massage")),
  // extensions
  Then: word("then", w("then")),
  Drop: word("drop", w("drops?"), "drop"),
  To: word("to", w("to")),
  First: word("first", w("first")),
  Strip: word("strip", w("strip")),
  Plates: word("plates", w("plates?"), "plates"),
  Down: word("down", w("down")),
  For: word("for", w("for")),
  After: word("after", w("after")),
  RestPause: word("rest-pause", w("rest[- ]pauses?"), "rest-pause"),
  Cluster: word("cluster", w("clusters?"), "cluster"),
  Partials: word("partials", w("partials?"), "partials"),
  Stretched: word("stretched", w("stretched")),
  Mid: word("mid", w("mid")),
  Shortened: word("shortened", w("shortened")),
  Forced: word("forced", w("forced")),
  Self: word("self", w("self")),
  Position: word("position", w("position")),
  Hold: word("hold", w("hold")),
  Breaths: word("breaths", w("breaths?(?=\\s*\\d)"), "breaths"),
  Word,
} as const;

const Blank = createToken({
  name: "blank",
  pattern: /[ \t\u00a0\u2009\u202f]+/,
  group: Lexer.SKIPPED,
});
/** A comma may stand between any two words, for the reader; before a digit it is a decimal comma. */
const Comma = createToken({ name: "comma", pattern: /,/, group: Lexer.SKIPPED });

/**
 * Longer phrases come before the words that they begin with; the lexer takes the first that fits.
 */
const FIRST = [
  T.Clock,
  T.Number,
  T.Quoted,
  T.DeadStop,
  T.SecondSqueeze,
  T.LastRep,
  T.InAll,
  T.OutAndBack,
  T.IfTight,
  T.PulseRaiser,
  T.PreFatigue,
  T.SteadyCardio,
  T.CoolDown,
  T.SelfMassage,
  T.RestPause,
  T.BackOff,
  T.Breaths,
  T.Degrees,
  T.Times,
];

export const ALL_TOKENS: TokenType[] = [
  Blank,
  Comma,
  ...FIRST,
  ...Object.values(T).filter((type) => !FIRST.includes(type)),
];

export const LEXER = new Lexer(ALL_TOKENS, { positionTracking: "onlyOffset" });
