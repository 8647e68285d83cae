import { assertNever } from "../kernel/index.ts";

/** The side that one step works on. */
export type Side = "both" | "left" | "right";

/**
 * Which side works: both together, one, each in turn, or alternating. `matchFirst` holds the side that goes
 * second to the reps of the first, so that the stronger side does no more than the weaker.
 */
export type SideMode =
  | { readonly kind: "both" }
  | { readonly kind: "left" }
  | { readonly kind: "right" }
  | { readonly kind: "each"; readonly first: "left" | "right"; readonly matchFirst: boolean }
  | { readonly kind: "alternating" };

/** Every way that sides can be taken. */
export const SIDE_MODES: readonly SideMode[] = [
  { kind: "both" },
  { kind: "each", first: "left", matchFirst: false },
  { kind: "each", first: "right", matchFirst: false },
  { kind: "each", first: "left", matchFirst: true },
  { kind: "each", first: "right", matchFirst: true },
  { kind: "alternating" },
  { kind: "left" },
  { kind: "right" },
];

/** The sides in the order in which they are trained. */
export function sidesOf(mode: SideMode): readonly Side[] {
  switch (mode.kind) {
    case "both":
    case "alternating":
      return ["both"];
    case "left":
    case "right":
      return [mode.kind];
    case "each":
      return mode.first === "left" ? ["left", "right"] : ["right", "left"];
    default:
      return assertNever(mode);
  }
}

/** What one counted rep of a step is: of both legs at once, of the one leg named, or one for each leg. */
export type LegsCounted = "bothAtOnce" | "oneLeg" | "perLeg";

/** What a rep counts in this mode. */
export function legsCounted(mode: SideMode): LegsCounted {
  switch (mode.kind) {
    case "both":
      return "bothAtOnce";
    case "alternating":
      return "perLeg";
    case "left":
    case "right":
    case "each":
      return "oneLeg";
    default:
      return assertNever(mode);
  }
}
