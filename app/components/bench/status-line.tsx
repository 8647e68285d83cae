import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import type { RunState } from "~/core/schedule/index.ts";
import { Tag } from "../page.tsx";

/** Where the draft stands, what keeps it from being saved, and whether it is being trained. */
export function StatusLine({
  state,
  isUnsaved,
  problems,
  run,
}: {
  readonly state: string;
  readonly isUnsaved: boolean;
  readonly problems: readonly string[];
  readonly run: RunState;
}) {
  return (
    <Box
      role="status"
      sx={{
        mb: 2,
        minHeight: 24,
        display: "flex",
        gap: 1.5,
        alignItems: "center",
        flexWrap: "wrap",
      }}
    >
      <Tag tone={isUnsaved ? "strong" : "plain"}>{state}</Tag>
      {problems.map((problem) => (
        <Typography key={problem} variant="body2" sx={{ color: "kravo.signal", fontWeight: 650 }}>
          ▸ {problem}
        </Typography>
      ))}
      {run.kind === "running" ? (
        <Typography variant="body2">
          <Link to={`/floor/${run.runId}`}>This session is being trained.</Link> What you save is
          offered there, not applied by itself.
        </Typography>
      ) : null}
    </Box>
  );
}
