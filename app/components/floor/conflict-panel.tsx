import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Id } from "~/core/kernel/index.ts";
import type { Conflict } from "~/core/log/index.ts";
import type { SetStep } from "~/core/unroll/index.ts";
import { formatLoggedSet } from "~/format/exposure.ts";
import { formatRir } from "~/format/training.ts";

/** Two devices logged the same set without knowing of each other: both are kept until somebody says which holds. */
export function ConflictPanel({
  conflict,
  step,
  onKeep,
}: {
  readonly conflict: Conflict;
  readonly step: SetStep | null;
  readonly onKeep: (command: Id<"command">) => void;
}) {
  return (
    <Box role="alert" sx={{ border: 2, borderColor: "kravo.warn", p: 1.5, mb: 1.5 }}>
      <Typography sx={{ fontWeight: 650 }}>
        Two devices logged {step === null ? "the same set" : `set ${step.setNumber}`}. Both are
        kept; which one holds?
      </Typography>
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", mt: 1 }}>
        {conflict.sides.map(({ loggedSet, commandId }) => (
          <Button
            key={commandId}
            variant="outlined"
            sx={{ minHeight: 48 }}
            onClick={() => onKeep(commandId)}
          >
            Keep {formatLoggedSet(loggedSet)}, {formatRir(loggedSet.rir)}
          </Button>
        ))}
      </Box>
    </Box>
  );
}
