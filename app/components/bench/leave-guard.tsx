import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useCallback } from "react";
import { useBeforeUnload, useBlocker, type BlockerFunction } from "react-router";

/** Asks before a page with unsaved changes is left, by a link here or by the browser itself. */
export function LeaveGuard({ isUnsaved }: { readonly isUnsaved: boolean }) {
  useBeforeUnload(
    useCallback(
      (event: BeforeUnloadEvent) => {
        if (isUnsaved) event.preventDefault();
      },
      [isUnsaved],
    ),
  );
  const blocker = useBlocker(
    useCallback<BlockerFunction>(
      ({ currentLocation, nextLocation }) =>
        isUnsaved && currentLocation.pathname !== nextLocation.pathname,
      [isUnsaved],
    ),
  );
  if (blocker.state !== "blocked") return null;
  return (
    <Box
      role="alertdialog"
      aria-label="Unsaved changes"
      sx={{
        border: 2,
        p: 2,
        mb: 2,
        display: "flex",
        gap: 1.5,
        alignItems: "center",
        flexWrap: "wrap",
      }}
    >
      <Typography sx={{ fontWeight: 650 }}>This plan has changes that are not saved.</Typography>
      <Button variant="contained" autoFocus onClick={() => blocker.reset()}>
        Stay here
      </Button>
      <Button variant="outlined" onClick={() => blocker.proceed()}>
        Leave without saving
      </Button>
    </Box>
  );
}
