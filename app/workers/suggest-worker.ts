import loadHighs, { type Highs } from "highs";
import wasmUrl from "highs/runtime?url";
import { newId } from "~/codec/new-id.ts";
import { judgingIn } from "~/core/coach/index.ts";
import {
  askedOf,
  greedyChoice,
  sessionToFill,
  suggestedDays,
  type Asked,
  type AskedDay,
  type Choice,
  type SuggestionQuality,
} from "~/core/coach/suggest/index.ts";
import type { MovementRef } from "~/core/kernel/index.ts";
import { SEARCH_SECONDS, solve } from "./solve.ts";
import type { DayAsked, FromSuggesting, SuggestionAsked, ToSuggest } from "./suggesting.ts";

declare const self: DedicatedWorkerGlobalScope;

let highs: Promise<Highs> | null = null;
/** What was asked last, and by which request. */
let latest: { readonly of: number; readonly asked: Asked } | null = null;

// A failure is told as an error of the worker, which whoever asked hears of.
self.addEventListener("message", ({ data }: MessageEvent<ToSuggest>) => {
  answer(data).catch((error: unknown) => self.reportError(error));
});

async function answer(to: ToSuggest): Promise<void> {
  if (to.kind === "take") {
    if (latest !== null) tell(to.request, latest, to.choice, { kind: "unproven" });
    return;
  }
  const now = { of: to.request, asked: askedFrom(to.asked) };
  latest = now;
  const { problem } = now.asked;
  const first = greedyChoice(problem);
  tell(to.request, now, first, { kind: "working" });
  highs ??= loadHighs({ locateFile: () => wasmUrl });
  try {
    const { choice, within } = solve(await highs, problem, first, { seconds: SEARCH_SECONDS });
    tell(to.request, now, choice, qualityOf(within));
  } catch {
    // Where the solver cannot be had, what was found at once stands.
    tell(to.request, now, first, { kind: "unproven" });
  }
}

function qualityOf(within: number | null): SuggestionQuality {
  if (within === null) return { kind: "unproven" };
  return within === 0 ? { kind: "best" } : { kind: "within", part: within };
}

function tell(
  request: number,
  { of, asked }: NonNullable<typeof latest>,
  choice: Choice,
  quality: SuggestionQuality,
) {
  const days = suggestedDays(asked, choice, newId);
  const said: FromSuggesting = { request, suggestion: { of, days, quality } };
  self.postMessage(said);
}

function askedFrom({ context, movements, days }: SuggestionAsked): Asked {
  const byRef = new Map(movements.map((movement) => [movement.ref, movement]));
  const catalogue = { all: movements, find: (ref: MovementRef) => byRef.get(ref) ?? null };
  const dayOf = ({ day, gym, plan, ...rest }: DayAsked): AskedDay => {
    const judging = judgingIn(gym, { ...context, day }, catalogue);
    return {
      judging: { ...judging, plan: sessionToFill(plan, judging, newId) },
      minutes: rest.minutes,
      mostExercises: rest.mostExercises,
      kept: new Map(rest.kept),
      passedOver: new Set(rest.passedOver),
    };
  };
  const [first, ...others] = days;
  return askedOf([dayOf(first), ...others.map(dayOf)], newId);
}
