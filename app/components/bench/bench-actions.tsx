import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { memo } from "react";
import { Link } from "react-router";
import type { Id } from "~/core/kernel/index.ts";
import { Shortcuts } from "./shortcuts.tsx";

/** What can be done with the session as a whole. */
export const BenchActions = memo(function BenchActions({
  plan,
  canUndo,
  canRedo,
  canSave,
  canStart,
  isBegun,
  onUndo,
  onRedo,
  onSave,
  onStart,
}: {
  readonly plan: Id<"plan">;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
  readonly canSave: boolean;
  readonly canStart: boolean;
  /** Whether it has been trained, or is. */
  readonly isBegun: boolean;
  readonly onUndo: () => void;
  readonly onRedo: () => void;
  readonly onSave: () => void;
  readonly onStart: () => void;
}) {
  return (
    <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
      <Shortcuts />
      <Button onClick={onUndo} disabled={!canUndo} title="Ctrl and Z">
        Undo
      </Button>
      <Button onClick={onRedo} disabled={!canRedo} title="Ctrl, Shift and Z">
        Redo
      </Button>
      <Button component={Link} to={`/plans/${plan}/sheet`} title="To print">
        Sheet
      </Button>
      <Button variant="outlined" onClick={onSave} disabled={!canSave} title="Ctrl and S">
        Save
      </Button>
      {isBegun ? null : (
        <Button
          variant="contained"
          color="secondary"
          disabled={!canStart}
          title={canSave ? "Saves the session first" : undefined}
          onClick={onStart}
          // On a phone it is the first of the buttons.
          sx={{ order: { xs: -1, md: 0 } }}
        >
          Start training
        </Button>
      )}
    </Box>
  );
});
