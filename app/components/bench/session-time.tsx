import type { Duration, Minutes } from "~/core/kernel/index.ts";
import { formatMinuteRange, formatMinutes, plural } from "~/format/numbers.ts";
import bench from "./bench.module.css";

/** How long the session takes, against what the client has, and how many hard sets it holds. */
export function SessionTime({
  duration,
  cap,
  hasWarmUp,
  hardSets,
}: {
  readonly duration: Duration;
  /** What the client has at most; null where nothing is known. */
  readonly cap: Minutes | null;
  readonly hasWarmUp: boolean;
  readonly hardSets: number;
}) {
  return (
    <section aria-label="Session time" className={bench.time}>
      <p className={bench.timeFigure}>{formatMinutes(duration.likely)}</p>
      <p className={bench.timeRange} title="From tempo, reps, rest, and plates to change">
        {formatMinuteRange(duration)} · {plural(hardSets, "hard set")}
        <br />
        {[
          ...(cap === null ? [] : [`cap ${cap} min`]),
          hasWarmUp ? "general warm-up included" : "no general warm-up",
        ].join(", ")}
      </p>
    </section>
  );
}
