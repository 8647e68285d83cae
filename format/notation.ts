import type { Expectation, NotationError, OpenToken } from "~/core/plan/notation/index.ts";
import { BOUNDS, GEAR_NAME, type BoundName } from "~/core/plan/index.ts";
import { assertNever } from "~/core/kernel/index.ts";

const BOUND_NAMES: Readonly<Record<BoundName, string>> = {
  amount: "reps or steps",
  possibleReps: "reps",
  metres: "metres",
  sets: "sets of one exercise",
  extensions: "parts behind one set",
  repeats: "times",
  work: "seconds of work",
  hold: "seconds of a hold",
  rest: "seconds of rest",
  pause: "seconds of a pause",
  accent: "seconds",
  phase: "seconds of one phase",
  heartRate: "beats a minute",
  degrees: "degrees",
  felt: "out of ten",
  percent: "per cent",
  dropPercent: "per cent",
  plates: "plates",
  steps: "steps of the equipment",
  stepsEitherWay: "steps of the equipment",
  tries: "tries",
  fallbacks: "loads to fall back on",
  sessions: "sessions",
  gain: "reps",
  lineSets: "sets",
  stepPercent: "per cent",
  secondsMore: "seconds",
  setsEitherWay: "sets more or fewer",
  rirEitherWay: "RIR more or fewer",
  weekPercent: "a share of the load",
};

const TWICE: Readonly<Record<string, string>> = {
  load: "the load",
  effort: "the RIR",
  phase: "this phase of the tempo",
  rest: "the rest",
  side: "the side",
  setUp: "the set-up",
  bounds: "this load limit",
  tempoAs: "whose tempo it has",
  range: "the range",
  gear: "the gear, or more than six",
  between: "what is done in the rest",
  optional: "“optional”",
  accent: "more than three accents",
};

/** What is wrong at a place of the written line, and what was expected there. */
export function formatNotationError(error: NotationError): string {
  switch (error.code) {
    case "character":
      return `“${error.text}” means nothing here.`;
    case "tooLong":
      return "The line is too long to be read; split the sets over several exercises.";
    case "expected":
      return `${error.found === "" ? "Something is missing at the end" : `“${error.found}” does not fit here`}; expected ${oneOf(error.expected.map(formatExpectation))}.`;
    case "bound": {
      const { least, most } = BOUNDS[error.bound];
      const drop = error.bound === "dropPercent" ? " A drop gets lighter." : "";
      return `Expected ${least} to ${most} ${BOUND_NAMES[error.bound]}, not ${error.value}.${drop}`;
    }
    case "noTime":
      return `To ${error.phase} takes time: expected more than 0 seconds, or fast.`;
    case "whole":
      return `Expected a whole number, not ${error.value}.`;
    case "upsideDown":
      return `${error.min} to ${error.max} runs backwards; write the lower number first.`;
    case "noLoadBetween":
      return "At least is above at most: no load lies between.";
    case "oneNumber":
      return "Steps and metres take one number, no range.";
    case "twice":
      return `Said twice for one set: ${TWICE[error.what] ?? `“${error.what}”`}.`;
    case "mass":
      return `${error.value} is no load: at most three decimals and 9999.`;
    case "listCount":
      return `${error.listed} reps are listed for ${error.sets} ${error.sets === 1 ? "set" : "sets"}.`;
    case "reserve":
      return `RIR is 0 to 5 by halves, or over 5; ${error.value} is neither.`;
    case "noSet":
      return error.exercise === null
        ? `There is no set ${error.number} here.`
        : `There is no set ${error.number} in exercise ${error.exercise} before this one.`;
    case "notBefore":
      return error.number === 0
        ? "There is no set before the first one."
        : `Set ${error.number} does not come before this set; a load can only follow from one that does.`;
    case "noPart":
      return `That set has no part ${error.number}; parts are what follows “then”.`;
    case "id":
      return "Expected the number of a set.";
    case "noMovement":
      return `No exercise is called “${error.name}”.`;
    case "noWord":
      return `“${error.word}” is not known here; expected ${oneOf(error.choices)}.`;
    case "gear":
      return `Expected a name of 1 to ${GEAR_NAME} letters.`;
    case "unnamed":
      return "What is done in the rest needs a name in quotes, or an exercise.";
    default:
      return assertNever(error);
  }
}

const OPEN_NAMES: Readonly<Record<OpenToken, string>> = {
  number: "a number",
  clock: "a time like 1:30",
  quoted: "a name in quotes",
  shortTempo: "a tempo like 3-1-1-0",
};

function formatExpectation(expected: Expectation): string {
  return "word" in expected ? expected.word : OPEN_NAMES[expected.kind];
}

/** "a, b or c", the first eight of many. */
function oneOf(words: readonly string[]): string {
  const shown = words.slice(0, 8);
  const last = words.length > shown.length ? "another word of the notation" : (shown.pop() ?? "");
  return shown.length === 0 ? last : `${shown.join(", ")} or ${last}`;
}
