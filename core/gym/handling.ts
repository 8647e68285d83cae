import { mass, sameReading, ticksOf, type Mass, assertNever } from "../kernel/index.ts";
import type { Recipe } from "./loading.ts";

/** What has to be done at the station to get from one recipe to the next. */
export type Change =
  | { readonly kind: "none" }
  /** Plates to take off, then to hang, at each loading point, outermost first and innermost first. */
  | {
      readonly kind: "plates";
      readonly points: 1 | 2;
      readonly takeOff: readonly Mass[];
      readonly hang: readonly Mass[];
    }
  | { readonly kind: "pin"; readonly pin: Mass; readonly addOns: readonly Mass[] }
  | Exclude<Recipe, { kind: "plates" | "pin" | "nothing" }>;

const NO_CHANGE: Change = { kind: "none" };

/**
 * The change from one recipe to another at the same station; `from` null means an empty station.
 * Plates that both share from the inside out stay where they are.
 */
export function changeBetween(from: Recipe | null, to: Recipe): Change {
  switch (to.kind) {
    case "plates": {
      const before = from?.kind === "plates" ? from.perPoint : [];
      const kept = sharedLength(before, to.perPoint);
      const takeOff = before.slice(kept).reverse();
      const hang = to.perPoint.slice(kept);
      if (takeOff.length === 0 && hang.length === 0) return NO_CHANGE;
      return { kind: "plates", points: to.points, takeOff, hang };
    }
    case "pin": {
      const same =
        from?.kind === "pin" &&
        ticksOf(from.pin) === ticksOf(to.pin) &&
        from.addOns.length === to.addOns.length &&
        from.addOns.every((m, i) => ticksOf(m) === ticksOf(to.addOns[i] ?? to.pin));
      return same ? NO_CHANGE : { kind: "pin", pin: to.pin, addOns: to.addOns };
    }
    case "dumbbells":
      return from?.kind === "dumbbells" && sameReading(from.each, to.each) ? NO_CHANGE : to;
    case "object":
      return from?.kind === "object" && sameReading(from.each, to.each) ? NO_CHANGE : to;
    case "added": {
      const before = from?.kind === "added" ? from.mass : mass(0, to.mass.unit);
      return sameReading(before, to.mass) ? NO_CHANGE : to;
    }
    case "counterweight":
      return from?.kind === "counterweight" && sameReading(from.pin, to.pin) ? NO_CHANGE : to;
    case "band":
      return from?.kind === "band" && from.name === to.name ? NO_CHANGE : to;
    case "nothing":
      return NO_CHANGE;
    default:
      return assertNever(to);
  }
}

/** How many single plates, pins or dumbbells the change moves by hand. */
export function piecesHandled(change: Change): number {
  switch (change.kind) {
    case "none":
      return 0;
    case "plates":
      return change.points * (change.takeOff.length + change.hang.length);
    case "pin":
      return 1 + change.addOns.length;
    case "dumbbells":
      return 2;
    case "object":
      return change.held;
    case "added":
    case "counterweight":
    case "band":
      return 1;
    default:
      return assertNever(change);
  }
}

function sharedLength(a: readonly Mass[], b: readonly Mass[]): number {
  const at = b.findIndex((m, i) => a[i] === undefined || ticksOf(a[i]) !== ticksOf(m));
  return at < 0 ? Math.min(a.length, b.length) : at;
}
