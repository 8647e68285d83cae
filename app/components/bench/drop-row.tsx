import { typedDropShare, typedSeconds } from "~/codec/typed-cells.ts";
import { writeTarget } from "~/core/notation/index.ts";
import type { DropLoad, Extension, SetStep } from "~/core/prescription/index.ts";
import type { Result } from "~/core/result/index.ts";
import { formatShare } from "~/format/numbers.ts";
import { Select } from "../field.tsx";
import { TypedCell, type ReportInvalid } from "./typed-cell.tsx";
import { DropLoadText } from "./step-load-text.tsx";

type Drop = Extract<Extension, { kind: "drop" }>;

/** A drop to a share: its rest, reps and share as cells, and what it comes to at the station. */
export function DropRow({
  drop,
  to,
  name,
  number,
  step,
  readTarget,
  onChange,
  onRemove,
  onInvalid,
}: {
  readonly drop: Drop;
  readonly to: Extract<DropLoad, { kind: "share" }>;
  readonly name: string;
  readonly number: number;
  readonly step: SetStep | undefined;
  readonly readTarget: (text: string) => Result<Drop["target"], string>;
  readonly onChange: (change: (now: Drop) => Drop) => void;
  readonly onRemove: () => void;
  readonly onInvalid: ReportInvalid;
}) {
  const changeTo = (part: Partial<Pick<typeof to, "share" | "of">>) =>
    onChange((now) => (now.to.kind === "share" ? { ...now, to: { ...now.to, ...part } } : now));
  return (
    <tr>
      <th scope="row" aria-label={sentence(name)} />
      <td>
        <div className="text behind drop-rest">
          drop {number}, rest
          <br />
          <TypedCell
            label={`Rest before ${name}, seconds`}
            value={drop.restBefore}
            show={(s) => String(s)}
            read={typedSeconds}
            onValue={(restBefore) => onChange((now) => ({ ...now, restBefore }))}
            onInvalid={onInvalid}
            width={54}
          />{" "}
          s
        </div>
      </td>
      <td>
        <TypedCell
          label={`Reps of ${name}`}
          value={drop.target}
          show={writeTarget}
          read={readTarget}
          onValue={(target) => onChange((now) => ({ ...now, target }))}
          onInvalid={onInvalid}
          width={82}
        />
      </td>
      <td>
        <TypedCell
          label={`Share of ${name}, per cent`}
          value={to.share}
          show={(s) => formatShare(s)}
          read={typedDropShare}
          onValue={(share) => changeTo({ share })}
          onInvalid={onInvalid}
          width={84}
        />
      </td>
      <td>
        <div className="cell-select">
          <Select
            aria-label={`${sentence(name)} is a share of`}
            value={to.of}
            onChange={(event) =>
              changeTo({ of: event.target.value === "first" ? "first" : "current" })
            }
          >
            <option value="current">of the load before</option>
            <option value="first">of the first load</option>
          </Select>
        </div>
      </td>
      <td />
      <td>
        <DropLoadText step={step} />
      </td>
      <td>
        <button
          type="button"
          className="small-button"
          onClick={onRemove}
          aria-label={`Remove ${name}`}
        >
          ✕
        </button>
      </td>
    </tr>
  );
}

const sentence = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
