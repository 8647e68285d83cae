import loadHighs, { type Highs } from "highs";
import wasmUrl from "highs/runtime?url";
import { newId } from "~/codec/new-id.ts";
import { judgingIn } from "~/core/coach/index.ts";
import {
  askedOf,
  greedyChoice,
  suggestedDays,
  withGeneralWarmUp,
  type Asked,
  type AskedDay,
  type Choice,
} from "~/core/coach/suggest/index.ts";
import type { MovementRef } from "~/core/kernel/index.ts";
import { solve } from "./solve.ts";
import type {
  DayAsked,
  FromSuggesting,
  Suggestion,
  SuggestionAsked,
  ToSuggest,
} from "./suggesting.ts";

declare const self: DedicatedWorkerGlobalScope;

/** The search ends after so long, in s; starting and telling take a little of the two seconds that are promised. */
const SEARCH = 1.6;

let highs: Promise<Highs> | null = null;
let asked: Asked | null = null;

self.addEventListener("message", ({ data }: MessageEvent<ToSuggest>) => void answer(data));

async function answer(to: ToSuggest): Promise<void> {
  if (to.kind === "take") {
    if (asked !== null) tell(to.request, asked, to.choice, { kind: "unproven" });
    return;
  }
  const now = askedFrom(to.asked);
  asked = now;
  const first = greedyChoice(now.problem);
  tell(to.request, now, first, { kind: "working" });
  highs ??= loadHighs({ locateFile: () => wasmUrl });
  try {
    const { choice, within } = solve(await highs, now.problem, first, { seconds: SEARCH });
    const quality =
      within === null
        ? ({ kind: "unproven" } as const)
        : within === 0
          ? ({ kind: "best" } as const)
          : ({ kind: "within", part: within } as const);
    tell(to.request, now, choice, quality);
  } catch {
    // Where the solver cannot be had, what was found at once stands.
    tell(to.request, now, first, { kind: "unproven" });
  }
}

function tell(request: number, of: Asked, choice: Choice, quality: Suggestion["quality"]) {
  const said: FromSuggesting = {
    request,
    suggestion: { days: suggestedDays(of, choice, newId), quality },
  };
  self.postMessage(said);
}

function askedFrom({ context, movements, days }: SuggestionAsked): Asked {
  const all = movements;
  const byRef = new Map(all.map((movement) => [movement.ref, movement]));
  const catalogue = { all, find: (ref: MovementRef) => byRef.get(ref) ?? null };
  const dayOf = ({ day, gym, plan, ...rest }: DayAsked): AskedDay => {
    const judging = judgingIn(gym, { ...context, day }, catalogue);
    return {
      judging: { ...judging, plan: withGeneralWarmUp(plan, judging, newId) },
      minutes: rest.minutes,
      mostExercises: rest.mostExercises,
      kept: new Map(rest.kept),
      passedOver: new Set(rest.passedOver),
    };
  };
  const [first, ...others] = days;
  return askedOf([dayOf(first), ...others.map(dayOf)], newId);
}
