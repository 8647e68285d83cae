import type { BandIn, LineCurve, Sheet, TargetOdds } from "~/core/phase/index.ts";
import { formatChance, formatGain, formatMainLine } from "~/format/odds.ts";
import { steady } from "../steady.ts";
import styles from "./phase-sheet.module.css";
import { shownOf } from "./rows.ts";

/** A main line with what is likely of it, and how likely its stated targets are. */
export interface ShownCurve extends LineCurve {
  readonly name: string;
  /** Empty where too little was trained; null until it is worked out. */
  readonly band: readonly BandIn[] | null;
  readonly targets: readonly (TargetOdds & { readonly text: string })[];
}

/** Main lines as curves over the weeks: what was shown, what is asked, and within which band the client likely stays. */
export const MainLines = steady(function MainLines({
  curves,
  weeks,
  columns,
}: {
  readonly curves: readonly ShownCurve[];
  readonly weeks: Sheet["weeks"];
  readonly columns: readonly number[];
}) {
  if (curves.length === 0) return null;
  return (
    <tbody>
      <tr className={styles.dayRow}>
        <th scope="rowgroup">Main lifts</th>
        <td colSpan={columns.length} className={styles.frameNote}>
          <span className={styles.small}>
            dots: done · dashes: planned · grey: likely, 8 times out of 10
          </span>
        </td>
      </tr>
      {curves.map((curve) => (
        <CurveRows
          key={`${curve.at.day} ${curve.at.line}`}
          curve={curve}
          weeks={weeks}
          columns={columns}
        />
      ))}
    </tbody>
  );
});

function CurveRows({
  curve,
  weeks,
  columns,
}: {
  readonly curve: ShownCurve;
  readonly weeks: Sheet["weeks"];
  readonly columns: readonly number[];
}) {
  const said = formatMainLine(curve);
  return (
    <>
      <tr>
        <th scope="row" className={`${styles.name} ${styles.curveName}`}>
          {curve.name}
          {said.map((text) => (
            <span key={text} className={`${styles.small} ${styles.curveSaid}`}>
              {text}
            </span>
          ))}
        </th>
        <td colSpan={columns.length} className={styles.curveCell}>
          <Curve
            curve={curve}
            // One week alone shows no way: on a phone the whole of it stands in its column.
            weeks={columns.length === 1 ? weeks.map((_, i) => i + 1) : columns.map((i) => i + 1)}
            now={weeks.findIndex((week) => week.isNow) + 1}
            label={[curve.name, ...said].join(", ")}
          />
        </td>
      </tr>
      {curve.targets.map(({ text, byWeek }) => (
        <tr key={text}>
          <th scope="row" className={`${styles.name} ${styles.line}`}>
            <span className={styles.small}>{text}</span>
          </th>
          {shownOf(weeks, columns).map(([i, week]) => {
            const chance = byWeek.find((own) => own.week === i + 1)?.chance;
            return (
              <td key={i} className={week.isNow ? styles.nowColumn : undefined}>
                <span className={styles.small}>
                  {chance === undefined ? "" : formatChance(chance)}
                </span>
              </td>
            );
          })}
        </tr>
      ))}
    </>
  );
}

/** Wide of a week, and high of all, in units of the drawing. */
const WEEK = 100;
const HIGH = 100;
const PAD = 10;

function Curve({
  curve,
  weeks,
  now,
  label,
}: {
  readonly curve: ShownCurve;
  /** Numbers of the weeks that are drawn. */
  readonly weeks: readonly number[];
  readonly now: number;
  readonly label: string;
}) {
  const isDrawn = ({ week }: { readonly week: number }) => weeks.includes(week);
  const [done, asked, band] = [
    curve.done.filter(isDrawn),
    curve.asked.filter(isDrawn),
    (curve.band ?? []).filter(isDrawn),
  ];
  const values = [...done, ...asked]
    .map(({ value }) => value)
    .concat(band.flatMap(({ low, high }) => [low, high]));
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const x = (week: number) => (weeks.indexOf(week) + 0.5) * WEEK;
  const y = (value: number) =>
    most === least ? HIGH / 2 : HIGH - PAD - ((value - least) / (most - least)) * (HIGH - 2 * PAD);
  const at = (week: number, value: number) => `${x(week)} ${y(value).toFixed(1)}`;
  const along = (points: readonly string[]) => (points.length < 2 ? "" : `M${points.join("L")}`);
  const last = done.at(-1);
  const line = [...(last === undefined ? [] : [last]), ...asked];
  return (
    <svg
      className={styles.curve}
      viewBox={`0 0 ${weeks.length * WEEK} ${HIGH}`}
      preserveAspectRatio="none"
      role="img"
      aria-label={label}
    >
      {weeks.includes(now) ? (
        <rect className={styles.curveNow} x={x(now) - WEEK / 2} y={0} width={WEEK} height={HIGH} />
      ) : null}
      {band.length < 2 ? null : (
        <path
          className={styles.band}
          d={`${along([
            ...band.map(({ week, high }) => at(week, high)),
            ...band.toReversed().map(({ week, low }) => at(week, low)),
          ])}Z`}
        />
      )}
      <path className={styles.shown} d={along(done.map((p) => at(p.week, p.value)))} />
      <path className={styles.asked} d={along(line.map((p) => at(p.week, p.value)))} />
      {done.map(({ week, value }) => (
        <path key={week} className={styles.dot} d={`M${at(week, value)}h0.01`}>
          <title>{`week ${week}: ${formatGain(value - (done[0]?.value ?? value))}`}</title>
        </path>
      ))}
    </svg>
  );
}
