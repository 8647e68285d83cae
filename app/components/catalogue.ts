import { useMemo } from "react";
import { useRouteLoaderData } from "react-router";
import { catalogueOf, type Catalogue } from "~/core/movement/catalogue/index.ts";
import type { loader } from "../routes/studio.tsx";

/** The movements of the studio that is signed in: those that ship and its own. */
export function useCatalogue(): Catalogue {
  const studio = useRouteLoaderData<typeof loader>("routes/studio");
  const own = studio?.ownMovements;
  const setUps = studio?.ownSetUps;
  return useMemo(() => catalogueOf(own ?? [], setUps ?? {}), [own, setUps]);
}
