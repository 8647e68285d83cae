import { parse, stringify } from "uuid";
import { idOf, type Actor, type Id, type IdOf } from "~/core/kernel/index.ts";

/** An id as BINARY(16). */
export function toBinary(id: string): Buffer {
  return Buffer.from(parse(id));
}

/** An id from BINARY(16). Throws on anything else, which would be a broken row. */
export function fromBinary<K extends IdOf>(value: unknown): Id<K> {
  if (!(value instanceof Uint8Array)) throw new Error(`not a binary id: ${JSON.stringify(value)}`);
  return idOf<K>(stringify(value));
}

/** The actor of a write as two columns. A link's id is its grant's, also a UUID. */
export function actorColumns(actor: Actor): { actor_kind: string; actor_id: Buffer | null } {
  return {
    actor_kind: actor.kind,
    actor_id: actor.kind === "system" ? null : toBinary(actor.id),
  };
}
