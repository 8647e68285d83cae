import type { z } from "zod";
import { FAULTS, MUSCLE_LENGTHS, type Kind } from "~/core/kernel/index.ts";
import {
  TEMPO_PHASES,
  type ACCENTS,
  type DROP_LOADS,
  type EXTENSIONS,
  type HOLD_POSITIONS,
  type LOAD_RULES,
  type PROGRESSIONS,
  type RESTS,
  type TARGETS,
} from "~/core/plan/index.ts";
import { HELPER_NAMES } from "./prescription.ts";
import { sentence } from "./sentence.ts";
import { FAULT_NAMES, LENGTH_NAMES, PHASE_NAMES } from "./training.ts";

/** What a field is called in a form; a field that is a choice names its choices too, in the order shown. */
export type FieldName =
  string | { readonly label: string; readonly choices: Readonly<Record<string, string>> };

type NameOf<F> =
  F extends z.ZodDefault<infer Inner>
    ? NameOf<Inner>
    : F extends z.ZodEnum<infer E>
      ? { readonly label: string; readonly choices: Readonly<Record<keyof E & string, string>> }
      : string;

/** A name for every field of every kind of a family, but ids; one that is forgotten does not compile. */
type FieldNames<T extends Readonly<Record<string, { readonly definition: Kind }>>> = {
  readonly [K in keyof T]: {
    readonly [
      F in Exclude<keyof T[K]["definition"]["fields"], "id" | "lineageId" | "line">
    ]: NameOf<T[K]["definition"]["fields"][F]>;
  };
};

const namesOf = <M extends string>(list: readonly M[], names: Readonly<Record<M, string>>) =>
  Object.fromEntries(list.map((member) => [member, names[member]])) as Record<M, string>;

const OUT_AND_BACK = "out and back";
const COUNTED = { reps: "reps", steps: "steps" };

export const TARGET_FIELDS: FieldNames<typeof TARGETS> = {
  reps: { min: "From", max: "To" },
  repsUntil: {
    min: "From",
    max: "To",
    criterion: { label: "Stop when", choices: namesOf(FAULTS, FAULT_NAMES) },
  },
  limit: { atLeast: "At least", likely: "Likely" },
  seconds: { min: "From, s", max: "To, s" },
  steps: {
    steps: "Steps",
    counted: { label: "Counted", choices: { inAll: "in all", perSide: "with each leg" } },
    outAndBack: OUT_AND_BACK,
  },
  metres: { metres: "Metres", outAndBack: OUT_AND_BACK },
  total: {
    amount: "In all",
    of: { label: "Of", choices: COUNTED },
    likelySets: "Likely sets",
    pause: "Pause, s",
  },
  intervals: { rounds: "Rounds", work: "Work, s", pause: "Pause, s" },
  untilForm: {
    criterion: { label: "Until", choices: namesOf(FAULTS, FAULT_NAMES) },
    likely: "Likely",
  },
  afterBurn: { reps: "After the burn", likely: "Until it burns, about" },
};

export const REST_FIELDS: FieldNames<typeof RESTS> = {
  fixed: { seconds: "Seconds" },
  range: { min: "From, s", max: "To, s" },
  atMost: { seconds: "Seconds" },
  breath: { likely: "Likely, s" },
  heartRate: { below: "Beats a minute", likely: "Likely, s" },
  partner: { likely: "Likely, s" },
};

export const ACCENT_FIELDS: FieldNames<typeof ACCENTS> = {
  deadStop: { seconds: "Seconds" },
  secondSqueeze: { seconds: "Seconds" },
  slowLastRep: {
    phase: { label: "Phase", choices: namesOf(TEMPO_PHASES, PHASE_NAMES) },
    seconds: "Seconds",
  },
};

const UP_TO = "Up to";
const PLUS_MINUS = { plus: "plus", minus: "minus" };

