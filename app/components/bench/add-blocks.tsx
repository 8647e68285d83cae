import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { ItemBlock } from "~/core/plan/index.ts";
import { BLOCK_NAMES } from "~/format/training.ts";
import { steady } from "../steady.ts";

const KINDS = ["prepare", "conditioning", "restore"] as const;

/** Adds a block that holds drills instead of an exercise. */
export const AddBlocks = steady(function AddBlocks({
  onAdd,
}: {
  readonly onAdd: (kind: ItemBlock["kind"]) => void;
}) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 2 }}>
      {KINDS.map((kind) => (
        <Button key={kind} size="small" variant="outlined" onClick={() => onAdd(kind)}>
          + {BLOCK_NAMES[kind]}
        </Button>
      ))}
    </Box>
  );
});
