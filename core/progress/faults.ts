import type { Fault } from "../kernel/index.ts";
import type { Exposure } from "../log/index.ts";

/** Faults of the last session that the last one at which somebody looked did not have: never seen before, or back. */
export interface FaultsCome {
  readonly fresh: readonly Fault[];
  readonly back: readonly Fault[];
}

/**
 * What came of faults with the last session. It is held against the latest session before at which somebody looked;
 * nothing came where nobody looked now, or never before. Source: PRACTICE.md §8.
 */
export function faultsCome(exposures: readonly Exposure[]): FaultsCome {
  const now = faultsSeen(exposures.at(-1));
  const [before, ...earlier] = exposures
    .slice(0, -1)
    .flatMap((exposure) => {
      const seen = faultsSeen(exposure);
      return seen === null ? [] : [seen];
    })
    .toReversed();
  if (now === null || before === undefined) return { fresh: [], back: [] };
  const came = now.filter((fault) => !before.includes(fault));
  const isOld = (fault: Fault) => earlier.some((faults) => faults.includes(fault));
  return { fresh: came.filter((fault) => !isOld(fault)), back: came.filter(isOld) };
}

/** The faults of a session, each once; null where nobody looked. */
function faultsSeen(exposure: Exposure | undefined): readonly Fault[] | null {
  const looked = (exposure?.sets ?? []).flatMap(({ observed }) =>
    observed.faults === null ? [] : [observed.faults],
  );
  return looked.length === 0 ? null : [...new Set(looked.flat().map(({ fault }) => fault))];
}
