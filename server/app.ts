import { instant } from "../core/kernel/index.ts";
import { randomBytes, randomUUID } from "node:crypto";
import { createRequestHandler } from "@react-router/express";
import express, { type Express, type NextFunction, type Request, type Response } from "express";
import compression from "compression";
import sirv from "sirv";
import helmet from "helmet";
import type { Logger } from "pino";
import { RouterContextProvider, type ServerBuild } from "react-router";
import * as built from "virtual:react-router/server-build";
import { requestContext } from "./context.server.ts";
import { BODY_BOUNDS } from "./http/body.server.ts";
import { announceProxy } from "./http/forwarded.server.ts";
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
  app.use(discardUnread);
  app.use(refuseUnreadable);
  if (environment.TRUSTED_PROXIES === 0) app.use(announceProxy(log));
  if (!isDev) {
    // As the build compressed them; names in assets change with their content.
    const files = { brotli: true, gzip: true, extensions: [], etag: true };
    app.use(
      "/assets",
      sirv("build/client/assets", { ...files, immutable: true, maxAge: 31_536_000 }),
    );
    app.use(sirv("build/client", { ...files, maxAge: 300 }));
  }
  app.use(compression());
  app.get("/favicon.ico", (_req, res) => {
    res.redirect(301, "/mark.svg");
  });
  app.use(sameOriginOnly(environment.PUBLIC_ORIGIN));
  // Whatever is answered from here on is one studio's own, in whichever shape the router gives it.
  app.use((_req, res, next) => {
    res.setHeader("cache-control", "private, no-store");
    next();
  });
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
          now: instant(
            environment.KRAVO_FIXED_NOW === undefined
              ? Date.now()
              : Date.parse(environment.KRAVO_FIXED_NOW),
          ),
          nonce: String(res.locals["nonce"]),
          requestId,
          log: log.child({ requestId }),
          address: req.ip ?? "unknown",
        });
        return context;
      },
    }),
  );
  app.use(answerThrown(log));
  return app;
}

/** How long the rest of a body is taken and thrown away after its answer. */
const LINGER_MS = 5000;

/**
 * Takes what is still coming of a request that was answered before all of it was read, without keeping any of it:
 * closing at once would take the answer along. Whoever sends for longer is cut off.
 */
function discardUnread(req: Request, res: Response, next: NextFunction) {
  res.on("finish", () => {
    if (req.complete) return;
    req.removeAllListeners("data").resume();
    setTimeout(() => {
      if (!req.complete) req.socket.destroy();
    }, LINGER_MS).unref();
  });
  next();
}

const METHODS: ReadonlySet<string> = new Set(["GET", "HEAD", "POST"]);

/** Refuses what no handler could read: a method or a host that is none, an address that is none, a body of any size. */
function refuseUnreadable(req: Request, res: Response, next: NextFunction) {
  if (
    (req.headers.host ?? "") === "" ||
    !URL.canParse(`http://${req.headers.host}${req.originalUrl}`) ||
    !isDecodable(req.path)
  ) {
    res.status(400).type("text").send("Refused: this address cannot be read.");
    return;
  }
  if (!METHODS.has(req.method)) {
    res
      .status(405)
      .set("allow", [...METHODS].join(", "))
      .type("text")
      .send("Refused: no such method.");
    return;
  }
  const length = Number(req.headers["content-length"] ?? 0);
  if (!(length <= BODY_BOUNDS.bytes)) {
    res.status(413).type("text").send("Refused: this is too large.");
    return;
  }
  next();
}

function isDecodable(path: string): boolean {
  try {
    // Its outcome is used, since a build leaves out what seems to have no effect.
    return decodeURIComponent(path) !== "";
  } catch {
    return false;
  }
}

/** What was thrown before or beside the router: a client's fault where it says so, else a 500 without detail. */
function answerThrown(log: Logger) {
  return (error: unknown, _req: Request, res: Response, next: NextFunction) => {
    if (res.headersSent) {
      next(error);
      return;
    }
    log.error({ err: error, requestId: String(res.locals["requestId"]) });
    const isUnreadable = error instanceof URIError;
    res
      .status(isUnreadable ? 400 : 500)
      .type("text")
      .send(
        isUnreadable ? "Refused: this address cannot be read." : "Something broke on our side.",
      );
  };
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

const SOLVER = "/assets/suggest-worker-";

function securityHeaders(environment: Environment, isDev: boolean) {
  const isHttps = environment.PUBLIC_ORIGIN.startsWith("https:");
  const nonce = (_req: unknown, res: unknown) =>
    `'nonce-${String((res as Response).locals["nonce"])}'`;
  // A worker has the policy of its own file: only the one that holds the solver may compile WebAssembly.
  const scripts = (req: unknown, res: unknown) =>
    (req as Request).path.startsWith(SOLVER) ? "'wasm-unsafe-eval'" : nonce(req, res);
  return helmet({
    strictTransportSecurity: isHttps,
    crossOriginOpenerPolicy: isHttps,
    contentSecurityPolicy: isDev
      ? false
      : {
          useDefaults: false,
          directives: {
            "default-src": ["'self'"],
            "script-src": ["'self'", scripts],
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
