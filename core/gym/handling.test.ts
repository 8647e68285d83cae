import { describe, expect, it } from "vitest";
import { kg } from "../kernel/index.ts";
import { changeBetween, piecesHandled } from "./handling.ts";
import type { Recipe } from "./loading.ts";

const plates = (...sizes: number[]): Recipe => ({
  kind: "plates",
  points: 2,
  perPoint: sizes.map(kg),
});

describe("changing a load", () => {
  it("leaves the inner plates that both loads share and takes the outermost off first", () => {
    expect(changeBetween(plates(20, 10, 2.5), plates(20, 5))).toEqual({
      kind: "plates",
      points: 2,
      takeOff: [kg(2.5), kg(10)],
      hang: [kg(5)],
    });
  });

  it("is nothing when the load stays, and everything from an empty station", () => {
    expect(changeBetween(plates(20), plates(20))).toEqual({ kind: "none" });
    expect(changeBetween(null, plates(20, 5))).toMatchObject({
      takeOff: [],
      hang: [kg(20), kg(5)],
    });
    expect(changeBetween(plates(20, 5), plates())).toMatchObject({
      takeOff: [kg(5), kg(20)],
      hang: [],
    });
  });

  it("sees a moved pin and a changed add-on, and dumbbells of another size", () => {
    const pin = (at: number, ...addOns: number[]): Recipe => ({
      kind: "pin",
      pin: kg(at),
      addOns: addOns.map(kg),
    });
    expect(changeBetween(pin(20), pin(20))).toEqual({ kind: "none" });
    expect(changeBetween(pin(20), pin(20, 2.5)).kind).toBe("pin");
    expect(changeBetween(pin(20, 2.5), pin(20, 5)).kind).toBe("pin");
    const bells = (each: number): Recipe => ({ kind: "dumbbells", each: kg(each) });
    expect(changeBetween(bells(10), bells(10)).kind).toBe("none");
    expect(changeBetween(bells(10), bells(12)).kind).toBe("dumbbells");
  });

  it("counts plates on both sides, a pin with its add-ons, and two dumbbells", () => {
    expect(piecesHandled(changeBetween(plates(20, 10), plates(20, 5)))).toBe(4);
    expect(piecesHandled({ kind: "pin", pin: kg(5), addOns: [kg(1)] })).toBe(2);
    expect(piecesHandled({ kind: "dumbbells", each: kg(5) })).toBe(2);
    expect(piecesHandled({ kind: "none" })).toBe(0);
  });
});
