import type { ItemBlock } from "~/core/plan/index.ts";
import { BLOCK_NAMES } from "~/format/training.ts";
import { steady } from "../steady.ts";
import plain from "../../theme/plain.module.css";

const KINDS = ["prepare", "conditioning", "restore"] as const;

/** Adds a block that holds drills instead of an exercise, or what is suggested. */
export const AddBlocks = steady(function AddBlocks({
  onAdd,
  onSuggest,
}: {
  readonly onAdd: (kind: ItemBlock["kind"]) => void;
  /** Where there is nobody to suggest for, as in a template, nothing is. */
  readonly onSuggest?: () => void;
}) {
  return (
    <div>
      {onSuggest === undefined ? null : (
        <button type="button" className={plain.smallButton} onClick={onSuggest}>
          + Suggested exercises
        </button>
      )}
      {KINDS.map((kind) => (
        <button key={kind} type="button" className={plain.smallButton} onClick={() => onAdd(kind)}>
          + {BLOCK_NAMES[kind]}
        </button>
      ))}
    </div>
  );
});
