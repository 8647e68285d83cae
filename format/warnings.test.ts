import { describe, expect, it } from "vitest";
import type { Warning } from "~/core/coach/warnings/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import { formatWarning, formatWarningBriefly } from "./warnings.ts";
import { MUSCLES } from "./muscles.ts";

const briefly = (warning: Warning) => formatWarningBriefly(warning, findMovement, MUSCLES.coach);
const seen = (warning: Warning) =>
  formatWarning(warning, findMovement, MUSCLES.coach, "Heavy Iron").seen;

describe("a warning over weeks", () => {
  it("writes shares as per cent, with their sign", () => {
    const cut = { kind: "weakerThanLighter", weight: -0.022, strength: -0.05, weeks: 6 } as const;
    expect(briefly(cut)).toEqual({ next: "strength -5%", why: "body weight -2.2%" });
    expect(seen({ ...cut, kind: "heavierNotStronger", weight: 0.03, strength: 0 })).toBe(
      "Body weight +3% in 6 weeks, strength 0%.",
    );
    const drift = {
      kind: "sideDrift",
      movement: "shipped:leg-extension",
      weaker: "left",
      from: 0.04,
      to: 0.125,
    } as const;
    expect(briefly(drift).why).toBe("left leg 12.5% behind");
    expect(seen(drift)).toBe("Leg extension: the left leg does 12.5% less, before that 4%.");
  });
});
