import { v7 } from "uuid";
import { idOf, type IdOf, type MintId } from "~/core/kernel/index.ts";

/** A fresh UUIDv7; the same on the device and on the server. */
export const mintId: MintId = <K extends IdOf>() => idOf<K>(v7());
