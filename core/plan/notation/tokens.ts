import { createLexer, type Lexer, type Rule, type Token } from "leac";

/** What has no fixed text: a number, a time, a name in quotes, a tempo of four numbers. */
export type OpenToken = "number" | "clock" | "quoted" | "shortTempo";

/** What may stand at a place: a word as it is written, or one of the kinds without fixed text. */
export type Expectation = { readonly word: string } | { readonly kind: OpenToken };

interface WordType {
  readonly pattern: RegExp;
  /** How it is written, for whoever is told that it may stand somewhere; null for what nobody is told. */
  readonly expectation: Expectation | null;
}

/**
 * A whole word: "left" is not the beginning of "lefty" nor "range" of "range-shortens", while "20s" is a number and
 * a unit.
 */
const word = (pattern: string, text: string = pattern): WordType => ({
  pattern: new RegExp(`(?:${pattern})(?!-?[a-z])`, "i"),
  expectation: { word: text },
});
const sign = (pattern: RegExp, text: string): WordType => ({
  pattern,
  expectation: { word: text },
});
const open = (kind: OpenToken, pattern: RegExp): WordType => ({ pattern, expectation: { kind } });

/**
 * Every word of the written line by its name here. The first that fits is taken, so that longer phrases come
 * before the words that they begin with.
 */
