import type { Id } from "../kernel/index.ts";
import type { OwnVolume } from "./own-volume.ts";
import type { Stances } from "./questions.ts";

/** An approach: one that ships with Kravo (permanent slug), or a studio's own. */
export type ApproachRef = `shipped:${string}` | `studio:${string}`;

/** True for `shipped:kebab-slug` or `studio:uuid`. */
export function isApproachRef(text: string): text is ApproachRef {
  return /^shipped:[a-z]+(-[a-z]+)*$/.test(text) || /^studio:[0-9a-f-]{36}$/.test(text);
}

/** The reference of a studio's own approach. */
export function studioApproach(id: Id<"approach">): ApproachRef {
  return `studio:${id}`;
}

/**
 * A school: a side taken on every contested question, and what it says of itself. All settings follow from
 * the stances (see `settingsOf`), so that a copy is changed by taking other sides.
 */
export interface Approach {
  readonly ref: ApproachRef;
  readonly name: string;
  /** One sentence. */
  readonly summary: string;
  readonly holds: readonly string[];
  readonly disputed: readonly string[];
  readonly suits: string;
  readonly stances: Stances;
  /** Numbers of its own in place of what follows from the stances. */
  readonly ownVolume: OwnVolume;
}
