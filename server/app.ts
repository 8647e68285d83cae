import { randomBytes, randomUUID } from "node:crypto";
import { createRequestHandler } from "@react-router/express";
import express, { type Express, type NextFunction, type Request, type Response } from "express";
import helmet from "helmet";
import type { Logger } from "pino";
import { RouterContextProvider, type ServerBuild } from "react-router";
import * as built from "virtual:react-router/server-build";
import { requestContext } from "./context.server.ts";
import { openDatabase, type Database } from "./db/connection.server.ts";
import { isMigrated } from "./db/schema.server.ts";
import type { Environment } from "./environment.server.ts";
import { logger } from "./log.server.ts";

export { readEnvironment } from "./environment.server.ts";
export { migrate } from "./db/schema.server.ts";
export { logger, openDatabase };
/** The built routes; the cast is over an optional property that the generated module types as undefined. */
export const build = built as ServerBuild;

/** The request handler with everything around it; the caller listens and closes. */
export function createApp(
  environment: Environment,
  db: Database,
  log: Logger = logger(environment),
): Express {
  const app = express();
  const isDev = environment.NODE_ENV === "development";
  app.disable("x-powered-by");
  app.set("trust proxy", environment.TRUSTED_PROXIES);
  app.use((_req, res, next) => {
    res.locals["nonce"] = randomBytes(16).toString("base64");
    res.locals["requestId"] = randomUUID();
    res.setHeader("x-request-id", String(res.locals["requestId"]));
    next();
  });
  app.get("/healthz", (_req, res) => void res.type("text").send("ok"));
  app.get("/readyz", async (_req, res) => {
    const ready = await isMigrated(db).catch(() => false);
    res
      .status(ready ? 200 : 503)
      .type("text")
      .send(ready ? "ready" : "not ready");
  });
  app.use(logRequests(log));
  app.use(securityHeaders(environment, isDev));
  if (!isDev) {
    app.use("/assets", express.static("build/client/assets", { immutable: true, maxAge: "1y" }));
    app.use(express.static("build/client", { maxAge: "5m", index: false }));
  }
  app.get("/favicon.ico", (_req, res) => {
    res.redirect(301, "/mark.svg");
  });
  app.use(sameOriginOnly(environment.PUBLIC_ORIGIN));
  app.use(
    createRequestHandler({
      build,
      mode: environment.NODE_ENV,
      getLoadContext: (req, res) => {
        const context = new RouterContextProvider();
        const requestId = String(res.locals["requestId"]);
        context.set(requestContext, {
          db,
          environment,
          now:
            environment.KRAVO_FIXED_NOW === undefined
              ? Date.now()
              : Date.parse(environment.KRAVO_FIXED_NOW),
          nonce: String(res.locals["nonce"]),
          requestId,
          log: log.child({ requestId }),
          address: req.ip ?? "unknown",
        });
        return context;
      },
    }),
  );
  return app;
}

/** One structured line for each request: method, path pattern without query, status, duration. No names. */
function logRequests(log: Logger) {
  return (req: Request, res: Response, next: NextFunction) => {
    const begun = performance.now();
    res.on("finish", () => {
      log.info({
        requestId: res.locals["requestId"] as string,
        method: req.method,
        path: req.originalUrl.split("?")[0],
        status: res.statusCode,
        ms: Math.round(performance.now() - begun),
      });
    });
    next();
  };
}

function securityHeaders(environment: Environment, isDev: boolean) {
  const isHttps = environment.PUBLIC_ORIGIN.startsWith("https:");
  const nonce = (_req: unknown, res: unknown) =>
    `'nonce-${String((res as Response).locals["nonce"])}'`;
  return helmet({
    strictTransportSecurity: isHttps,
    crossOriginOpenerPolicy: isHttps,
    contentSecurityPolicy: isDev
      ? false
      : {
          useDefaults: false,
          directives: {
            "default-src": ["'self'"],
            "script-src": ["'self'", nonce],
            "style-src": ["'self'", nonce],
            "style-src-attr": ["'unsafe-inline'"],
            "img-src": ["'self'", "data:"],
            "font-src": ["'self'"],
            "connect-src": ["'self'"],
            "worker-src": ["'self'"],
            "object-src": ["'none'"],
            "base-uri": ["'none'"],
            "form-action": ["'self'"],
            "frame-ancestors": ["'none'"],
          },
        },
    referrerPolicy: { policy: "same-origin" },
  });
}

/** Refuses every write that a page of another origin could have caused. */
function sameOriginOnly(origin: string) {
  return (req: Request, res: Response, next: NextFunction) => {
    if (req.method === "GET" || req.method === "HEAD") {
      next();
      return;
    }
    const from = req.get("origin");
    const site = req.get("sec-fetch-site");
    if (from === origin && (site === undefined || site === "same-origin")) {
      next();
      return;
    }
    res.status(403).type("text").send(`Refused: this request did not come from ${origin}.`);
  };
}
