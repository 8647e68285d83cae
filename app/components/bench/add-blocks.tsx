import type { ItemBlock } from "~/core/plan/index.ts";
import { BLOCK_NAMES } from "~/format/training.ts";
import { steady } from "../steady.ts";
import plain from "../../theme/plain.module.css";

const KINDS = ["prepare", "conditioning", "restore"] as const;

/** Adds a block that holds drills instead of an exercise. */
export const AddBlocks = steady(function AddBlocks({
  onAdd,
}: {
  readonly onAdd: (kind: ItemBlock["kind"]) => void;
}) {
  return (
    <div>
      {KINDS.map((kind) => (
        <button key={kind} type="button" className={plain.smallButton} onClick={() => onAdd(kind)}>
          + {BLOCK_NAMES[kind]}
        </button>
      ))}
    </div>
  );
});
