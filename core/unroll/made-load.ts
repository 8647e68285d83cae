import {
  compareMass,
  massFromTicks,
  share,
  ticksOf,
  timesTicks,
  type Mass,
} from "../kernel/index.ts";
import {
  howToMake,
  loadForTotal,
  nearestLoad,
  shareOfLoad,
  totalMoved,
  type MadeLoad,
  type Station,
} from "../gym/index.ts";
import { aimedAt, type LoadBounds, type LoadRounding, type ShareSpan } from "../plan/index.ts";
import type { LoadSources } from "./load-sources.ts";
import type { OpenBecause, StepLoad } from "./step.ts";

/** A load that its station makes. */
export type Made = Extract<StepLoad, { kind: "made" }>;

/** A load as the station makes it. */
export function madeLoad(station: Station, made: MadeLoad, bodyWeight: Mass | null): Made {
  return {
    kind: "made",
    reading: made.reading,
    recipe: made.recipe,
    total: totalMoved(station.loading, made.reading, bodyWeight),
    share: null,
    rounding: null,
    heldFrom: null,
    movedFrom: null,
    isProven: true,
  };
}

/** A reading as it is written, or why the station cannot make it. */
export function readingLoad(station: Station, reading: Mass, bodyWeight: Mass | null): StepLoad {
  const made = howToMake(station.loading, reading);
  return made.ok
    ? madeLoad(station, made.value, bodyWeight)
    : { kind: "impossible", why: made.error };
}

/** A load beyond a bound is the nearest one on this side of it; one within is not moved beyond it either. */
export function heldWithin(
  { least, most }: LoadBounds,
  load: StepLoad,
  station: Station,
  bodyWeight: Mass | null,
): StepLoad {
  if (load.kind !== "made" || (least === null && most === null)) return load;
  const { reading, rounding } = load;
  const isOver = most !== null && compareMass(reading, most) > 0;
  const isUnder = least !== null && compareMass(reading, least) < 0;
  const bound = isOver ? most : isUnder ? least : null;
  if (bound !== null) {
    const made = nearestLoad(station.loading, bound, isOver ? "down" : "up");
    const held =
      made === null ? readingLoad(station, bound, bodyWeight) : madeLoad(station, made, bodyWeight);
    return held.kind === "made" ? { ...held, heldFrom: reading } : held;
  }
  if (rounding === null) return load;
  const own = ticksOf(reading);
  const room = Math.min(
    rounding.within,
    ...[least, most].map((m) => (m === null ? 1 : Math.abs(ticksOf(m) - own) / Math.max(1, own))),
  );
  return { ...load, rounding: { ...rounding, within: room <= 0 ? 0 : share(room) } };
}

/** The load whose total comes to the one that was worked out, by the rule of the exercise. */
export function loadOfTotal(station: Station, total: Mass, from: LoadSources): StepLoad {
  const { rounding, bodyWeight } = from;
  const made = loadForTotal(station.loading, total, bodyWeight, rounding.towards);
  if (made === null) return open({ code: "totalUnknown" });
  return { ...madeLoad(station, made, bodyWeight), rounding };
}

/** A share of a total, wherever that was moved. */
export function shareOfTotal(
  station: Station,
  total: Mass | null,
  span: ShareSpan,
  from: LoadSources,
): StepLoad {
  if (total === null) return open({ code: "totalUnknown" });
  const asked = aimedAt(span);
  const target = massFromTicks(timesTicks(ticksOf(total), asked), station.loading.unit, "nearest");
  const load = loadOfTotal(station, target, from);
  if (load.kind !== "made") return load;
  const came =
    load.total === null || ticksOf(total) === 0 ? asked : ticksOf(load.total) / ticksOf(total);
  return {
    ...load,
    rounding: roundingIn(span, from.rounding),
    share: { asked, made: came, basis: "totalMoved", upTo: span.upTo },
  };
}

/** A share of a load at the same station. */
export function sharedLoad(
  station: Station,
  basis: Made,
  span: ShareSpan,
  from: LoadSources,
): StepLoad {
  const { rounding, bodyWeight } = from;
  const { loading } = station;
  const asked = aimedAt(span);
  const shared = shareOfLoad(loading, basis.reading, asked, bodyWeight, rounding.towards);
  if (shared === null) return open({ code: "totalUnknown" });
  return {
    ...madeLoad(station, shared.made, bodyWeight),
    rounding: roundingIn(span, rounding),
    share: { asked, made: shared.shareMade, basis: shared.basis, upTo: span.upTo },
  };
}

/** A load within a range may be moved no further than the range goes. */
function roundingIn({ share: least, upTo }: ShareSpan, rounding: LoadRounding): LoadRounding {
  if (upTo === null) return rounding;
  const room = Math.min(rounding.within, (upTo - least) / (upTo + least));
  return { ...rounding, within: room <= 0 ? 0 : share(room) };
}

/** A load that is not known yet. */
export function open(because: OpenBecause): StepLoad {
  return { kind: "open", because };
}
