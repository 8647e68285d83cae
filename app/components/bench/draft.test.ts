import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { samplePlan, sampleDay, sampleId } from "../../../tests/samples/index.ts";
import { reduceDraft, startDraft, type Draft } from "./draft.ts";

function titled(title: string): Draft {
  return {
    head: { title, day: sampleDay(), startTime: null, gymId: sampleId(900) },
    plan: samplePlan(),
  };
}

const FIRST = titled("first");
const rename = (title: string, step: string | null = null) => ({
  kind: "change" as const,
  to: (d: Draft) => ({ ...d, head: { ...d.head, title } }),
  step,
});

describe("the draft's history", () => {
  it("goes back one change at a time and forward again, to the very same values", () => {
    const one = reduceDraft(startDraft(FIRST), rename("one"));
    const two = reduceDraft(one, rename("two"));
    const back = reduceDraft(two, { kind: "undo" });
    expect(back.now).toBe(one.now);
    expect(reduceDraft(back, { kind: "undo" }).now).toBe(FIRST);
    expect(reduceDraft(back, { kind: "redo" }).now).toBe(two.now);
  });

  it("goes back by what is typed in one go, and by each press", () => {
    const typed = ["o", "on", "one"].reduce(
      (state, text) => reduceDraft(state, rename(text, "word 1")),
      startDraft(FIRST),
    );
    const second = reduceDraft(reduceDraft(typed, rename("one t", "word 2")), rename("press"));
    const pressed = reduceDraft(second, rename("press again"));
    const titles = [0, 1, 2, 3].reduce<string[]>((seen, n) => {
      let state = pressed;
      for (let i = 0; i <= n; i++) state = reduceDraft(state, { kind: "undo" });
      return [...seen, state.now.head.title];
    }, []);
    expect(titles).toEqual(["press", "one t", "one", "first"]);
  });

  it("begins a new step where typing goes on after an undo", () => {
    const typed = reduceDraft(startDraft(FIRST), rename("one", "word"));
    const back = reduceDraft(reduceDraft(typed, rename("two", "other")), { kind: "undo" });
    const on = reduceDraft(back, rename("one!", "other"));
    expect(reduceDraft(on, { kind: "undo" }).now.head.title).toBe("one");
  });

  it("forgets what was undone once something else is changed", () => {
    const undone = reduceDraft(reduceDraft(startDraft(FIRST), rename("one")), { kind: "undo" });
    const other = reduceDraft(undone, rename("other"));
    expect(reduceDraft(other, { kind: "redo" })).toBe(other);
  });

  it("keeps no entry for a change that changes nothing", () => {
    const state = startDraft(FIRST);
    expect(reduceDraft(state, { kind: "change", to: (d) => d, step: null })).toBe(state);
    expect(reduceDraft(state, { kind: "change", to: (d) => structuredClone(d), step: null })).toBe(
      state,
    );
  });

  it("is unsaved again after an undo past the save", () => {
    const one = reduceDraft(startDraft(FIRST), rename("one"));
    const saved = reduceDraft(one, { kind: "saved", draft: one.now });
    expect(saved.now).toBe(saved.saved);
    expect(reduceDraft(saved, { kind: "undo" }).now).not.toBe(saved.saved);
  });

  it("after any number of changes, as many undos give back the first, up to 200", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 260 }), (n) => {
        let state = startDraft(FIRST);
        for (let i = 0; i < n; i += 1) state = reduceDraft(state, rename(`change ${i}`));
        for (let i = 0; i < n; i += 1) state = reduceDraft(state, { kind: "undo" });
        const reached = n <= 200 ? "first" : `change ${n - 201}`;
        expect(state.now.head.title).toBe(reached);
        expect(state.future).toHaveLength(Math.min(n, 200));
      }),
      { numRuns: 25 },
    );
  });
});
