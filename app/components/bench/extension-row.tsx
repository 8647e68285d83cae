import { useState } from "react";
import {
  parseExtension,
  parseTarget,
  writeExtension,
  type NotationContext,
} from "~/core/plan/notation/index.ts";
import type { Extension, Target } from "~/core/plan/index.ts";
import type { SetStep } from "~/core/unroll/index.ts";
import { sentence } from "~/format/sentence.ts";
import { DropCells } from "./drop-cells.tsx";
import { readTyped } from "./read-typed.ts";
import { ExtensionForm, type ExtensionPlace } from "./set-form/extension-form.tsx";
import { ExtensionLoadText } from "./step-load-text.tsx";
import { TypedCell, type ReportInvalid } from "./typed-cell.tsx";
import { useKeptOpen } from "./use-kept-open.ts";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

/** What follows a set as a row: a drop to a share in cells, everything else written; all of it as a form. */
export function ExtensionRow({
  extension,
  called,
  set,
  own,
  step,
  before,
  notation,
  place,
  onChange,
  onEarlier,
  onRemove,
  onInvalid,
}: {
  readonly extension: Extension;
  /** "drop 2" */
  readonly called: string;
  /** The number of its set. */
  readonly set: number;
  /** The target of its set, which goes without saying. */
  readonly own: Target;
  readonly step: SetStep | undefined;
  /** The step before it in its set. */
  readonly before: SetStep | undefined;
  readonly notation: NotationContext;
  readonly place: ExtensionPlace;
  readonly onChange: (change: (now: Extension) => Extension) => void;
  readonly onEarlier: (() => void) | null;
  readonly onRemove: () => void;
  readonly onInvalid: ReportInvalid;
}) {
  const name = `${called} of set ${set}`;
  const [isOpen, setOpen] = useState(false);
  const form = useKeptOpen(isOpen, onInvalid);
  /** Stays written once it is typed in: cells would take the field away in the middle of a word. */
  const [isTyped, setTyped] = useState(false);
  return (
    <>
      <tr>
        <th scope="row">
          <button
            type="button"
            className={bench.setNumber}
            aria-expanded={form.isShown}
            aria-label={`${sentence(name)} as a form`}
            onClick={() => setOpen(!isOpen)}
          >
            <span aria-hidden>{form.isShown ? "▾" : "▸"}</span>
          </button>
        </th>
        {extension.kind === "drop" && extension.to.kind === "share" && !isTyped ? (
          <DropCells
            drop={extension}
            to={extension.to}
            name={name}
            called={called}
            readTarget={(text) => readTyped(parseTarget(text, notation))}
            onChange={(to) => onChange((now) => (now.kind === "drop" ? to(now) : now))}
            onInvalid={onInvalid}
          />
        ) : (
          <td colSpan={5} className={bench.behindRow} onFocus={() => setTyped(true)}>
            <div className={bench.behind}>
              <TypedCell
                label={`${sentence(name)}, written`}
                value={extension}
                show={(now) => writeExtension(now, own)}
                read={(text) => readTyped(parseExtension(text, extension, own, notation))}
                onValue={(to) => onChange(() => to)}
                onInvalid={onInvalid}
                width="100%"
              />
            </div>
          </td>
        )}
        <td className={bench.partLoad}>
          <ExtensionLoadText step={step} before={before} />
        </td>
        <td className={bench.partRemove}>
          <button
            type="button"
            className={plain.smallButton}
            onClick={onRemove}
            aria-label={`Remove ${name}`}
          >
            ✕
          </button>
        </td>
      </tr>
      {form.isShown ? (
        <tr>
          <td colSpan={8} className={bench.wholeRow}>
            <ExtensionForm
              extension={extension}
              name={name}
              place={place}
              onChange={onChange}
              onEarlier={onEarlier}
              onInvalid={form.onInvalid}
            />
          </td>
        </tr>
      ) : null}
    </>
  );
}
