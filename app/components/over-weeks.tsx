import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { formatWarning } from "~/format/warnings.ts";
import { warningSubject, type Warning, type WarningKind } from "~/core/coach/warnings/index.ts";
import { useCatalogue } from "./catalogue.ts";
import { Section } from "./page.tsx";
import { useMuscles } from "./wording.ts";

/** Where something is done about a warning, by what it is about. */
const PLACE: Readonly<Record<WarningKind, "brief" | "phase" | "next">> = {
  painStays: "brief",
  targetSlips: "phase",
  weakerThanLighter: "phase",
  heavierNotStronger: "phase",
  sideDrift: "brief",
  limitNoBreak: "phase",
  prioritySkipped: "next",
  priorityLate: "next",
  warmUpSkipped: "next",
  skippedAgain: "next",
  outOfRange: "brief",
  sameForLong: "phase",
};

/** What goes wrong over weeks of a client, each with its numbers and the way to where something is done about it. */
export function OverWeeks({
  person,
  warnings,
  approach,
  phase,
  next,
}: {
  readonly person: string;
  readonly warnings: readonly Warning[];
  readonly approach: string;
  /** The phase that runs, and the next session that is planned, where there are. */
  readonly phase: string | null;
  readonly next: string | null;
}) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  if (warnings.length === 0) return null;
  const brief = { to: `/people/${person}/brief`, text: "Open the brief" };
  const wayTo = {
    brief,
    phase: phase === null ? brief : { to: `/phases/${phase}`, text: "Open the phase" },
    next: next === null ? brief : { to: `/plans/${next}`, text: "Open the next session" },
  };
  return (
    <Section title="Over the weeks" id="weeks">
      {warnings.map((warning) => {
        const { seen, look } = formatWarning(warning, find, muscles, approach);
        const way = wayTo[PLACE[warning.kind]];
        return (
          <Box
            key={warningSubject(warning)}
            sx={{
              display: "flex",
              flexWrap: "wrap",
              gap: 1,
              alignItems: "baseline",
              py: 1,
              borderBottom: 1,
              borderColor: "divider",
              borderLeft: warning.kind === "painStays" ? 4 : 0,
              borderLeftColor: "kravo.warn",
              pl: warning.kind === "painStays" ? 1.5 : 0,
            }}
          >
            <Box sx={{ flex: "1 1 28rem", minWidth: 0 }}>
              <Typography sx={{ fontWeight: 600 }}>{seen}</Typography>
              <Typography variant="body2" sx={{ color: "text.secondary" }}>
                {look}
              </Typography>
            </Box>
            <Button component={Link} to={way.to} size="small">
              {way.text}
            </Button>
          </Box>
        );
      })}
    </Section>
  );
}