export const LOAD_FIELDS: FieldNames<typeof LOAD_RULES> = {
  absolute: { reading: "Reading" },
  open: {},
  sameAsSet: { set: "As", part: "There" },
  shareOfSet: { share: "Per cent", upTo: UP_TO, set: "Of", part: "There" },
  shareOfPlates: { share: "Per cent of the plates", basis: "Of" },
  massFrom: {
    by: { label: "More or less", choices: PLUS_MINUS },
    mass: "By",
    counted: { label: "Counted", choices: { asRead: "as read", perSide: "per side" } },
    basis: "Than",
  },
  platesFrom: {
    by: { label: "More or less", choices: PLUS_MINUS },
    plates: "Plates per side",
    size: "Of",
    basis: "Than",
  },
  stepsFromSet: { steps: "Steps", set: "From" },
  shareOfMaximum: { share: "Per cent", upTo: UP_TO },
  shareOfUsual: { share: "Per cent", reps: "Of the usual load for, reps" },
  shareOfMovement: { share: "Per cent", upTo: UP_TO, movement: "Of the last load with" },
  fromLast: { steps: "Steps" },
  byEffort: {},
  bodyWeight: {
    by: { label: "Body weight", choices: PLUS_MINUS },
    mass: "By",
  },
  trial: { from: "From", steps: "Steps up", tries: "Tries" },
  fallback: { reading: "Reading", then: "Else" },
};

export const DROP_FIELDS: FieldNames<typeof DROP_LOADS> = {
  share: {
    share: "Per cent",
    of: { label: "Of", choices: { current: "of the load before", first: "of the first load" } },
  },
  lessBy: {
    share: "Per cent less",
    of: { label: "Of", choices: { current: "of the load before", first: "of the first load" } },
  },
  strip: { plates: "Plates" },
  steps: { steps: "Steps down" },
  reading: { reading: "Reading" },
  bodyweight: {},
};

export const HOLD_FIELDS: FieldNames<typeof HOLD_POSITIONS> = {
  stretched: {},
  shortened: {},
  angle: { degrees: "Degrees" },
};

const WAITS = { label: "Kept", choices: { exactly: "exactly", atMost: "at most" } };

export const EXTENSION_FIELDS: FieldNames<typeof EXTENSIONS> = {
  drop: { to: "Goes by", restBefore: "Wait before, s", waits: WAITS, target: "Asked for" },
  restPause: { pauses: "Pauses", pause: "Each, s", waits: WAITS, target: "Asked for" },
  cluster: {
    groups: "Groups",
    pause: "Pause, s",
    waits: WAITS,
    multiple: "% of the first load",
    target: "Asked for",
  },
  partials: {
    where: { label: "Where the muscle is", choices: namesOf(MUSCLE_LENGTHS, LENGTH_NAMES) },
    target: "Asked for",
  },
  forced: {
    by: {
      label: "With help from",
      choices: { self: sentence(HELPER_NAMES.self), partner: sentence(HELPER_NAMES.partner) },
    },
    target: "Asked for",
  },
  positionChange: { setUp: "Position from here", target: "Asked for" },
  endHold: { at: "Where", seconds: "Seconds" },
  breather: { breaths: "Breaths", target: "Asked for" },
};

const AFTER = "After sessions";

export const PROGRESSION_FIELDS: FieldNames<typeof PROGRESSIONS> = {
  doubleProgression: {
    decides: {
      label: "Decided by",
      choices: { weakest: "the weakest set", eachSet: "each set by itself" },
    },
  },
  smallestStep: { after: AFTER },
  fixedIncrement: {
    by: "Add",
    counted: { label: "Counted", choices: { asRead: "in all", perSide: "per side" } },
    after: AFTER,
  },
  totalReps: { goal: "Reps in all" },
  beatLast: { by: "More reps", from: "After a step from" },
  effortAnchored: { most: "At most, %" },
  addSets: { min: "Sets from", max: "To", after: AFTER },
  density: { max: "Rest from, s", min: "Down to, s", by: "Less each time, s" },
  constraintFirst: {
    what: {
      label: "Stricter",
      choices: {
        lower: "slower lowering",
        stretch: "pause stretched",
        squeeze: "squeeze at the top",
        hold: "hold at the end",
        range: "full range",
        setUp: "harder set-up",
      },
    },
    min: "From, s",
    max: "To, s",
    by: "More each time, s",
  },
  techniqueFirst: { clean: "Clean sessions" },
  taper: {
    max: "Reps from",
    min: "To",
    by: "Fewer each time",
    steps: "Steps up",
    lighter: "Lighter session, % of the test",
  },
  limitSets: { every: "Every, sessions" },
  hardSets: { goal: "Hard sets" },
  keepLoad: {},
  byHand: {},
};
