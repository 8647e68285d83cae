import { Outlet } from "react-router";
import { requireSignIn, signedInOf } from "~/server/auth/session.server.ts";
import { listOwnMovements } from "~/server/db/movements.server.ts";
import { listOwnSetUps, setUpsByRef } from "~/server/db/own-set-ups.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/studio.ts";
import { SettingsProvider } from "../components/wording.ts";
import { Shell } from "../components/shell.tsx";

export const middleware: Route.MiddlewareFunction[] = [requireSignIn];

export const loader = reading(async (scope, { context }: Route.LoaderArgs) => {
  const { studioName, displayName, settings } = signedInOf(context);
  const [ownMovements, setUps] = await Promise.all([listOwnMovements(scope), listOwnSetUps(scope)]);
  return { studioName, displayName, ownMovements, ownSetUps: setUpsByRef(setUps), settings };
});

export default function Studio({ loaderData }: Route.ComponentProps) {
  return (
    <SettingsProvider value={loaderData.settings}>
      <Shell studioName={loaderData.studioName} displayName={loaderData.displayName}>
        <Outlet />
      </Shell>
    </SettingsProvider>
  );
}
