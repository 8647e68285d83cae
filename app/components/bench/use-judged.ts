import { useMemo } from "react";
import type { Approach, Brief } from "~/core/person/index.ts";
import {
  sessionDuration,
  slotDurations,
  checkPlan,
  surroundingsOf,
  unroll,
} from "~/core/unroll/index.ts";
import { findingsIn, judge, type OtherSession } from "~/core/coach/index.ts";
import type { Catalogue } from "~/core/movement/catalogue/index.ts";
import type { SessionPlan } from "~/core/plan/index.ts";
import type { Mass } from "~/core/kernel/index.ts";
import {
  surroundingsFrom,
  type StrengthRecords,
  type StrengthRules,
} from "~/core/progress/index.ts";
import type { Station } from "~/core/gym/index.ts";
import type { Draft } from "./draft.ts";

/** What a draft is judged by. */
export interface Known {
  readonly stations: readonly Station[];
  readonly rules: StrengthRules;
  readonly strengthRecords: StrengthRecords;
  readonly brief: Brief;
  readonly approach: Approach;
  readonly bodyWeight: Mass | null;
  readonly others: readonly (Omit<OtherSession, "plan" | "around"> & {
    readonly document: SessionPlan;
  })[];
  readonly year: number;
  readonly readiness: number | null;
}

/** Everything that follows from the draft: steps, times, issues, coverage and findings. */
export function useJudged(draft: Draft, known: Known, catalogue: Catalogue) {
  const { stations, rules, strengthRecords, brief, approach, bodyWeight, others, year, readiness } =
    known;
  const { gymId } = draft.head;
  const here = useMemo(() => stations.filter((s) => s.gymId === gymId), [stations, gymId]);
  const looked = useMemo(
    () => surroundingsFrom(strengthRecords, bodyWeight, rules),
    [strengthRecords, bodyWeight, rules],
  );
  const around = useMemo(
    () => surroundingsOf(here, catalogue.find, looked),
    [here, catalogue, looked],
  );
  const week = useMemo(() => {
    const everywhere = surroundingsOf(stations, catalogue.find, looked);
    return others.map(({ document, ...other }) => ({
      ...other,
      plan: document,
      around: everywhere,
    }));
  }, [others, stations, catalogue, looked]);
  return useMemo(() => {
    const steps = unroll(draft.plan, around);
    const judged = judge({
      plan: draft.plan,
      around,
      others: week,
      brief,
      approach,
      catalogue: catalogue.all,
      stations: here,
      year,
      readiness,
    });
    return {
      here,
      around,
      steps,
      duration: sessionDuration(steps),
      durations: slotDurations(steps),
      issues: checkPlan(draft.plan, around),
      judged,
      findings: findingsIn(judged),
    };
  }, [draft.plan, around, week, brief, approach, here, year, readiness, catalogue]);
}
