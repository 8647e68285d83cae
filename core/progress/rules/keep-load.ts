import type { Facts } from "../judged-line.ts";
import { keep, type Proposal } from "../proposal.ts";

export const next = ({ reading }: Facts): Proposal =>
  keep(reading, [{ code: "heldByRule" }], "high", false);
