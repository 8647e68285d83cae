import { typedNumber, typedSeconds } from "~/codec/typed-cells.ts";
import { writeTarget } from "~/core/plan/notation/index.ts";
import { DROP_LOADS, type DropLoad, type Extension } from "~/core/plan/index.ts";
import type { Result } from "~/core/kernel/index.ts";
import { DROP_FIELDS } from "~/format/fields.ts";
import { formatShare } from "~/format/numbers.ts";
import { sentence } from "~/format/sentence.ts";
import { Select } from "../field.tsx";
import { TypedCell, type ReportInvalid } from "./typed-cell.tsx";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

const typedShare = typedNumber(DROP_LOADS.share.definition.fields.share, "dropPercent");

type Drop = Extract<Extension, { kind: "drop" }>;

/** The cells of a drop to a share: its rest, reps and share. */
export function DropCells({
  drop,
  to,
  name,
  called,
  readTarget,
  onChange,
  onInvalid,
}: {
  readonly drop: Drop;
  readonly to: Extract<DropLoad, { kind: "share" }>;
  readonly name: string;
  /** "drop 2" */
  readonly called: string;
  readonly readTarget: (text: string) => Result<Drop["target"], string>;
  readonly onChange: (change: (now: Drop) => Drop) => void;
  readonly onInvalid: ReportInvalid;
}) {
  const changeTo = (part: Partial<Pick<typeof to, "share" | "of">>) =>
    onChange((now) => (now.to.kind === "share" ? { ...now, to: { ...now.to, ...part } } : now));
  return (
    <>
      <td>
        <div className={`${plain.text} ${bench.behind} ${bench.dropRest}`}>
          {called}, rest
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
          read={typedShare}
          onValue={(share) => changeTo({ share })}
          onInvalid={onInvalid}
          width={84}
        />
      </td>
      <td colSpan={2} className={bench.dropOf}>
        <div className={`${plain.cellSelect} ${bench.dropSelect}`}>
          <Select
            aria-label={`${sentence(name)} is a share of`}
            value={to.of}
            onChange={(event) =>
              changeTo({ of: event.target.value === "first" ? "first" : "current" })
            }
          >
            {Object.entries(DROP_FIELDS.share.of.choices).map(([of, text]) => (
              <option key={of} value={of}>
                {text}
              </option>
            ))}
          </Select>
        </div>
      </td>
    </>
  );
}
