import { v7 } from "uuid";
import { idOf, type IdOf, type NewId } from "~/core/kernel/index.ts";

/** A fresh UUIDv7; the same on the device and on the server. */
export const newId: NewId = <K extends IdOf>() => idOf<K>(v7());
