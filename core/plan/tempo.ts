import { z } from "zod";
import { addSeconds, seconds, type Seconds } from "../kernel/index.ts";
import { isWithin } from "./bounds.ts";

/** One phase of a repetition: seconds, as fast as possible, or left open. */
export type TempoPhase = number | "explosive" | null;

/** Named phases, so that neither of the two written orders can be misread. */
export interface Tempo {
  readonly lower: TempoPhase;
  readonly stretch: TempoPhase;
  readonly lift: TempoPhase;
  readonly squeeze: TempoPhase;
}

export const TEMPO_PHASES = ["lower", "stretch", "lift", "squeeze"] as const;
export type TempoPhaseName = (typeof TEMPO_PHASES)[number];

/**
 * How the four numbers of a short tempo are read: lowering first whatever the exercise, or in the order in which the
 * exercise happens (a deadlift is lifted first).
 */
export const TEMPO_ORDERS = ["eccentricFirst", "asItHappens"] as const;
export type TempoOrder = (typeof TEMPO_ORDERS)[number];

/** Nothing prescribed: the movement's usual repetition. */
export const OPEN_TEMPO: Tempo = { lower: null, stretch: null, lift: null, squeeze: null };

/** True when no phase is prescribed. */
export function isOpenTempo(tempo: Tempo): boolean {
  return TEMPO_PHASES.every((phase) => tempo[phase] === null);
}

/** True for a phase that can be prescribed: 0 to 30 s, "explosive", or open. */
export function isTempoPhase(phase: unknown): phase is TempoPhase {
  if (phase === null || phase === "explosive") return true;
  return typeof phase === "number" && isWithin(phase, "phase");
}

const tempoPhaseField = z.custom<TempoPhase>(
  isTempoPhase,
  "expected 0 to 30 s, explosive or nothing",
);
export const tempoField = z
  .object({
    lower: tempoPhaseField,
    stretch: tempoPhaseField,
    lift: tempoPhaseField,
    squeeze: tempoPhaseField,
  })
  .readonly();

/** True for seconds of this phase: there may be no pause, but to lower and to lift takes time. */
export function isPhaseTime(name: TempoPhaseName, value: number): boolean {
  return isWithin(value, "phase") && (value > 0 || name === "stretch" || name === "squeeze");
}

/** An explosive phase takes about this long; the pace is the trainee's, so it is only an estimate. */
const EXPLOSIVE_SECONDS = 0.7;

/**
 * Duration of one repetition. Open phases share what the movement's usual repetition leaves after the
 * prescribed ones, and a wholly open tempo takes the usual repetition.
 * Source: our rule, docs/arithmetic.md § Time.
 */
export function repSeconds(tempo: Tempo, usual: Seconds): Seconds {
  const phases = TEMPO_PHASES.map((phase) => tempo[phase]);
  const written = addSeconds(
    ...phases.map((p) => seconds(p === null ? 0 : p === "explosive" ? EXPLOSIVE_SECONDS : p)),
  );
  if (!phases.includes(null)) return written;
  const openMoves = (tempo.lower === null ? 1 : 0) + (tempo.lift === null ? 1 : 0);
  const leastForOpen = openMoves * 1;
  return seconds(Math.max(written + leastForOpen, usual));
}

/** The phases in the order in which the movement happens, from the phase it starts with. */
export function phasesFrom(start: "lower" | "lift"): readonly TempoPhaseName[] {
  return start === "lower"
    ? ["lower", "stretch", "lift", "squeeze"]
    : ["lift", "squeeze", "lower", "stretch"];
}

/** The phases as the four numbers of a short tempo say them: by the studio's order, for a movement that starts so. */
export function shortTempoOrder(
  order: TempoOrder,
  start: "lower" | "lift",
): readonly TempoPhaseName[] {
  return order === "asItHappens" ? phasesFrom(start) : TEMPO_PHASES;
}

/** True when every phase is the same. */
export function sameTempo(a: Tempo, b: Tempo): boolean {
  return TEMPO_PHASES.every((phase) => a[phase] === b[phase]);
}
