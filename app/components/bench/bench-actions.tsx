import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { memo } from "react";
import { Link } from "react-router";
import type { Id } from "~/core/kernel/index.ts";

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
      <Button onClick={onUndo} disabled={!canUndo}>
        Undo
      </Button>
      <Button onClick={onRedo} disabled={!canRedo}>
        Redo
      </Button>
      <Button component={Link} to={`/plans/${plan}/sheet`}>
        Sheet
      </Button>
      <Button variant="outlined" onClick={onSave} disabled={!canSave}>
        Save
      </Button>
      {isBegun ? null : (
        <Button
          variant="contained"
          color="secondary"
          disabled={!canStart}
          title={canSave ? "Saves the session first" : undefined}
          onClick={onStart}
        >
          Start training
        </Button>
      )}
    </Box>
  );
});
