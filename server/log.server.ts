import { pino, type DestinationStream, type Logger, type LoggerOptions } from "pino";
import type { Environment } from "./environment.server.ts";

/** The log: one JSON line for each event, without personal data. */
export function logger(
  environment: Pick<Environment, "LOG_LEVEL">,
  to?: DestinationStream,
): Logger {
  const options: LoggerOptions = {
    level: environment.LOG_LEVEL,
    base: null,
    serializers: { err: withoutData },
    hooks: {
      // Without a message of ours, pino would take the error's own, which may quote a query.
      logMethod(args, method) {
        const [what, message = "an error"] = args as [unknown, string?];
        const isError = typeof what === "object" && what !== null && "err" in what;
        if (isError) method.call(this, what as never, message);
        else method.apply(this, args);
      },
    },
  };
  return to === undefined ? pino(options) : pino(options, to);
}

/** An error for the log. What the database says quotes the values of the query, so only its code is kept. */
function withoutData(error: unknown): object {
  if (!(error instanceof Error)) return { type: typeof error };
  const frames = error.stack?.split("\n").filter((line) => /^\s+at /.test(line)) ?? [];
  const isQuery = "sql" in error || "sqlMessage" in error;
  return {
    type: error.name,
    code: "code" in error ? error.code : undefined,
    message: isQuery ? "a query failed" : error.message,
    stack: frames.join("\n"),
  };
}
