import type { Mass } from "../kernel/index.ts";
import { legsCounted, restSpan, type SessionPlan, type Slot } from "../plan/index.ts";
import { expand, isSetPlace, placesOfSlot, type SetPlace, type Place } from "./expand.ts";
import { hangAll, type Hung } from "./hang.ts";
import { loadsOf } from "./loads.ts";
import type { SetStep, Step } from "./step.ts";
import type { UnrollContext } from "./unroll-context.ts";
import { accentsAt, workSecondsAt } from "./times.ts";

/** Every single step of a session in order, with load, what to change, target, time and rest. */
export function unroll(plan: SessionPlan, context: UnrollContext): readonly Step[] {
  return stepsOf(expand(plan.blocks, context), context);
}

/** The steps of one slot trained by itself. */
export function unrollSlot(slot: Slot, context: UnrollContext): readonly SetStep[] {
  return stepsOf(placesOfSlot(slot, 0, context), context).filter((step) => step.kind !== "item");
}

/** Places, then their loads, then what hangs, then times: no pass changes what one before it found. */
function stepsOf(places: readonly Place[], context: UnrollContext): readonly Step[] {
  const hung = hangAll(places, loadsOf(places, context), context);
  return places.map((place, i) => {
    if (!isSetPlace(place)) return place;
    const here = hung[i];
    if (here == null) throw new Error(`no load was worked out for set ${place.set.id}`);
    return stepAt(place, here, context);
  });
}

const NO_FALLBACK: readonly Mass[] = [];

/** One literal, not a spread: a session is unrolled at every keystroke, and spreading is many times slower. */
function stepAt(place: SetPlace, { load, change }: Hung, context: UnrollContext): SetStep {
  const { set, slot, extension, fallen } = place;
  return {
    kind: place.kind,
    key: {
      setId: set.id,
      extensionId: extension?.id ?? null,
      round: 0,
      ordinal: place.ordinal,
      side: place.side,
    },
    slotId: slot.id,
    role: set.role,
    setNumber: place.number,
    setCount: slot.sets.length,
    repeat: place.repeat,
    detail: place.detail,
    load,
    fallenFrom: extension === null ? (fallen?.from ?? null) : null,
    fallback: extension === null ? (fallen?.load.then ?? NO_FALLBACK) : NO_FALLBACK,
    change,
    setUp: place.setUp,
    setUpChange: place.setUpChange,
    target: place.target,
    legs: legsCounted(set.side),
    matchesFirstSide: set.side.kind === "each" && set.side.matchFirst && place.isSecondSide,
    effort: set.effort,
    effortUpTo: set.effortUpTo,
    range: set.range,
    gear: set.gear,
    tempo: set.tempo,
    accents: accentsAt(place),
    workSeconds: workSecondsAt(place, context),
    restAfter: restSpan(place.rest),
    restRule: place.rest,
    optional: set.optional || slot.optional,
    arrival: place.arrival,
    rotation: place.rotation,
  };
}
