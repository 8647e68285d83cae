import { EXTENSION_KINDS, type Extension } from "~/core/plan/index.ts";
import { EXTENSION_NAMES } from "~/format/prescription.ts";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

// Made once, so that a row that is drawn again need not look at them.
const TECHNIQUES = (
  <>
    <option value="">+ technique</option>
    {EXTENSION_KINDS.map((kind) => (
      <option key={kind} value={kind}>
        {EXTENSION_NAMES[kind]}
      </option>
    ))}
  </>
);

/** Adds a drop set, a rest-pause, partials … behind a set. */
export function TechniqueSelect({
  label,
  onAdd,
}: {
  readonly label: string;
  readonly onAdd: (kind: Extension["kind"]) => void;
}) {
  return (
    <select
      className={`${plain.smallButton} ${bench.technique}`}
      aria-label={label}
      value=""
      onChange={(event) => {
        const kind = EXTENSION_KINDS.find((k) => k === event.target.value);
        if (kind !== undefined) onAdd(kind);
      }}
    >
      {TECHNIQUES}
    </select>
  );
}
