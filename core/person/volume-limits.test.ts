import { describe, expect, it } from "vitest";
import { EMPTY_BRIEF } from "./brief.ts";
import { NO_OWN_VOLUME, type OwnVolume } from "./own-volume.ts";
import { SHIPPED_APPROACHES } from "./shipped-approaches.ts";
import { highForIsolation, volumeLimitsFor } from "./volume-limits.ts";

const [even] = SHIPPED_APPROACHES;
const own = (over: Partial<OwnVolume>): OwnVolume => ({ ...NO_OWN_VOLUME, ...over });
const approach = (over: Partial<OwnVolume>) => ({ ...even!, ownVolume: own(over) });
const client = (over: Partial<OwnVolume>) => ({ ...EMPTY_BRIEF, ownVolume: own(over) });

describe("whose word a number of hard sets is", () => {
  const range = { soleus: { low: 3, high: 5 } };
  it("is the client's, then the approach's own, then its view", () => {
    const of = (a: Partial<OwnVolume>, c: Partial<OwnVolume>) =>
      volumeLimitsFor(approach(a), client(c)).weekly.soleus;
    expect(of({}, {})).toEqual({ low: 2, high: 12, whose: "view" });
    expect(of({ weekly: range }, {})).toEqual({ low: 3, high: 5, whose: "approach" });
    const theirs = { weekly: { soleus: { low: 1, high: 2 } } };
    expect(of({ weekly: range }, theirs)).toEqual({ low: 1, high: 2, whose: "client" });
  });

  it("is said once for the three vasti, unless a head has its own", () => {
    const all = { vastusLateralis: { low: 5, high: 9 } };
    const head = { ...all, vastusMedialis: { low: 6, high: 7 } };
    const of = (weekly: OwnVolume["weekly"]) => volumeLimitsFor(even!, client({ weekly })).weekly;
    expect(of(all).vastusMedialis).toEqual({ low: 5, high: 9, whose: "client" });
    expect(of(head).vastusMedialis).toEqual({ low: 6, high: 7, whose: "client" });
    expect(of(head).vastusIntermedius).toEqual({ low: 5, high: 9, whose: "client" });
    expect(of(all).soleus.whose).toBe("view");
  });

  it("is halved for somebody new, unless it was said of that client", () => {
    const of = (c: Partial<OwnVolume>) =>
      volumeLimitsFor(approach({ weekly: range }), { ...client(c), goal: "returning" }).weekly
        .soleus;
    expect(of({})).toEqual({ low: 2, high: 3, whose: "approach" });
    expect(of({ weekly: range })).toEqual({ low: 3, high: 5, whose: "client" });
  });

  it("caps a session and an exercise by the view on volume until somebody says otherwise", () => {
    const { session, exercise, isolation } = volumeLimitsFor(even!, EMPTY_BRIEF);
    expect([session, exercise, isolation]).toEqual([
      { sets: 20, whose: "view" },
      { sets: 6, whose: "view" },
      null,
    ]);
    const few = { ...even!, stances: { ...even!.stances, volume: "few" as const } };
    expect(volumeLimitsFor(few, EMPTY_BRIEF).session.sets).toBe(12);
    expect(volumeLimitsFor(approach({ exercise: 9 }), EMPTY_BRIEF).exercise.sets).toBe(9);
  });
});

describe("a week that is mostly isolation", () => {
  const high = (a: Partial<OwnVolume>, isolationVolume: "same" | "fewer") => {
    const school = { ...approach(a), stances: { ...even!.stances, isolationVolume } };
    return highForIsolation(school, volumeLimitsFor(school, EMPTY_BRIEF), { low: 4, high: 13 });
  };
  it("ends a quarter earlier where fewer are held to be enough, or at the cap that was set down", () => {
    expect(high({}, "same")).toBe(13);
    expect(high({}, "fewer")).toBe(10);
    expect(high({ isolation: 7 }, "same")).toBe(7);
    expect(high({ isolation: 40 }, "fewer")).toBe(13);
  });
});
