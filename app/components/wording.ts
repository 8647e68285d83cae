import { createContext, use } from "react";
import { MUSCLES, type MuscleNames } from "~/format/muscles.ts";
import type { StudioSettings } from "~/core/person/index.ts";

const SettingsContext = createContext<StudioSettings | null>(null);
export const SettingsProvider = SettingsContext;

/** What the studio that is signed in has set for itself. */
export function useSettings(): StudioSettings {
  const settings = use(SettingsContext);
  if (settings === null) throw new Error("no studio around this part of the page");
  return settings;
}

/** The names of muscles as this studio says them. */
export function useMuscles(): MuscleNames {
  return MUSCLES[useSettings().muscles];
}
