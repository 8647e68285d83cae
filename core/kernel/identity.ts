declare const idBrand: unique symbol;

/** What an id can name. One list, so that ids of different things cannot be mixed up. */
export type IdOf =
  | "user"
  | "studio"
  | "person"
  | "gym"
  | "station"
  | "stationVersion"
  | "plan"
  | "revision"
  | "block"
  | "slot"
  | "set"
  | "extension"
  | "item"
  | "line"
  | "lineage"
  | "sessionLog"
  | "device"
  | "command"
  | "loggedSet"
  | "pain"
  | "ruling"
  | "waiting"
  | "warning"
  | "putOff"
  | "approach"
  | "movement"
  | "measurement"
  | "dismissal"
  | "comparing"
  | "template"
  | "phaseTemplate"
  | "phase"
  | "phaseDay"
  | "event"
  | "grant"
  | "phaseRevision";

/** A UUID in lower-case text form, branded by what it names. */
export type Id<K extends IdOf> = string & { readonly [idBrand]: K };

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** True for a UUID in lower-case text form; which thing it names is the caller's claim. */
export function isId<K extends IdOf>(text: string): text is Id<K> {
  return UUID.test(text);
}

/** Brands a UUID. Throws on anything else, since an unparsed id reaching core is a bug. */
export function idOf<K extends IdOf>(text: string): Id<K> {
  if (!isId<K>(text)) throw new Error(`not a UUID: ${JSON.stringify(text)}`);
  return text;
}

/** Makes fresh ids; passed in so that core holds no randomness. */
export type NewId = <K extends IdOf>() => Id<K>;

/**
 * Makers of ids that give the same ids in the same order, one for each reading of a text that is still being
 * written: so what was read before stays the same thing at the next letter.
 */
export function sameIdsAgain(newId: NewId): () => NewId {
  const made: Id<IdOf>[] = [];
  return () => {
    let next = 0;
    return <K extends IdOf>() => {
      const id = (made[next] ??= newId());
      next += 1;
      return id as Id<K>;
    };
  };
}

/** Who wrote something: a signed-in user, a link somebody was given, or Kravo itself. */
export type Actor =
  | { readonly kind: "user"; readonly id: Id<"user"> }
  | { readonly kind: "link"; readonly id: string }
  | { readonly kind: "system" };

/** A movement: one that ships with Kravo (permanent slug) or one that a studio wrote (its UUID). */
export type MovementRef = `shipped:${string}` | `studio:${string}`;

/** True for `shipped:kebab-slug` or `studio:uuid`, as long as its column holds. */
export function isMovementRef(text: string): text is MovementRef {
  if (text.length > 80) return false;
  return (
    /^shipped:[a-z0-9]+(-[a-z0-9]+)*$/.test(text) ||
    (text.startsWith("studio:") && isId(text.slice(7)))
  );
}
