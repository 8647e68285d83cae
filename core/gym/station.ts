import {
  type Id,
  type MovementRef,
  type ResistanceProfile,
  sameReading,
  type Mass,
  assertNever,
} from "../kernel/index.ts";
import type { Loading } from "./loading.ts";

/** A station of a gym as it was at one version. A log points to the version it was made on. */
export interface Station {
  readonly id: Id<"station">;
  readonly versionId: Id<"stationVersion">;
  readonly gymId: Id<"gym">;
  readonly name: string;
  readonly loading: Loading;
  /** The movements it is used for, also those it was not built for. */
  readonly serves: readonly MovementRef[];
  /** Where this station is hardest, when it differs from what its movements usually have; else null. */
  readonly profile: ResistanceProfile | null;
  readonly usuallyBusy: boolean;
  /** Where in the gym it stands; empty where that was not said. */
  readonly room: string;
}

/**
 * True when readings made with two loading models may be compared: same kind and unit, and nothing changed
 * in what a reading means (bar, carriage, pulley, way of counting). More plates or pins change nothing.
 */
export function measuresAlike(a: Loading, b: Loading): boolean {
  if (a.unit !== b.unit) return false;
  switch (a.kind) {
    case "bar":
      return b.kind === "bar" && sameOrUnknown(a.bar, b.bar);
    case "plateMachine":
      return (
        b.kind === "plateMachine" && a.points === b.points && sameOrUnknown(a.carriage, b.carriage)
      );
    case "stack":
      return b.kind === "stack" && a.pulleyRatio === b.pulleyRatio;
    case "dumbbells":
      return b.kind === "dumbbells" && a.counted === b.counted;
    case "freeObject":
      return b.kind === "freeObject" && a.held === b.held;
    case "bodyweight":
      return b.kind === "bodyweight" && a.movedShare === b.movedShare;
    case "assisted":
      return b.kind === "assisted" && a.movedShare === b.movedShare;
    case "band":
    case "unloaded":
      return a.kind === b.kind;
    default:
      return assertNever(a);
  }
}

function sameOrUnknown(a: Mass | null, b: Mass | null): boolean {
  return a === null || b === null ? a === b : sameReading(a, b);
}
