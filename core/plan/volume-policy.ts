import type { ExtensionKind } from "./extension.ts";

/** Stated settings of the count of hard sets. */
export interface VolumePolicy {
  /** What each extension adds to its set's count: 0 counts the set once, whatever extends it. */
  readonly extensionAdds: Readonly<Record<ExtensionKind, 0 | 0.5 | 1>>;
  /** What of a density block counts: sets within reach of the limit, or every set, whole or as a half. */
  readonly density: "withinReach" | "half" | "all";
}
