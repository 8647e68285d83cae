import type { Region } from "~/core/kernel/index.ts";
import type { Band } from "~/core/person/index.ts";
import type { Sheet } from "~/core/phase/index.ts";
import { formatSets } from "~/format/numbers.ts";
import { formatCounted, formatCountedBriefly } from "~/format/volume.ts";
import { steady } from "../steady.ts";
import styles from "./phase-sheet.module.css";
import { shownOf } from "./rows.ts";
import { useMuscles } from "../wording.ts";

export interface RegionBand extends Band {
  readonly region: Region;
}

/**
 * Hard sets of each muscle in each week, against its weekly range: the muscles of which the range asks something,
 * trained or not, and others that come to more than it.
 */
export const HardSets = steady(function HardSets({
  sheet,
  bands,
  columns,
}: {
  readonly sheet: Sheet;
  /** Of each muscle that has a row, in their order. */
  readonly bands: readonly RegionBand[];
  readonly columns: readonly number[];
}) {
  const muscles = useMuscles();
  const rows = bands
    .map((band) => ({
      region: band.region,
      band,
      ...(sheet.volume.find((own) => own.region === band.region) ?? {
        weeks: sheet.weeks.map(() => 0),
        counted: [],
      }),
    }))
    .filter(({ band, weeks }) => band.low > 0 || Math.max(...weeks) > band.high);
  return (
    <tbody>
      <tr className={styles.dayRow}>
        <th scope="rowgroup">Hard sets a week</th>
        <td colSpan={columns.length} className={styles.frameNote}>
          <span className={styles.small}>frame: weekly range</span>
        </td>
      </tr>
      {rows.map(({ region, band, weeks, counted }) => (
        <tr key={region}>
          <th scope="row" className={styles.name}>
            {muscles.row[region]}{" "}
            <span className={styles.small}>{formatCountedBriefly(counted)}</span>
          </th>
          {shownOf(weeks, columns).map(([i, sets]) => (
            <td key={i} className={sheet.weeks[i]?.isNow === true ? styles.nowColumn : undefined}>
              <span className={styles.sets} title={formatCounted(counted[i] ?? 0)}>
                {formatSets(sets)}
              </span>
              <Bar sets={sets} band={band} full={Math.max(band.high, ...weeks) * 1.1} />
            </td>
          ))}
        </tr>
      ))}
    </tbody>
  );
});

/** So many sets as a bar, and the weekly range as a frame, both within a full width. */
function Bar({
  sets,
  band,
  full,
}: {
  readonly sets: number;
  readonly band: Band;
  readonly full: number;
}) {
  const wide = (n: number) => (n / full) * 100;
  return (
    <svg
      className={styles.bar}
      viewBox="0 0 100 12"
      preserveAspectRatio="none"
      role="img"
      aria-label={`${formatSets(sets)} of ${band.low} to ${band.high}`}
    >
      <rect
        className={styles.frame}
        x={wide(band.low)}
        y={1}
        width={wide(band.high - band.low)}
        height={10}
      />
      <rect className={styles.fill} x={0} y={4} width={wide(sets)} height={4} />
    </svg>
  );
}
