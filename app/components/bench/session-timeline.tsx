import { useState } from "react";
import { isPreparatory } from "~/core/plan/index.ts";
import {
  TIMELINE_SCALES,
  timelineOf,
  type Step,
  type TimelineBar,
  type TimelineScale,
} from "~/core/unroll/index.ts";
import type { Id } from "~/core/kernel/index.ts";
import { formatMass } from "~/format/numbers.ts";
import bench from "./bench.module.css";

const WIDTH = 1000;
const HEIGHT = 40;
/** A load that is not known is drawn as an outline of this height. */
const UNKNOWN = 0.5;

const SCALE_NAMES: Readonly<Record<TimelineScale, string>> = {
  exercise: "each exercise’s heaviest load",
  session: "the session’s heaviest load",
};

/**
 * The session as a strip: time along, load as height, rest as gaps. Warm-up sets are outlined, what follows a set is
 * lighter, an unknown load is half as high, drills are dashed.
 */
export function SessionTimeline({
  steps,
  nameOf,
  numberOf,
  total,
}: {
  readonly steps: readonly Step[];
  readonly nameOf: (slot: Id<"slot">) => string;
  /** "3a" */
  readonly numberOf: (slot: Id<"slot">) => string;
  readonly total: number;
}) {
  const [scale, setScale] = useState<TimelineScale>("exercise");
  const bars = timelineOf(steps, scale);
  if (bars.length === 0 || total <= 0) return null;
  const x = (t: number) => (WIDTH * t) / total;
  const starts = bars.filter(
    (bar, i) => bar.slotId !== null && bars.findIndex((b) => b.slotId === bar.slotId) === i,
  );
  const said = ({ slotId, reading }: TimelineBar) =>
    slotId === null
      ? null
      : `${numberOf(slotId)} ${nameOf(slotId)}${reading === null ? "" : `: ${formatMass(reading)}`}`;
  return (
    <figure className={bench.course} aria-label="Session timeline">
      <svg role="presentation" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="none">
        {starts.map((bar, i) =>
          i === 0 ? null : (
            <line
              key={bar.slotId}
              className={bench.between}
              x1={x(bar.start) - 4}
              x2={x(bar.start) - 4}
              y1={0}
              y2={HEIGHT}
            />
          ),
        )}
        {bars.map((bar, i) => {
          const height = (HEIGHT - 2) * (bar.height ?? UNKNOWN);
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
            >
              <title>{said(bar)}</title>
            </rect>
          );
        })}
        <line className={bench.ground} x1={0} x2={WIDTH} y1={HEIGHT} y2={HEIGHT} />
      </svg>
      <div className={bench.courseFoot}>
        {starts.map(({ slotId, start }) =>
          slotId === null ? null : (
            <span key={slotId} title={nameOf(slotId)} style={{ left: `${(100 * start) / total}%` }}>
              {numberOf(slotId)}
            </span>
          ),
        )}
      </div>
      <figcaption>
        Bar height: % of{" "}
        <button
          type="button"
          aria-label={`Bar height: % of ${SCALE_NAMES[scale]}. Change`}
          onClick={() => setScale(TIMELINE_SCALES.find((other) => other !== scale) ?? scale)}
        >
          {SCALE_NAMES[scale]}
        </button>
      </figcaption>
    </figure>
  );
}
