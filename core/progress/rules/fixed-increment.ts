import { compareMass, ticksOf } from "../../kernel/index.ts";
import { harderBy, hasSides, inAll, withMass } from "../../gym/index.ts";
import type { Facts } from "../judged-line.ts";
import type { Proposal, Reason } from "../proposal.ts";
import { stepShare, stepUp } from "../step-up.ts";
import { whenReached } from "../when-reached.ts";
import type { RuleOf } from "./rule.ts";
import { waitsFor } from "./smallest-step.ts";

/** The rule's own step; where the equipment cannot make it the next load that is no harder, else its smallest step. */
export function next(facts: Facts, rule: RuleOf<"fixedIncrement">): Proposal {
  return whenReached(facts, "least", (because) => {
    const waits = waitsFor(facts, rule.after, because);
    if (waits !== null) return waits;
    const { reading, loading } = facts;
    const isPerSide = rule.counted === "perSide" && hasSides(loading);
    const way = harderBy(loading);
    const to = reading && withMass(loading, reading, { by: 1, mass: rule.by, isPerSide }, "easier");
    if (to === null || reading === null || way * compareMass(to.reading, reading) <= 0) {
      return stepUp(facts, because);
    }
    const came = Math.abs(ticksOf(to.reading) - ticksOf(reading));
    const why: Reason = {
      code: "ownStep",
      by: rule.by,
      isPerSide,
      to: to.reading,
      isExact: came === inAll(loading, { mass: rule.by, isPerSide }),
      stepShare: stepShare(facts, reading, to.reading),
    };
    return stepUp(facts, because, { to, why });
  });
}
