import { assertNever, seconds } from "../kernel/index.ts";
import type { ExposedSet } from "../log/index.ts";
import type { Constraint } from "../plan/index.ts";
import type { Facts } from "./judged-line.ts";
import type { Reason } from "./proposal.ts";
import { variedBy } from "./varied.ts";

/** More than this share off what was asked, and a rest or a hold was not kept. Source: our rule. */
const KEPT = 0.2;

/** What the rule varies and was not kept in the last session, so that reaching it proves nothing; null where all was. */
export function notKept({ line, sets, isRestShared }: Facts): Reason | null {
  const [first] = line.sets;
  const varied = variedBy(line.rule);
  const loose = (what: Constraint, is: (set: ExposedSet) => boolean): Reason | null =>
    sets.some(is) ? { code: "notStrict", what } : null;
  switch (varied) {
    case "rest": {
      if (isRestShared || first.restAfter.kind !== "fixed") return null;
      const asked = first.restAfter.seconds;
      // The first set has no rest between it and another of the exercise.
      const longest = sets.slice(1).flatMap(({ conditions }) => conditions.restBefore ?? []);
      const taken = Math.max(0, ...longest);
      return taken > asked * (1 + KEPT)
        ? { code: "restLonger", asked, taken: seconds(Math.round(taken)) }
        : null;
    }
    case "lower":
    case "stretch":
    case "squeeze": {
      const asked = first.tempo[varied];
      return typeof asked !== "number"
        ? null
        : loose(varied, ({ tempo }) => {
            const kept = tempo[varied];
            return typeof kept === "number" ? kept < asked : kept === "explosive";
          });
    }
    case "hold": {
      const hold = first.extensions.find((extension) => extension.kind === "endHold");
      return hold?.kind !== "endHold"
        ? null
        : loose(
            "hold",
            ({ observed }) => observed.held !== null && observed.held < hold.seconds * (1 - KEPT),
          );
    }
    case "range":
      return loose(
        "range",
        ({ conditions }) =>
          first.range === "full" && conditions.range !== null && conditions.range !== "full",
      );
    case "setUp":
    case "sets":
    case null:
      return null;
    default:
      return assertNever(varied);
  }
}
