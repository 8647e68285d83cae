import { type Id, ticksOf, type Mass } from "../kernel/index.ts";
import { stepDurations } from "./duration.ts";
import { isSetStep, type SetStep, type Step } from "./step.ts";

/** One step of a session as a bar of its timeline: where it lies in time, and how heavy it is. */
export interface TimelineBar {
  readonly slotId: Id<"slot"> | null;
  /** Seconds from the beginning of the session, likely case. */
  readonly start: number;
  readonly workSeconds: number;
  /** The share of the heaviest load of what it is scaled to, 0 to 1; null where the load is not known. */
  readonly height: number | null;
  readonly kind: Step["kind"];
  readonly role: SetStep["role"] | null;
  readonly reading: Mass | null;
}

/** What a load is drawn against: the heaviest of its exercise, or of the whole session. */
export const TIMELINE_SCALES = ["exercise", "session"] as const;
export type TimelineScale = (typeof TIMELINE_SCALES)[number];

/**
 * The likely course of a session: for each step when it begins, how long its work lasts and how heavy it is
 * against the heaviest of what it is scaled to, so that pyramids, drops and density are seen. What lies between
 * two bars is rest, handling and moving. Bars never overlap, and the last one ends within the session's duration.
 */
export function timelineOf(
  steps: readonly Step[],
  scale: TimelineScale = "exercise",
): readonly TimelineBar[] {
  const durations = stepDurations(steps);
  const heaviest = new Map<string, number>();
  const against = (step: SetStep) => (scale === "session" ? scale : step.slotId);
  const weightOf = (step: SetStep) =>
    step.load.kind === "made" ? ticksOf(step.load.total ?? step.load.reading) : null;
  for (const step of steps) {
    if (!isSetStep(step)) continue;
    const weight = weightOf(step) ?? 0;
    heaviest.set(against(step), Math.max(heaviest.get(against(step)) ?? 0, weight));
  }
  let at = 0;
  return steps.map((step, i): TimelineBar => {
    const whole = durations[i]?.likely ?? 0;
    const work = Math.min(whole, (step.workSeconds.min + step.workSeconds.max) / 2);
    const wait = step.restAfter.likely;
    // What is handled lies before the work, the rest behind it; the last rest is not waited for.
    const behind = i === steps.length - 1 ? 0 : Math.min(wait, whole - work);
    const start = at + Math.max(0, whole - work - behind);
    at += whole;
    const weight = isSetStep(step) ? weightOf(step) : null;
    const top = isSetStep(step) ? (heaviest.get(against(step)) ?? 0) : 0;
    return {
      slotId: step.slotId,
      start,
      workSeconds: work,
      height: weight === null || top === 0 ? null : weight / top,
      kind: step.kind,
      role: isSetStep(step) ? step.role : null,
      reading: isSetStep(step) && step.load.kind === "made" ? step.load.reading : null,
    };
  });
}
