import type { RouterContextProvider } from "react-router";
import { reachingDatabase, scopeOf } from "../auth/session.server.ts";
import { requestOf } from "../context.server.ts";
import type { Scope } from "../db/scope.server.ts";
import type { SetApart } from "../db/set-apart.server.ts";

/** What a page was loaded with, and the records that were left out of it because they could not be read. */
export type Loaded<T> = T & { readonly setApart: readonly SetApart[] };

/**
 * A loader behind the sign-in: gives it the scope of its studio, tells which records it left out, and answers
 * 503 where the database is gone.
 */
export function reading<A extends { context: Readonly<RouterContextProvider> }, T extends object>(
  load: (scope: Scope, args: A) => Promise<T>,
): (args: A) => Promise<Loaded<T>> {
  return async (args) => {
    const scope = scopeOf(args.context);
    try {
      const loaded = await reachingDatabase(() => load(scope, args));
      return { ...loaded, setApart: scope.setApart };
    } finally {
      for (const { what, id, why } of scope.setApart) {
        requestOf(args.context).log.warn({ what, id, why }, "a record could not be read");
      }
    }
  };
}

/** An action behind the sign-in: gives it the scope of its studio, and answers 503 where the database is gone. */
export function writing<A extends { context: Readonly<RouterContextProvider> }, T>(
  act: (scope: Scope, args: A) => Promise<T>,
): (args: A) => Promise<T> {
  return (args) => reachingDatabase(() => act(scopeOf(args.context), args));
}
