import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { newId } from "~/codec/new-id.ts";
import { sessionDuration, isSetStep, unrollContextOf, unroll } from "~/core/unroll/index.ts";
import { parseLine } from "~/core/plan/notation/index.ts";
import { newBlock, type PlannedSet, type SessionPlan } from "~/core/plan/index.ts";
import { LESSONS } from "~/format/lessons.ts";
import { formatMinuteRange } from "~/format/numbers.ts";
import { EXTENSION_NAMES } from "~/format/prescription.ts";
import { formatTarget } from "~/format/target.ts";
import { ROLE_NAMES, SIDE_NAMES, TEMPO_ORDER_NAMES } from "~/format/training.ts";
import { usePlainNotation } from "../components/bench/use-notation.ts";
import { WrittenLine } from "../components/bench/written-line.tsx";
import { useCatalogue } from "../components/catalogue.ts";
import { useSettings } from "../components/wording.ts";
import { Page, Section } from "../components/page.tsx";

/** The written line in two minutes: examples to click into a line that shows what they come to. */
export default function WritingSets() {
  const context = usePlainNotation(useCatalogue());
  const { tempoOrder } = useSettings();
  const [sets, setSets] = useState<readonly PlannedSet[]>([]);
  const learn = (line: string) => {
    const read = parseLine(line, [], context, newId);
    if (read.ok) setSets(read.value);
  };
  return (
    <Page
      title="Writing sets"
      lead="Any prescription in one line. Click an example, then change it: what it comes to follows at once."
    >
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) 400px" },
          columnGap: 5,
        }}
      >
        <Box
          sx={{
            order: { lg: 2 },
            position: "sticky",
            top: 0,
            alignSelf: "start",
            pt: 1,
            mb: 3,
            zIndex: 2,
            backgroundColor: "background.default",
          }}
        >
          <WrittenLine
            id="trial-line"
            label="A line to try"
            sets={sets}
            context={context}
            newId={newId}
            onSets={setSets}
            onInvalid={ignore}
            isTaught
          />
          <Box sx={{ maxHeight: { xs: 160, lg: "none" }, overflowY: "auto" }}>
            <Steps sets={sets} />
          </Box>
        </Box>
        <div>
          <Typography sx={{ maxWidth: "70ch", mb: 3 }}>
            Four numbers of a tempo: {TEMPO_ORDER_NAMES[tempoOrder]}.{" "}
            <Link to="/settings">Change the order</Link>
          </Typography>
          {LESSONS.map((lesson) => (
            <Section key={lesson.title} title={lesson.title}>
              <Typography sx={{ mt: 1, mb: 0.5 }}>{lesson.says}</Typography>
              <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
                {lesson.examples.map((example) => (
                  <Box
                    component="li"
                    key={example.line}
                    sx={{ borderBottom: 1, borderColor: "divider" }}
                  >
                    <Box component="button" onClick={() => learn(example.line)} sx={EXAMPLE}>
                      <Box component="span" sx={{ fontWeight: 650, overflowWrap: "anywhere" }}>
                        {example.line}
                      </Box>
                      <Box component="span" sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
                        {example.says}
                      </Box>
                    </Box>
                  </Box>
                ))}
              </Box>
            </Section>
          ))}
        </div>
      </Box>
    </Page>
  );
}

const ignore = () => undefined;

/** What the line comes to, step by step, and how long it takes. */
function Steps({ sets }: { readonly sets: readonly PlannedSet[] }) {
  const { all, find } = useCatalogue();
  const plan = useMemo<SessionPlan | null>(() => {
    const movement = all.find((m) => m.ref === "shipped:leg-press");
    if (movement === undefined) return null;
    const block = newBlock(newId, movement, newId(), null);
    return { schemaVersion: 2, blocks: [{ ...block, slot: { ...block.slot, sets } }] };
  }, [all, sets]);
  if (plan === null || sets.length === 0) {
    return (
      <Typography sx={{ color: "text.secondary" }}>
        Nothing written yet. Click an example, or type one.
      </Typography>
    );
  }
  const steps = unroll(plan, unrollContextOf([], find));
  return (
    <section aria-label="What the line comes to">
      <Typography variant="overline" component="h2">
        {steps.length} {steps.length === 1 ? "step" : "steps"},{" "}
        {formatMinuteRange(sessionDuration(steps))}
      </Typography>
      <Box component="ol" sx={{ m: 0, pl: 3.5 }}>
        {steps.filter(isSetStep).map((step, i) => (
          <li key={i}>
            {step.kind === "set" ? ROLE_NAMES[step.role] : EXTENSION_NAMES[step.kind]}:{" "}
            {formatTarget(step.target)}
            {step.key.side === "both" ? "" : `, ${SIDE_NAMES[step.key.side]}`}
          </li>
        ))}
      </Box>
    </section>
  );
}

const EXAMPLE = {
  display: "grid",
  gridTemplateColumns: { xs: "1fr", md: "minmax(0,3fr) minmax(0,2fr)" },
  columnGap: 2,
  width: "100%",
  minHeight: 40,
  alignItems: "center",
  px: 1,
  py: 0.5,
  border: 0,
  background: "none",
  font: "inherit",
  color: "inherit",
  textAlign: "left",
  cursor: "pointer",
  "&:hover": { backgroundColor: "action.hover" },
} as const;
