import type { NewId } from "../../kernel/index.ts";
import type { PlannedSet } from "../index.ts";
import type { NotationContext } from "./context.ts";
import type { NotationError, Trouble } from "./error.ts";
import type { Span } from "./span.ts";

/** A line while it is read: where it stands, the sets read so far, and what is wrong with it. */
export interface Reading {
  readonly context: NotationContext;
  readonly newId: NewId;
  /** The sets read so far, for references to them. */
  readonly before: PlannedSet[];
  /** The facets that were said of any set, also where they say what is usual. */
  readonly said: Set<string>;
  readonly errors: NotationError[];
}

/** A reading that has read nothing, or these sets. */
export function reading(
  context: NotationContext,
  newId: NewId,
  before: readonly PlannedSet[] = [],
): Reading {
  return { context, newId, before: [...before], said: new Set(), errors: [] };
}

/** Notes what is wrong, with its place; reading goes on. */
export function note({ errors }: Reading, { at, length }: Span, trouble: Trouble): void {
  errors.push({ at, length, ...trouble });
}