const WORDS = {
  /** "10,8,6" or "10/8/6" where sets begin: only there is a comma before a digit no decimal comma. */
  list: {
    pattern:
      /(?<=(?:^|[;:\n]|[x×]|\b(?:of|work|top|back-?off|burn-?out|warm[- ]?ups?|feeders?|ramps?|primer|work-?ups?))\s*)(?:\d{1,3}(?:\s*[,/]\s*\d{1,3}){2,}|\d{1,3}(?:\s*\/\s*|,\s+)\d{1,3})(?=\s*(?:[;\n@+]|$|\/\s*(?:leg|side)|(?:reps?|at|then|to failure|beyond|rir\s*\d|rpe\s*\d|tempo|rest|per|each|left|right|drop)\b))/i,
    expectation: null,
  },
  /** "3-1-X-0", or "31X0" behind "tempo". */
  shortTempo: open(
    "shortTempo",
    /(?:\d{1,2}|x)(?:[-–/](?:\d{1,2}|x)){3}(?![-–/\w.])|(?<=tempo\s*)[\dx]{4}(?!\w)/i,
  ),
  clock: open("clock", /\d{1,3}:[0-5]\d/),
  number: open("number", /\d+(?:[.,]\d+)?/),
  quoted: open("quoted", /["“”](?:[^"“”\\\n]|\\.)*["“”]/),
  deadStop: word("dead[- ]stop", "dead stop"),
  secondSqueeze: word("second[- ]squeeze", "second squeeze"),
  lastRep: word("last[- ]rep(?!s)", "last rep"),
  perSide: word("(?:per|a)[- ]side", "per side"),
  perLeg: sign(
    /(?:\/ *|(?:per|each|a)[- ]?)leg(?![a-z])|(?:\/ *|each[- ]?)side(?![a-z])/i,
    "per leg",
  ),
  inAll: word("in[- ]all", "in all"),
  outAndBack: word("out[- ]and[- ]back", "out and back"),
  ifTight: word("if[- ]tight", "if tight"),
  pulseRaiser: word("pulse[- ]raiser", "pulse-raiser"),
  preFatigue: word("pre[- ]fatigue", "pre-fatigue"),
  steadyCardio: word("steady[- ]cardio", "steady-cardio"),
  coolDown: word("cool[- ]down", "cool-down"),
  selfMassage: word("self[- ]massage", "self-massage"),
  restPause: word("rest[- ]pauses?", "rest-pause"),
  dropSet: word("drop[- ]?sets?", "drop set"),
  backOff: word("back-?off", "back-off"),
  breaths: word("breaths?(?=\\s*\\d)", "breaths"),
  degrees: sign(/°|deg(?:rees)?\b/i, "deg"),
  times: sign(/×|x(?![a-z])/i, "x"),
  /** Sets are told apart by semicolons or by lines; empty ones between them do no harm. */
  separator: sign(/(?:;|\r?\n)(?:[\s,]*(?:;|\r?\n))*/, ";"),
  colon: sign(/:/, ":"),
  dash: sign(/[-–—]/, "-"),
  percent: sign(/%/, "%"),
  plusSign: sign(/\+/, "+"),

  all: word("all"),
  optional: word("optional"),
  // roles
  ramp: word("warm[- ]?ups?|ramps?", "warm-up"),
  primer: word("feeders?|primer", "feeder"),
  calibration: word("work-?ups?|calibration|calibrate", "work-up"),
  work: word("work"),
  top: word("top"),
  burnout: word("burn-?out", "burnout"),
  // targets
  reps: word("reps?", "reps"),
  steps: word("steps?", "steps"),
  max: word("max(?:imum)?|amrap", "max"),
  least: word("least"),
  about: word("about"),
  total: word("total"),
  in: word("in"),
  sets: word("sets"),
  pause: word("pause"),
  intervals: word("intervals?", "intervals"),
  until: word("until"),
  burn: word("burn"),
  // units
  kg: word("kgs?", "kg"),
  lb: word("lbs?", "lb"),
  s: word("s(?:ec(?:onds?)?)?", "s"),
  min: word("min(?:utes?)?", "min"),
  m: word("m(?:et(?:re|er)s?)?", "m"),
  // loads
  at: sign(/at(?!-?[a-z])|@/i, "at"),
  of: word("of"),
  set: word("set"),
  exercise: word("exercise"),
  before: word("before"),
  part: word("part"),
  minus: word("minus"),
  plus: word("plus"),
  last: word("last"),
  effort: word("effort"),
  open: word("open"),
  body: word("body(?:[- ]?weight)?", "body"),
  trial: word("trial"),
  up: word("up"),
  tries: word("tries"),
  else: word("else"),
  as: word("as"),
  usual: word("usual"),
  // effort
  rir: word("rir", "RIR"),
  rpe: word("rpe", "RPE"),
  beyond: word("beyond"),
  failure: word("failure"),
  leave: word("leav(?:e|ing)", "leave"),
  over: word("over"),
  many: word("many"),
  none: word("none"),
  unknown: word("unknown"),
  past: word("past"),
  limit: word("limit"),
  // tempo; older lines say "stretch" for the pause
  stretch: word("stretch"),
  tempo: word("tempo"),
  range: word("range"),
  full: word("full"),
  lower: word("lower"),
  lift: word("lift"),
  squeeze: word("squeeze"),
  fast: word("fast"),
  // rest
  rest: word("rest"),
  most: word("most"),
  breath: word("breath"),
  heart: word("heart"),
  below: word("below"),
  partner: word("partner"),
  // sides
  both: word("both"),
  left: word("left"),
  right: word("right"),
  each: word("each"),
  matched: word("matched"),
  alternating: word("alternating"),
  // set-up, items
  with: word("with"),
  wear: word("wear(?:ing)?", "wear"),
  between: word("between"),
  and: word("and"),
  movement: word("movement"),
  felt: word("felt"),
  check: word("check"),
  mobility: word("mobility"),
  // extensions
  then: word("then"),
  drop: word("drops?", "drop"),
  to: word("to"),
  by: word("by"),
  first: word("first"),
  strip: word("strip"),
  plates: word("plates?", "plates"),
  down: word("down"),
  for: word("for"),
  after: word("after"),
  cluster: word("clusters?", "cluster"),
  partials: word("partials?", "partials"),
  stretched: word("stretched"),
  mid: word("mid"),
  shortened: word("shortened"),
  forced: word("forced"),
  self: word("self"),
  position: word("position"),
  hold: word("hold"),
  /** A word that the notation does not know, or one of a closed list: a fault, a region. */
  anyWord: { pattern: /[a-z]+(?:-[a-z]+)*/i, expectation: null },
} as const satisfies Readonly<Record<string, WordType>>;

export type WordName = keyof typeof WORDS;

/** How the named word is written; empty for what has no fixed text. */
export function textOfWord(name: WordName): string {
  const expectation = expectationOf(name);
  return expectation !== null && "word" in expectation ? expectation.word : "";
}

/** What the named word expects where it may stand; null for a word that is not told. */
export function expectationOf(name: WordName): Expectation | null {
  return WORDS[name].expectation;
}

/** A comma may stand between any two words, for the reader; before a digit it is a decimal comma. */
const BLANK: Rule & { readonly regex: RegExp } = {
  name: "blank",
  regex: /[ \t\u00a0\u2009\u202f,]+/,
  discard: true,
};

/** Cuts a text into words; it stops at the first character that begins none. */
export const LEXER: Lexer = createLexer(
  [BLANK, ...Object.entries(WORDS).map(([name, { pattern: regex }]) => ({ name, regex }))],
  { lineNumbers: false },
);

export type { Token };
