import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Labelled, Select } from "../field.tsx";

/** Ends the session, with the overall effort on its own scale. */
export function EndPanel({
  isOpen,
  openSets,
  isFinished,
  onOpen,
  onEnd,
}: {
  readonly isOpen: boolean;
  readonly openSets: number;
  readonly isFinished: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly onEnd: (sessionEffort: number | null) => void;
}) {
  const [effort, setEffort] = useState("");
  if (!isOpen && !isFinished) {
    return (
      <Button variant="outlined" sx={{ mt: 2, minHeight: 48 }} onClick={() => onOpen(true)}>
        End the session
      </Button>
    );
  }
  return (
    <Box component="section" aria-label="End the session" sx={{ mt: 2, border: 2, p: 2 }}>
      {openSets === 0 ? null : (
        <Typography sx={{ mb: 1 }}>
          {openSets} planned {openSets === 1 ? "set is" : "sets are"} not logged and count as
          skipped.
        </Typography>
      )}
      <Labelled id="session-effort" label="Session RPE, 0 to 10">
        <Select
          id="session-effort"
          value={effort}
          onChange={(event) => setEffort(event.target.value)}
        >
          <option value="">Not logged</option>
          {Array.from({ length: 11 }, (_, n) => (
            <option key={n} value={n}>
              {n}
            </option>
          ))}
        </Select>
      </Labelled>
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button
          variant="contained"
          sx={{ minHeight: 48 }}
          onClick={() => onEnd(effort === "" ? null : Number(effort))}
        >
          End now
        </Button>
        {isFinished ? null : (
          <Button sx={{ minHeight: 48 }} onClick={() => onOpen(false)}>
            Go on training
          </Button>
        )}
      </Box>
    </Box>
  );
}
