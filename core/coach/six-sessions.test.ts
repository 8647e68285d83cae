import { expect, it } from "vitest";
import { findMovement } from "../movement/catalogue/index.ts";
import { slotsOf } from "../plan/index.ts";
import { findingsOf } from "./finding-rules.ts";
import { fixesFor } from "./fixes-for.ts";
import { formatFact, formatFix } from "~/format/findings.ts";
import { sampleNewId } from "../../tests/samples/index.ts";
import { SIX_SESSIONS } from "~/tests/arbitrary/six-sessions.ts";
import { MUSCLES } from "~/format/muscles.ts";

/** What docs/six-sessions.md reviews; a change of a rule shows here as a change of what a coach reads. */
it.each(SIX_SESSIONS)("$name", async ({ name, judging }) => {
  const nameOf = (id: string) => {
    const slot = slotsOf(judging.plan).find((s) => s.id === id);
    return (slot && findMovement(slot.movement)?.name) ?? "";
  };
  const lines = findingsOf(judging).map((found) => {
    const fixes = fixesFor(found, judging, sampleNewId).map((fix) => formatFix(fix, nameOf));
    const answer = fixes.length === 0 ? "no fix in one step" : fixes.join(" · ");
    return `- ${found.severity}: ${formatFact(found.fact, judging.approach.name, findMovement, MUSCLES.coach)} → ${answer}`;
  });
  const sets = slotsOf(judging.plan).map((s) => `${s.sets.length} × ${nameOf(s.id)}`);
  const text = `${sets.join(", ")}\n\n${lines.join("\n")}\n`;
  const file = `${name.split(",")[0]?.toLowerCase().replaceAll(" ", "-") ?? ""}.md`;
  await expect(text).toMatchFileSnapshot(`../../docs/six-sessions/${file}`);
});
