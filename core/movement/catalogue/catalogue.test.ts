import { USUAL_NAMES } from "./shipped/usual-names.ts";
import { describe, expect, it } from "vitest";
import { isMovementRef, PATTERNS, REGIONS, TRAINABLE_LENGTHS } from "../../kernel/index.ts";
import { findMovement, SHIPPED_MOVEMENTS } from "./catalogue.ts";

describe("the movements that ship", () => {
  it("have references of their own", () => {
    expect(new Set(SHIPPED_MOVEMENTS.map((m) => m.ref)).size).toBe(SHIPPED_MOVEMENTS.length);
    expect(SHIPPED_MOVEMENTS.every((m) => isMovementRef(m.ref))).toBe(true);
  });

  it.each(SHIPPED_MOVEMENTS.map((m) => [m.name, m] as const))("%s is complete", (_, movement) => {
    expect(movement.regions.some((r) => r.share === 1)).toBe(true);
    expect(new Set(movement.regions.map((r) => r.region)).size).toBe(movement.regions.length);
    expect(movement.substitutes.length).toBeGreaterThanOrEqual(2);
    for (const substitute of movement.substitutes) {
      expect(findMovement(substitute.movement), substitute.movement).not.toBeNull();
      expect(substitute.movement).not.toBe(movement.ref);
      expect(substitute.reason).not.toBe("");
    }
    const { handsFree } = movement;
    if (handsFree !== undefined) {
      expect(findMovement(handsFree.movement)?.name).toBe(handsFree.name);
      expect(findMovement(handsFree.movement)?.handsFree).toBeUndefined();
    }
    for (const parameter of movement.setUp) expect(parameter.choices).toContain(parameter.usual);
    for (const fault of movement.faults) {
      expect([fault.cause, fault.cue, fault.corrective].every((text) => text.length > 3)).toBe(
        true,
      );
    }
    expect(movement.cautions.length).toBeGreaterThan(0);
    expect(movement.loadings.length).toBeGreaterThan(0);
  });

  it("answers null for a reference that names nothing", () => {
    expect(findMovement("shipped:no-such")).toBeNull();
  });
});

describe("the catalogue as a whole", () => {
  it("holds at least 120 movements, and some in every pattern", () => {
    expect(SHIPPED_MOVEMENTS.length).toBeGreaterThanOrEqual(120);
    for (const pattern of PATTERNS) {
      expect(
        SHIPPED_MOVEMENTS.filter((m) => m.pattern === pattern).length,
        pattern,
      ).toBeGreaterThan(2);
    }
  });

  it("trains every region directly at every length that anatomy allows", () => {
    const missing = REGIONS.flatMap((region) =>
      TRAINABLE_LENGTHS[region]
        .filter(
          (length) =>
            !SHIPPED_MOVEMENTS.some(
              (m) =>
                m.pattern !== "mobility" &&
                m.length === length &&
                m.regions.some((r) => r.region === region && r.share === 1),
            ),
        )
        .map((length) => `${region} ${length}`),
    );
    expect(missing).toEqual([]);
  });

  it("has something with next to no kit for every region of the legs", () => {
    const lowKit = SHIPPED_MOVEMENTS.filter((m) =>
      m.loadings.some((l) => l === "bodyweight" || l === "band" || l === "unloaded"),
    );
    const missing = REGIONS.filter(
      (region) =>
        region !== "upperBack" &&
        region !== "grip" &&
        !lowKit.some((m) => m.regions.some((r) => r.region === region && r.share === 1)),
    );
    expect(missing).toEqual([]);
  });

  it("names no set-up choice that shifts anything without offering it", () => {
    for (const movement of SHIPPED_MOVEMENTS) {
      for (const parameter of movement.setUp) {
        for (const shifted of Object.keys(parameter.shifts ?? {})) {
          expect(parameter.choices, movement.name).toContain(shifted);
        }
      }
    }
  });

  it("puts the same plain facts together: a machine that holds the trunk asks little of the spine", () => {
    for (const m of SHIPPED_MOVEMENTS.filter((s) => s.stability === "supported")) {
      if (m.ref !== "shipped:seated-good-morning") expect(m.spinalLoad, m.name).not.toBe("high");
    }
  });
});

describe("other names", () => {
  it("belong to exercises that there are", () => {
    const slugs = SHIPPED_MOVEMENTS.map(({ ref }) => ref.slice("shipped:".length));
    expect(Object.keys(USUAL_NAMES).filter((slug) => !slugs.includes(slug))).toEqual([]);
  });
});
