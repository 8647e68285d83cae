import type { Follows, SetCopies } from "./reference.ts";

/** A load whose references are led to copied sets. */
export type Leads<L> = (rule: L, copies: SetCopies) => L;

/** A load that refers to no set stays as it is when sets are copied. */
export const stays = <L>(rule: L): L => rule;
/** Decided by itself, from session to session. */
export const byItself = (): Follows => "nothing";
/** Worked out anew on the day, so that nothing is decided. */
export const onTheDay = (): Follows => "day";
