import type { Logger } from "pino";
import { createContext, type RouterContextProvider } from "react-router";
import type { Instant } from "~/core/kernel/index.ts";
import type { Database } from "./db/connection.server.ts";
import type { Environment } from "./environment.server.ts";

/** What every request carries into loaders and actions. */
export interface RequestContext {
  readonly db: Database;
  readonly environment: Environment;
  readonly now: Instant;
  readonly nonce: string;
  readonly requestId: string;
  readonly log: Logger;
  readonly address: string;
}

export const requestContext = createContext<RequestContext | null>(null);

/** The request's context. Throws when the server did not set it, which is a bug. */
export function requestOf(context: Readonly<RouterContextProvider>): RequestContext {
  const found = context.get(requestContext);
  if (found === null) throw new Error("request context is not set");
  return found;
}
