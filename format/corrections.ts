import { assertNever } from "~/core/kernel/index.ts";
import type { Correction } from "~/core/log/index.ts";
import { formatLoggedSet } from "./exposure.ts";
import { formatRir } from "./training.ts";

const OTHER = {
  pain: "Pain was recorded after the end",
  note: "A note was changed after the end",
  skip: "An exercise was marked as skipped after the end",
  unskip: "A skipped exercise was taken up again after the end",
  items: "Warm-up, conditioning or cool-down was marked done or skipped after the end",
  checkIn: "The check-in was changed after the end",
  swap: "An exercise was swapped after the end",
  addExercise: "An exercise was added after the end",
  addSet: "A set was added after the end",
  reorder: "The order was changed after the end",
  takeBack: "A change of the session was taken back after the end",
  context: "How an exercise was done was changed after the end",
} as const;

/** "60 kg × 12, RIR 2 → 60 kg × 11, RIR 1" */
export function formatCorrection(correction: Correction): string {
  switch (correction.kind) {
    case "changed":
      return `${withEffort(correction.before)} → ${withEffort(correction.after)}`;
    case "removed":
      return `${withEffort(correction.before)} removed`;
    case "added":
      return `${withEffort(correction.after)} logged after the end`;
    case "reopened":
      return "Session reopened";
    case "endedAgain":
      return "Session ended again";
    case "other":
      return OTHER[correction.about];
    default:
      return assertNever(correction);
  }
}

const withEffort = (loggedSet: Parameters<typeof formatLoggedSet>[0]) =>
  `${formatLoggedSet(loggedSet)}, ${formatRir(loggedSet.rir)}`;

/** What stood in the way of a correction. */
export function formatCorrectionError(
  error:
    | { readonly code: "changedMeanwhile" }
    | { readonly code: "notALoad"; readonly error: { readonly text: string } },
): string {
  return error.code === "changedMeanwhile"
    ? "This set was corrected or removed in the meantime. The page now shows it as it is; correct it again if it is still wrong."
    : `“${error.error.text}” is not a load; write like 82.5, or nothing where it is unknown.`;
}

/** What stood in the way of deciding again. */
export function formatReconsiderError(error: {
  readonly code: "changedMeanwhile" | "undecided" | "reasonMissing";
}): string {
  switch (error.code) {
    case "changedMeanwhile":
      return "The session, or the one planned from it, changed again in the meantime. The page now shows what holds; decide again.";
    case "undecided":
      return "Your decision is needed for each of them.";
    case "reasonMissing":
      return "Expected a reason for what is left as planned; it is kept with the decision.";
    default:
      return assertNever(error.code);
  }
}
