import type { Id } from "../kernel/index.ts";

/** A set that something follows from, or one extension of it. */
export interface SetReference {
  readonly set: Id<"set">;
  /** The extension, under the name that it is stored by; null for the set itself. */
  readonly part: Id<"extension"> | null;
}

/** A reference as one string, for maps. */
export const referenceText = ({ set, part }: SetReference): string => `${set}/${part ?? ""}`;

/** The new ids of copied sets and their extensions; one that is not in it keeps its own. */
export interface SetCopies {
  readonly sets: ReadonlyMap<Id<"set">, Id<"set">>;
  readonly extensions: ReadonlyMap<Id<"extension">, Id<"extension">>;
}

/** Nothing copied yet: references stay as they are. */
export const NO_COPIES: SetCopies = { sets: new Map(), extensions: new Map() };

/** A reference led to the copy of what it refers to. */
export function ledTo<R extends SetReference>(reference: R, { sets, extensions }: SetCopies): R {
  const { set, part } = reference;
  return {
    ...reference,
    set: sets.get(set) ?? set,
    part: part === null ? null : (extensions.get(part) ?? part),
  };
}

/** What a load comes from: it is decided by itself, follows from another set, or is worked out on the day. */
export type Follows = "nothing" | "set" | "day";
