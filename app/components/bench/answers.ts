import { use, useEffect, useRef, useState } from "react";
import {
  fixesFor,
  waysToShorten,
  type Finding,
  type Fix,
  type Judged,
  type Judging,
  type Told,
} from "~/core/coach/index.ts";
import type { NewId } from "~/core/kernel/index.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import { formatFix, formatShortening } from "~/format/findings.ts";
import type { MuscleNames } from "~/format/muscles.ts";
import { useMuscles } from "../wording.ts";
import { JudgedContext } from "./bench-context.ts";

/** What answers a finding; for too little time also what each saves and costs. */
export function answersTo(
  finding: Finding,
  judged: Judging,
  newId: NewId,
  approachName: string,
  find: FindMovement,
  muscles: MuscleNames,
): readonly { readonly fix: Fix; readonly about: string | null }[] {
  return finding.fact.code === "overCap"
    ? waysToShorten(judged, newId).map((way) => ({
        fix: way.fix,
        about: formatShortening(way, approachName, find, muscles),
      }))
    : fixesFor(finding, judged, newId).map((fix) => ({ fix, about: null }));
}

/** The names of exercises in a session that was judged; empty for one that is gone. */
export const nameOfSlotIn = (judged: Judged) => (id: string) =>
  judged.slots.find(({ slot }) => slot.id === id)?.movement.name ?? "";

/** The first thing that answers a finding. */
export interface FirstAnswer {
  readonly fix: Fix;
  readonly text: string;
}

/** So long nothing is written, in ms, before answers are looked for: each tries the session with a change. */
const QUIET = 400;

/**
 * The first answer to each finding, by its key, looked for one after the other once nothing is written for a while. What
 * was found for the session before stays until then. Moving to another day is left to the opened finding, since it
 * saves at once.
 */
export function useFirstAnswers(
  told: readonly Told[],
  newId: NewId,
  approachName: string,
  find: FindMovement,
): ReadonlyMap<string, FirstAnswer> {
  const judged = use(JudgedContext);
  const muscles = useMuscles();
  const [answers, setAnswers] = useState<ReadonlyMap<string, FirstAnswer>>(new Map());
  const asked = told.map(([{ key }]) => key).join("\n");
  const wanted = useRef(told);
  useEffect(() => {
    wanted.current = told;
  });
  useEffect(() => {
    if (judged === null) return undefined;
    let timer = 0;
    const found = new Map<string, FirstAnswer>();
    const next = (rest: readonly Told[]) => {
      const [now, ...later] = rest;
      if (now === undefined) {
        setAnswers(found);
        return;
      }
      const [finding] = now;
      const fix = answersTo(finding, judged, newId, approachName, find, muscles)
        .map((answer) => answer.fix)
        .find(({ kind }) => kind !== "moveToOtherDay");
      if (fix !== undefined) {
        const text = formatFix(fix, nameOfSlotIn(judged));
        found.set(finding.key, { fix, text });
      }
      timer = window.setTimeout(() => next(later), 0);
    };
    timer = window.setTimeout(() => next(wanted.current), QUIET);
    return () => window.clearTimeout(timer);
  }, [asked, judged, newId, approachName, find, muscles]);
  return answers;
}
