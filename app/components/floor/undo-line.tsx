import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { LoggedSet } from "~/core/log/index.ts";
import { formatLoggedSet } from "~/format/exposure.ts";
import { TOUCH } from "../../theme/tokens.ts";

/** What was logged last, and the way back from a slip of the thumb; stands on any ground. */
export function UndoLine({
  loggedSet,
  onUndo,
}: {
  readonly loggedSet: LoggedSet;
  readonly onUndo: () => void;
}) {
  return (
    <Box role="status" sx={{ display: "flex", alignItems: "center", gap: 1, minWidth: 0 }}>
      <Typography noWrap sx={{ flexGrow: 1, fontSize: "0.85rem" }}>
        {formatLoggedSet(loggedSet)} logged
      </Typography>
      <Button
        variant="outlined"
        color="inherit"
        sx={{ minHeight: TOUCH, borderColor: "currentColor" }}
        onClick={onUndo}
      >
        Undo
      </Button>
    </Box>
  );
}
