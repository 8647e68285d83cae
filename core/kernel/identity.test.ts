import { describe, expect, it } from "vitest";
import { isMovementRef } from "./identity.ts";

const UUID = "0198c0de-0000-7000-8000-000000000000";

describe("a reference to a movement", () => {
  it.each(["shipped:squat", "shipped:back-squat-2", `studio:${UUID}`, `shipped:${"a".repeat(72)}`])(
    "is %s",
    (text) => {
      expect(isMovementRef(text)).toBe(true);
    },
  );

  it.each([
    "",
    "squat",
    "shipped:",
    "shipped:Back-Squat",
    "shipped:-squat",
    "shipped:squat-",
    "studio:",
    "studio:squat",
    UUID,
    `other:${UUID}`,
    `studio:${UUID}studio:`,
    `${UUID}studio:`,
    `shipped:${"a".repeat(73)}`,
  ])("is not %s", (text) => {
    expect(isMovementRef(text)).toBe(false);
  });
});
