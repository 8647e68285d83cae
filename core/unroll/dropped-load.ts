import {
  assertNever,
  compareMass,
  isShare,
  massFromTicks,
  ticksOf,
  type Id,
  type Mass,
  ticks,
} from "../kernel/index.ts";
import { harderBy, howToMake, stepsFrom, withoutOuter, type Station } from "../gym/index.ts";
import type { DropLoad, Extension } from "../plan/index.ts";
import type { LoadSources } from "./load-sources.ts";
import { madeLoad, open, readingLoad, sharedLoad, type Made } from "./made-load.ts";
import type { SetStep, StepLoad } from "./step.ts";

/** True for an extension that has a load of its own. */
const changesLoad = ({ kind }: Extension) => kind === "drop" || kind === "cluster";

/** The extension that a drop or cluster goes from; null where it is the set itself. */
export function extensionBefore(
  extensions: readonly Extension[],
  extension: Extension,
): Id<"extension"> | null {
  const isOfFirst =
    extension.kind === "cluster" ||
    (extension.kind === "drop" && "of" in extension.to && extension.to.of === "first");
  if (isOfFirst) return null;
  return extensions.slice(0, extensions.indexOf(extension)).findLast(changesLoad)?.id ?? null;
}

/** The load after a drop, from the set's first load and the one just used. */
export function droppedLoad(
  to: DropLoad,
  first: StepLoad,
  current: StepLoad,
  station: Station | null,
  from: LoadSources,
): StepLoad {
  if (station === null) return open({ code: "noStation" });
  if (to.kind === "bodyweight") {
    const bare =
      station.loading.kind === "bodyweight" ? setLoadOfZero(station, from.bodyWeight) : null;
    return bare ?? { kind: "bodyweight" };
  }
  if (to.kind === "reading") return readingLoad(station, to.reading, from.bodyWeight);
  const basis = to.kind === "share" && to.of === "first" ? first : current;
  if (basis.kind !== "made") return open({ code: "basisOpen" });
  switch (to.kind) {
    case "share":
      return sharedLoad(station, basis, { share: to.share, upTo: null }, from);
    case "lessBy": {
      const left = to.of === "current" ? 1 - to.share : ratioTo(first, basis) - to.share;
      const whole = to.of === "current" ? current : first;
      // Below nothing, or above what any share may be, which is after a part many times as heavy as the set.
      if (whole.kind !== "made" || !isShare(left)) return open({ code: "stepsEnd" });
      return sharedLoad(station, whole, { share: left, upTo: null }, from);
    }
    case "strip": {
      const made = withoutOuter(basis, to.plates);
      return made === null ? open({ code: "stepsEnd" }) : madeLoad(station, made, from.bodyWeight);
    }
    case "steps": {
      const made = stepsFrom(station.loading, basis.reading, 0 - to.steps);
      return made === null ? open({ code: "stepsEnd" }) : madeLoad(station, made, from.bodyWeight);
    }
    default:
      return assertNever(to);
  }
}

/** What a load is of another, by what is moved or else by what is read. */
function ratioTo(whole: StepLoad, part: Made): number {
  if (whole.kind !== "made") return 0;
  const [of, is] =
    whole.total === null || part.total === null
      ? [whole.reading, part.reading]
      : [whole.total, part.total];
  return ticksOf(of) === 0 ? 0 : ticksOf(is) / ticksOf(of);
}

function setLoadOfZero(station: Station, bodyWeight: Mass | null): Made | null {
  const made = howToMake(station.loading, massFromTicks(ticks(0), station.loading.unit, "nearest"));
  return made.ok ? madeLoad(station, made.value, bodyWeight) : null;
}

/** A step whose load the station makes. */
export type MadeStep = SetStep & { readonly load: Made };

const isMadeStep = (step: SetStep): step is MadeStep => step.load.kind === "made";

/** The drop and the step before it, where the drop did not come out easier; else null. */
export function idleDrop(
  drop: SetStep,
  before: SetStep,
  station: Station,
): readonly [drop: MadeStep, before: MadeStep] | null {
  if (!isMadeStep(drop) || !isMadeStep(before)) return null;
  const harder = harderBy(station.loading) * compareMass(drop.load.reading, before.load.reading);
  return harder >= 0 ? [drop, before] : null;
}
