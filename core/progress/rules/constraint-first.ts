import { assertNever, seconds } from "../../kernel/index.ts";
import { BOUNDS } from "../../plan/index.ts";
import type { Change } from "../change.ts";
import type { Facts } from "../judged-line.ts";
import { keep, type Proposal } from "../proposal.ts";
import { askMore, stepUp } from "../step-up.ts";
import { whenReached } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";

/** What comes next of a constraint: stricter, as strict as meant (and what it goes back to), or nothing to make stricter. */
type Further =
  | { readonly kind: "stricter"; readonly change: Change }
  | { readonly kind: "enough"; readonly back: readonly Change[] }
  | { readonly kind: "nothing" };

/** Stricter at the same load where all reached the top; as strict as meant, the next load. */
export function next(facts: Facts, rule: RuleOf<"constraintFirst">): Proposal {
  return whenReached(facts, "most", (because) => {
    const { reading, doubts } = facts;
    const { what } = rule;
    const confidence = doubts.length > 0 ? "medium" : "high";
    const further = furtherBy(facts, rule);
    switch (further.kind) {
      case "nothing":
        return keep(
          reading,
          [...because, { code: "nothingStricter", what }, ...doubts],
          confidence,
          true,
        );
      case "enough":
        return stepUp(facts, [...because, { code: "strictEnough", what }], {
          changes: further.back,
        });
      case "stricter":
        return askMore(facts, [...because, { code: "stricter", what }], [further.change]);
      default:
        return assertNever(further);
    }
  });
}

function furtherBy(facts: Facts, { what, min, max, by }: RuleOf<"constraintFirst">): Further {
  const [first] = facts.line.sets;
  switch (what) {
    case "lower":
    case "stretch":
    case "squeeze": {
      const now = first.tempo[what];
      const from = typeof now === "number" ? seconds(now) : null;
      // No phase of a tempo is longer, whatever a hold may be.
      const most = Math.min(max, BOUNDS.phase.most);
      const least = Math.min(min, most);
      const tempo = (to: number): Change => ({
        kind: "tempo",
        phase: what,
        from,
        to: seconds(to),
      });
      if (from === null || from < most)
        return {
          kind: "stricter",
          change: tempo(from === null ? least : Math.min(most, from + by)),
        };
      return { kind: "enough", back: from > least ? [tempo(least)] : [] };
    }
    case "hold": {
      const hold = first.extensions.find((extension) => extension.kind === "endHold");
      if (hold?.kind !== "endHold") return { kind: "nothing" };
      const from = hold.seconds;
      const held = (to: number): Change => ({ kind: "hold", from, to: seconds(to) });
      // What is held at the end of a set is not as short as a pause of a tempo may be.
      const most = within(BOUNDS.hold, max);
      const least = Math.min(within(BOUNDS.hold, min), most);
      if (from < most) return { kind: "stricter", change: held(Math.min(most, from + by)) };
      return { kind: "enough", back: from > least ? [held(least)] : [] };
    }
    case "range":
      return first.range === "full"
        ? { kind: "enough", back: [] }
        : { kind: "stricter", change: { kind: "range", from: first.range, to: "full" } };
    case "setUp":
      return harderSetUp(facts);
    default:
      return assertNever(what);
  }
}

const within = ({ least, most }: { readonly least: number; readonly most: number }, n: number) =>
  Math.max(least, Math.min(most, n));

/** The next choice of the first parameter that has a harder one. */
function harderSetUp({ parameters, last }: Facts): Further {
  const ordered = parameters.filter(({ rising = [] }) => rising.length > 1);
  if (ordered.length === 0) return { kind: "nothing" };
  for (const { name, rising = [], usual } of ordered) {
    const from = last.context.setUp[name] ?? usual;
    const at = rising.indexOf(from);
    const to = at < 0 ? undefined : rising[at + 1];
    if (to !== undefined)
      return { kind: "stricter", change: { kind: "setUp", name, from, to, isHarder: true } };
  }
  return { kind: "enough", back: [] };
}
