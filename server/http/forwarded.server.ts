import type { NextFunction, Request, Response } from "express";
import type { Logger } from "pino";

/** Says, once in an hour, that a proxy names clients whom nobody told Kravo to believe. */
export function announceProxy(log: Pick<Logger, "warn">) {
  let last = -Infinity;
  return (req: Pick<Request, "headers">, _res: Response, next: NextFunction) => {
    const isForwarded = req.headers["x-forwarded-for"] ?? req.headers["forwarded"];
    if (isForwarded !== undefined && performance.now() - last > 3_600_000) {
      last = performance.now();
      log.warn(
        "requests carry forwarded addresses but TRUSTED_PROXIES is 0: all clients behind the proxy count as one " +
          "and are throttled together; set TRUSTED_PROXIES to the number of proxies in front",
      );
    }
    next();
  };
}
