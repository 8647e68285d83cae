import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { canBeLeft, type FoundOn } from "~/core/coach/index.ts";
import { formatFact, SEVERITY_NAMES } from "~/format/findings.ts";
import { formatShortDay, plural } from "~/format/numbers.ts";
import { useCatalogue } from "../catalogue.ts";
import { Section } from "../page.tsx";
import { steady } from "../steady.ts";
import styles from "./phase-sheet.module.css";
import { shownOf } from "./rows.ts";
import { useMuscles } from "../wording.ts";

const isNote = ({ finding }: FoundOn) => finding.severity === "note";

/** How many findings each week has; what is more than a note stands out. */
export const FoundRow = steady(function FoundRow({
  findings,
  columns,
  weeks,
}: {
  readonly findings: readonly (readonly FoundOn[])[];
  readonly columns: readonly number[];
  readonly weeks: readonly { readonly isNow: boolean }[];
}) {
  return (
    <tbody>
      <tr>
        <th scope="row" className={styles.name}>
          Findings <span className={styles.small}>warnings · notes</span>
        </th>
        {shownOf(findings, columns).map(([i, found]) => {
          const grave = found.filter((own) => !isNote(own)).length;
          const notes = found.length - grave;
          return (
            <td key={i} className={weeks[i]?.isNow === true ? styles.nowColumn : undefined}>
              {found.length === 0 ? null : (
                <span
                  className={styles.sets}
                  role="img"
                  aria-label={`${plural(grave, "warning")}, ${plural(notes, "note")}`}
                >
                  <strong>{grave}</strong> <span className={styles.small}>· {notes}</span>
                </span>
              )}
            </td>
          );
        })}
      </tr>
    </tbody>
  );
});

/** What was found of one week, the gravest first; it is answered in the session or on the sheet. */
export function WeekFindings({
  number,
  found,
  approach,
}: {
  readonly number: number;
  readonly found: readonly FoundOn[];
  readonly approach: string;
}) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  if (found.length === 0) return null;
  return (
    <Section title={`Findings of week ${number}`}>
      {found.map(({ on, title, finding }) => (
        <Box
          key={finding.key}
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "1fr", sm: "150px minmax(0,1fr)" },
            columnGap: 2,
            py: 0.75,
            borderBottom: 1,
            borderColor: "divider",
          }}
        >
          <Typography variant="body2" sx={{ color: "text.secondary" }}>
            {SEVERITY_NAMES[finding.severity]} ·{" "}
            {canBeLeft(finding.fact) ? "the week" : formatShortDay(on)}
          </Typography>
          <Typography sx={{ fontWeight: isNote({ on, title, finding }) ? 400 : 600 }}>
            {canBeLeft(finding.fact) ? "" : `${title}: `}
            {formatFact(finding.fact, approach, find, muscles)}
          </Typography>
        </Box>
      ))}
    </Section>
  );
}
