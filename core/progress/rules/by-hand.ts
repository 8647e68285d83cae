import type { Facts } from "../judged-line.ts";
import { keep, type Proposal } from "../proposal.ts";

/** Nothing is proposed: the coach says how it goes on, with the facts in view. */
export const next = ({ reading, excuses, doubts }: Facts): Proposal =>
  keep(reading, [{ code: "byHand" }, ...excuses, ...doubts], "low", true);
