import {
  addSeconds,
  applied,
  kindsOf,
  unionOf,
  type FamilyOf,
  type Seconds,
} from "../kernel/index.ts";
import type { Added } from "./accent-adds.ts";
import * as deadStop from "./accent/dead-stop.ts";
import * as secondSqueeze from "./accent/second-squeeze.ts";
import * as slowLastRep from "./accent/slow-last-rep.ts";
import type { Tempo } from "./tempo.ts";

/** The kinds of accents; the only list of them. */
export const ACCENTS = { deadStop, secondSqueeze, slowLastRep } as const;

/**
 * What is done to repetitions beyond their tempo. A hold at either end of every rep is a tempo phase
 * (`stretch`, `squeeze`) and a hold once at the end is the extension `endHold`, so neither is said here.
 */
export type Accent = FamilyOf<typeof ACCENTS>;
export const ACCENT_KINDS = kindsOf(ACCENTS);
export const accentField = unionOf(ACCENTS);

/** An accent as coaches usually begin with it. */
export function accentOfKind(kind: Accent["kind"]): Accent {
  return ACCENTS[kind].begin();
}

/** Seconds that accents add to one repetition, and once to the set. */
export function accentSeconds(accents: readonly Accent[], tempo: Tempo, usual: Seconds): Added {
  const added = accents.map((accent) => applied(ACCENTS, "adds", accent, tempo, usual));
  return {
    perRep: addSeconds(...added.map(({ perRep }) => perRep)),
    once: addSeconds(...added.map(({ once }) => once)),
  };
}
