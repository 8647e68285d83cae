import { describe, expect, it } from "vitest";
import { logger } from "./log.server.ts";

function logged(error: unknown): string {
  const lines: string[] = [];
  logger({ LOG_LEVEL: "info" }, { write: (line: string) => lines.push(line) }).error({
    err: error,
  });
  return lines.join("");
}

describe("an error in the log", () => {
  it("from the database keeps its code and place, and none of the values in the query", () => {
    const error = Object.assign(
      new Error("insert into people values ('Ada', 'sore knee') - Duplicate"),
      {
        code: "ER_DUP_ENTRY",
        sql: "insert into people values ('Ada', 'sore knee')",
        sqlMessage: "Duplicate entry 'Ada'",
      },
    );
    const line = logged(error);
    expect(line).toContain("ER_DUP_ENTRY");
    expect(line).toContain("log.test.ts");
    expect(line).not.toMatch(/Ada|knee/);
  });

  it("of our own keeps its message, and what is no error only its type", () => {
    expect(logged(new Error("unhandled variant"))).toContain("unhandled variant");
    expect(logged("Ada has a sore knee")).not.toContain("Ada");
  });
});
