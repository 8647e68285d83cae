import { COMMAND_BOUNDS } from "~/core/log/index.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import OutlinedInput from "@mui/material/OutlinedInput";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link } from "react-router";
import type { Id } from "~/core/kernel/index.ts";
import { Disclosure } from "../disclosure.tsx";
import { Labelled } from "../field.tsx";

/** A session that ended: where it goes on from here, and the way back into it. */
export function EndedNote({
  isSent,
  sessionLogId,
  onReopen,
}: {
  readonly isSent: boolean;
  readonly sessionLogId: Id<"sessionLog">;
  readonly onReopen: (why: string) => void;
}) {
  const [why, setWhy] = useState("");
  return (
    <Box sx={{ my: 4 }}>
      <Typography variant="h1" component="p">
        Session ended.
      </Typography>
      <Typography sx={{ my: 2 }}>
        {isSent
          ? "Everything is on the server."
          : "What you logged is kept on this device and sent as soon as the server can be reached. Leave this page open or come back to it."}
      </Typography>
      <Button component={Link} to={`/runs/${sessionLogId}`} variant="contained" disabled={!isSent}>
        Summary and next time
      </Button>
      <Box sx={{ mt: 3, maxWidth: 520 }}>
        <Disclosure summary="Reopen the session">
          <Labelled
            id="reopen-why"
            label="Why"
            hint="Kept with your name. What was decided from this session is looked at again."
          >
            <OutlinedInput
              id="reopen-why"
              fullWidth
              value={why}
              inputProps={{ maxLength: COMMAND_BOUNDS.reason }}
              onChange={(event) => setWhy(event.target.value)}
            />
          </Labelled>
          <Button
            variant="outlined"
            sx={{ minHeight: 48 }}
            disabled={why.trim() === ""}
            onClick={() => onReopen(why.trim())}
          >
            Reopen
          </Button>
        </Disclosure>
      </Box>
    </Box>
  );
}
