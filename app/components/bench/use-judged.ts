import { useMemo } from "react";
import { assess, judgingIn, type CoachingContext } from "~/core/coach/index.ts";
import type { Catalogue } from "~/core/movement/catalogue/index.ts";
import type { Draft } from "./draft.ts";

/** Everything that follows from the draft; what does not depend on it is worked out once. */
export function useJudged(draft: Draft, known: CoachingContext, catalogue: Catalogue) {
  const { gymId } = draft.head;
  const judging = useMemo(() => judgingIn(gymId, known, catalogue), [gymId, known, catalogue]);
  return useMemo(() => assess(draft.plan, judging), [draft.plan, judging]);
}
