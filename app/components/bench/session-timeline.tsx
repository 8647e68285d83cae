import { isPreparatory } from "~/core/plan/index.ts";
import { timelineOf, type Step } from "~/core/unroll/index.ts";
import { seconds } from "~/core/kernel/index.ts";
import { formatMass, formatMinutes } from "~/format/numbers.ts";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";

const WIDTH = 1000;
const HEIGHT = 96;
/** A load that is not known is drawn as an outline of this height. */
const UNKNOWN = 0.5;

/**
 * The session as a strip: time along, load against the exercise's own heaviest as height, rest as gaps.
 * Ramp sets are outlined, what follows a set is lighter, an unknown load is half as high, drills are dashed.
 */
export function SessionTimeline({
  steps,
  nameOf,
  total,
}: {
  readonly steps: readonly Step[];
  readonly nameOf: (slot: string) => string;
  readonly total: number;
}) {
  const bars = timelineOf(steps);
  if (bars.length === 0 || total <= 0) return null;
  const x = (t: number) => (WIDTH * t) / total;
  const slots = [...new Set(bars.map((bar) => bar.slotId))].flatMap((id) => {
    const own = bars.filter((bar) => bar.slotId === id);
    const [first] = own;
    return first === undefined || id === null ? [] : [{ id, start: first.start, bars: own }];
  });
  return (
    <figure className={bench.course} aria-label="Session timeline">
      <div className={`${plain.row} ${plain.tight}`}>
        <figcaption className={`${plain.smallHeading} ${plain.grow}`}>
          Timeline: time along, load as height, rest as gaps
        </figcaption>
        <p className={plain.text}>{formatMinutes(seconds(total))}</p>
      </div>
      <svg role="presentation" viewBox={`0 0 ${WIDTH} ${HEIGHT + 22}`} preserveAspectRatio="none">
        {slots.map((slot, i) =>
          i === 0 ? null : (
            <line
              key={slot.id}
              className={bench.between}
              x1={x(slot.start) - 4}
              x2={x(slot.start) - 4}
              y1={4}
              y2={HEIGHT}
            />
          ),
        )}
        {bars.map((bar, i) => {
          const height = HEIGHT * (bar.height ?? UNKNOWN) * 0.92;
          const isLight = bar.role !== null && isPreparatory(bar.role);
          const isOpen = bar.height === null || isLight;
          return (
            <rect
              key={i}
              className={isOpen ? bench.open : bar.kind === "set" ? bench.set : bench.after}
              x={x(bar.start)}
              y={HEIGHT - height}
              width={Math.max(2, x(bar.workSeconds) - 1)}
              height={Math.max(1, height)}
              strokeDasharray={bar.kind === "item" ? "3 3" : undefined}
            />
          );
        })}
        <line className={bench.ground} x1={0} x2={WIDTH} y1={HEIGHT} y2={HEIGHT} />
      </svg>
      <ol>
        {slots.map((slot) => {
          const readings = slot.bars.flatMap((bar) => (bar.reading === null ? [] : [bar.reading]));
          const loads = [...new Set(readings.map(formatMass))].join(", ");
          return (
            <li key={slot.id}>
              <strong>{formatMinutes(seconds(slot.start))}</strong> {nameOf(slot.id)}
              {loads === "" ? "" : `: ${loads}`}
            </li>
          );
        })}
      </ol>
    </figure>
  );
}
