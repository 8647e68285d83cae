import type { Choice, Picked } from "~/core/coach/suggest/index.ts";
import type { Slot } from "~/core/plan/index.ts";
import type { Station } from "~/core/gym/index.ts";
import { sentence } from "~/format/sentence.ts";
import { formatPickReason, formatPickSets, formatSuggestedLoad } from "~/format/suggesting.ts";
import { useCatalogue } from "../catalogue.ts";
import { useMuscles } from "../wording.ts";
import plain from "../../theme/plain.module.css";
import styles from "./suggest.module.css";

/** One suggested exercise: what, where, how much and why; kept by its tick, exchanged by its list. */
export function PickedRow({
  picked,
  slot,
  stations,
  isKept,
  onKeep,
  onExchange,
}: {
  readonly picked: Picked;
  readonly slot: Slot;
  readonly stations: readonly Station[];
  readonly isKept: boolean;
  readonly onKeep: (isKept: boolean) => void;
  readonly onExchange: (choice: Choice) => void;
}) {
  const catalogue = useCatalogue();
  const muscles = useMuscles();
  const nameOf = (ref: Picked["movement"]) => catalogue.find(ref)?.name ?? "";
  const stationOf = (id: Picked["station"]) =>
    stations.find((station) => station.id === id)?.name ?? "";
  const name = nameOf(picked.movement);
  const reasons = sentence(
    picked.reasons.map((reason) => formatPickReason(reason, muscles)).join(", "),
  );
  return (
    <li className={styles.picked} data-left-out={isKept ? undefined : ""}>
      <label className={styles.what}>
        <input
          type="checkbox"
          checked={isKept}
          onChange={(event) => onKeep(event.target.checked)}
          aria-label={`Keep ${name}`}
        />
        <span>
          <strong>{name}</strong>
          <span className={plain.soft}>{stationOf(picked.station)}</span>
        </span>
      </label>
      <span className={styles.sets}>
        <strong>{formatPickSets(slot)}</strong>
        <span className={plain.soft}>{formatSuggestedLoad(picked.load)}</span>
      </span>
      <span className={`${styles.why} ${plain.soft}`}>{reasons}</span>
      {picked.exchanges.length === 0 ? (
        <span />
      ) : (
        <select
          className={`${plain.smallButton} ${styles.exchange}`}
          value=""
          aria-label={`Exchange ${name}`}
          onChange={(event) => {
            const to = picked.exchanges[Number(event.target.value)];
            if (to !== undefined) onExchange(to.choice);
          }}
        >
          <option value="">Exchange</option>
          {picked.exchanges.map(({ movement, station }, i) => (
            <option key={movement} value={i}>
              {nameOf(movement)} · {stationOf(station)}
            </option>
          ))}
        </select>
      )}
    </li>
  );
}
