import { useState } from "react";
import type { Slot } from "~/core/plan/index.ts";

/**
 * The row of a session that is worked on, by the id of its exercise or block; null where all are closed. Where there is
 * one exercise alone there is nothing else to be read: it is open until somebody closes it.
 */
export function useOpenRow(slots: readonly Slot[]) {
  const [opened, setOpened] = useState<string | null | undefined>(undefined);
  const [only, ...others] = slots;
  const open = opened === undefined && others.length === 0 ? (only?.id ?? null) : (opened ?? null);
  return { open, setOpened };
}
