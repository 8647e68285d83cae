import { describe, expect, it } from "vitest";
import { announceProxy } from "./forwarded.server.ts";

describe("forwarded addresses that nobody told Kravo to believe", () => {
  const run = (headers: readonly Record<string, string>[]) => {
    const warnings: string[] = [];
    const handle = announceProxy({ warn: (text: string) => void warnings.push(text) } as never);
    let passed = 0;
    for (const each of headers) handle({ headers: each }, {} as never, () => (passed += 1));
    return { warnings, passed };
  };

  it("are announced once, and every request goes on", () => {
    const forwarded = { "x-forwarded-for": "203.0.113.7" };
    const { warnings, passed } = run([forwarded, forwarded, { forwarded: "for=203.0.113.7" }]);
    expect(warnings).toHaveLength(1);
    expect(warnings[0]).toContain("TRUSTED_PROXIES");
    expect(passed).toBe(3);
  });

  it("are not announced where there are none", () => {
    expect(run([{}, { host: "kravo.example" }])).toEqual({ warnings: [], passed: 2 });
  });
});
