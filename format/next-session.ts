import { assertNever, type Mass } from "~/core/kernel/index.ts";
import type { MadeLoad } from "~/core/gym/index.ts";
import { formatMass } from "./numbers.ts";

/** What stood in the way of planning the next session. */
export type PlanNextProblem =
  | { readonly code: "malformed" }
  | { readonly code: "missing" }
  | { readonly code: "proposalChanged" }
  | { readonly code: "notALoad"; readonly text: string }
  | { readonly code: "notEnded" }
  | { readonly code: "settled" }
  | { readonly code: "undecided" }
  | { readonly code: "reasonMissing" }
  | {
      readonly code: "cannotBeMade";
      readonly reading: Mass;
      readonly easier: MadeLoad | null;
      readonly harder: MadeLoad | null;
    };

export function formatPlanNextError(error: PlanNextProblem): string {
  switch (error.code) {
    case "malformed":
      return "The decisions were not understood; load the page again.";
    case "missing":
      return "This session is gone; its client was erased perhaps.";
    case "proposalChanged":
      return "This proposal changed since the page was loaded: sets came in late or were corrected. Look at it again, then decide.";
    case "notALoad":
      return `“${error.text}” is not a load; write like 82.5.`;
    case "notEnded":
      return "The session is still running; end it first.";
    case "settled":
      return "The next session was planned already, perhaps by someone else. Load the page again to see it.";
    case "undecided":
      return "Your decision is needed: accept it, or change it with a reason.";
    case "reasonMissing":
      return "Expected a reason; it is kept with the decision.";
    case "cannotBeMade": {
      const near = [error.easier, error.harder].flatMap((load) =>
        load === null ? [] : [formatMass(load.reading)],
      );
      return `${formatMass(error.reading)} cannot be made here; the nearest are ${near.join(" and ")}.`;
    }
    default:
      return assertNever(error);
  }
}
