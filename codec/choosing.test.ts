import { parseWithZod } from "@conform-to/zod/v4";
import { describe, expect, it } from "vitest";
import { SHIPPED_APPROACHES } from "~/core/person/index.ts";
import { findMovement, SHIPPED_MOVEMENTS } from "~/core/movement/catalogue/index.ts";
import { kg, day } from "~/core/kernel/index.ts";
import { approachCodec, approachFormCodec } from "./approach.ts";
import { briefFormCodec } from "./brief.ts";
import { measurementFormCodec } from "./measurement.ts";
import { movementCodec, movementFormCodec } from "./movement.ts";
import { setAsideCodec } from "./set-aside.ts";
import { stationFormCodec } from "./station-form.ts";

const form = (fields: Record<string, string | readonly string[]>): FormData => {
  const data = new FormData();
  for (const [name, value] of Object.entries(fields)) {
    for (const one of typeof value === "string" ? [value] : value) data.append(name, one);
  }
  return data;
};
const errorsOf = (submission: { status?: string | undefined; reply(): { error?: unknown } }) =>
  submission.reply().error as Record<string, string[]> | undefined;

describe("the form of a brief", () => {
  const base = { goal: "size", limbs: "unknown", helper: "unknown" };
  const read = (more: Record<string, string | readonly string[]>) =>
    parseWithZod(form({ ...base, ...more }), { schema: briefFormCodec(day("2026-03-02")) });

  it("reads numbers with comma or point, days, boxes and rows; empty is not known", () => {
    const submission = read({
      birthYear: "1990",
      trainingYears: "2,5",
      daysPerWeek: "",
      priorities: ["adductors", "soleus"],
      "limits[0].joint": "knee",
      "limits[0].provokedBy": "kneeLoad",
      "limits[0].since": "2026-01-05",
      "limits[0].severity": "4",
      "limits[0].allowed": "3",
      noEquipment: ["bar"],
      gear: "belt; straps, ",
    });
    expect(submission.status).toBe("success");
    if (submission.status !== "success") return;
    expect(submission.value).toMatchObject({
      birthYear: 1990,
      trainingYears: 2.5,
      daysPerWeek: null,
      approach: null,
      priorities: ["adductors", "soleus"],
      limits: [{ severity: 4, allowed: 3, since: "2026-01-05" }],
      noEquipment: ["bar"],
      gear: ["belt", "straps"],
    });
  });

  it.each([
    ["birthYear", "1850"],
    ["birthYear", "2025"],
    ["trainingYears", "many"],
    ["daysPerWeek", "2.5"],
    ["daysPerWeek", "8"],
    ["minutesCap", "5"],
  ])("refuses %s of %s at its field", (field, value) => {
    expect(Object.keys(errorsOf(read({ [field]: value })) ?? {})).toEqual([field]);
  });

  it("refuses a region that leads and must not grow, and a movement both liked and disliked", () => {
    expect(
      errorsOf(read({ priorities: "adductors", notToGrow: "adductors" }))?.["notToGrow"]?.[0],
    ).toContain("cannot lead");
    expect(
      errorsOf(read({ likes: "shipped:leg-press", dislikes: "shipped:leg-press" }))?.[
        "dislikes"
      ]?.[0],
    ).toContain("both liked and disliked");
  });

  it("wants to know who said so", () => {
    const errors = errorsOf(
      read({
        "clearances[0].verdict": "forbidden",
        "clearances[0].pattern": "squat",
        "clearances[0].by": " ",
      }),
    );
    expect(errors?.["clearances[0].by"]).toEqual(["Expected who said so."]);
  });
});

describe("the form of a measurement", () => {
  const read = (fields: Record<string, string>) =>
    parseWithZod(form({ day: "2026-03-02", ...fields }), {
      schema: measurementFormCodec(day("2026-03-02")),
    });

  it("keeps the value as it was read, and a side only where there are two", () => {
    expect(
      read({ kind: "bodyWeight", value: "160,4", massUnit: "lb", side: "left" }),
    ).toMatchObject({
      status: "success",
      value: { value: { thousandths: 160_400, unit: "lb" }, side: "both" },
    });
    expect(read({ kind: "thigh", value: "55", side: "left" })).toMatchObject({
      value: { side: "left", value: { unit: "cm" } },
    });
  });

  it.each([
    ["bodyWeight", "7", "Expected 25 to 300 kg; “7” is not that."],
    ["bodyWeight", "700", "Expected 25 to 300 kg; “700” is not that."],
    ["waist", "much", "Expected 15 to 200 cm; “much” is not that."],
    ["readiness", "6", "Expected 1 to 5, 1 is poor and 5 is strong; “6” is not that."],
  ])("refuses %s of %s", (kind, value, says) => {
    expect(errorsOf(read({ kind, value }))?.["value"]).toEqual([says]);
  });
});

/** The stances of an approach as they were stored when some questions asked several things at once. */
const BUNDLED: Readonly<Record<string, string>> = {
  order: "calvesFirst",
  effort: "reserve",
  volume: "high",
  extensions: "half",
  frequency: "twiceVariants",
  repetitions: "heavyCalves",
  rest: "twoMinutes",
  tempo: "lessLoad",
  emphasis: "allLengths",
  lockout: "harmless",
  depth: "tension",
  footPosition: "hardly",
  squats: "structure",
  curls: "either",
  kneeExtension: "everyWeek",
  abductionMachines: "useful",
  calves: "dispensable",
  sides: "equal",
  preparation: "preFatigue",
  headAndBreath: "upExhale",
  spotter: "safeties",
  burn: "tolerated",
  definition: "bodyFat",
  variety: "everyFewWeeks",
  load: "oneIndicator",
};

describe("an approach", () => {
  it("goes through JSON and back, and is refused with a side that is none", () => {
    for (const approach of SHIPPED_APPROACHES.map(withoutRef)) {
      expect(approachCodec.parse(JSON.parse(JSON.stringify(approach)))).toEqual(approach);
    }
    const [first] = SHIPPED_APPROACHES.map(withoutRef);
    const bad = { ...first, stances: { ...first?.stances, order: "whatever" } };
    expect(approachCodec.safeParse(bad).success).toBe(false);
  });

  it("stored when questions were bundled takes what each bundle stood for, and keeps its other sides", () => {
    const read = ({ kneeExtension = "everyWeek", ...over }: Record<string, string>) =>
      approachCodec.parse({
        ...withoutRef(SHIPPED_APPROACHES[0]!),
        ownVolume: undefined,
        stances: { ...BUNDLED, kneeExtension, ...over },
      });
    expect(read({})).toMatchObject({
      ownVolume: { weekly: {}, session: null },
      stances: {
        order: "calvesFirst",
        volume: "high",
        countDrops: "half",
        countRestPause: "half",
        calfRepetitions: "heavy",
        curlRepetitions: "low",
        curls: "either",
        curlHips: "pressed",
        kneeExtension: "everyWeek",
        kneeExtensionEffort: "hard",
        calves: "dispensable",
        calfEnd: "squeeze",
        sides: "equal",
        sideOrder: "alternating",
        stretchBetween: "between",
        head: "up",
        breath: "out",
        footPressure: "heel",
        // Nobody was asked before: the middle approach's side.
        belt: "heaviest",
        countDensity: "withinReach",
      },
    });
    expect(read({ kneeExtension: "lightOnly" }).stances).toMatchObject({
      kneeExtension: "sometimes",
      kneeExtensionEffort: "lightOnly",
      kneeExtensionSeat: "reclined",
    });
    // Before drops were asked about, they added nothing.
    const older = { ...BUNDLED, extensions: undefined };
    expect(
      approachCodec.parse({ ...withoutRef(SHIPPED_APPROACHES[0]!), stances: older }).stances,
    ).toMatchObject({ countDrops: "nothing", calfRepetitions: "heavy" });
  });

  it("is read from its form, a line for each view, a side for each question", () => {
    const [even] = SHIPPED_APPROACHES;
    const sides = Object.entries(even?.stances ?? {}).map(([q, side]) => [`stance-${q}`, side]);
    const fields = { name: "Ours", summary: "One", holds: "A\n\n B ", disputed: "C", suits: "D" };
    const read = (more: Record<string, string>) =>
      parseWithZod(form({ ...fields, ...more }), { schema: approachFormCodec });
    expect(read(Object.fromEntries(sides) as Record<string, string>)).toMatchObject({
      status: "success",
      value: { holds: ["A", "B"], stances: even?.stances },
    });
    expect(read({}).status).toBe("error");
  });
});

describe("a movement", () => {
  it("goes through JSON and back, whichever of the catalogue", () => {
    for (const movement of SHIPPED_MOVEMENTS.map(withoutRef)) {
      expect(movementCodec.parse(JSON.parse(JSON.stringify(movement)))).toEqual(movement);
    }
  });

  const fields = {
    name: "Quay squat",
    pattern: "squat",
    jointActions: ["kneeExtension", "hipExtension"],
    direct: ["vastusLateralis", "gluteusMaximus"],
    assisting: ["gluteusMaximus", "adductors"],
    length: "stretched",
    profile: "bottom",
    laterality: "twoLegs",
    stability: "free",
    givesOutFirst: "grip",
    how: "Put it down.",
    spinalLoad: "low",
    kneeStress: "low",
    hipStress: "low",
    difficulty: "beginner",
    setUpEffort: "little",
    loadings: "dumbbells",
    setUp: "Stance: hip width, wide",
    tempoStart: "lower",
    usualRep: "3,5",
    breathing: "In",
    takeUp: "Lift",
    putBack: "Down",
    spotting: "None",
    cues: "Chest up\nHeels down",
    cautions: "Light",
    "faults[0].fault": "heelsLift",
    "faults[0].cause": "Ankles",
    "faults[0].cue": "Down",
    "faults[0].corrective": "Raise",
    "substitutes[0].movement": "shipped:goblet-squat",
    "substitutes[0].reason": "plain",
    "substitutes[1].movement": "shipped:back-squat",
    "substitutes[1].reason": "heavier",
  };
  const read = (more: Record<string, string> = {}) =>
    parseWithZod(form({ ...fields, ...more }), {
      schema: movementFormCodec((ref) => findMovement(ref) !== null, "shipped:front-squat", []),
    });

  it("is read from its form; a region that is direct does not assist as well", () => {
    expect(read()).toMatchObject({
      status: "success",
      value: {
        regions: [
          { region: "vastusLateralis", share: 1 },
          { region: "gluteusMaximus", share: 1 },
          { region: "adductors", share: 0.5 },
        ],
        usualRep: 3.5,
        setUp: [{ name: "Stance", choices: ["hip width", "wide"], usual: "hip width" }],
        cues: ["Chest up", "Heels down"],
      },
    });
  });

  it.each([
    [{ "substitutes[1].movement": "shipped:no-such" }, "leads nowhere"],
    [{ "substitutes[1].movement": "shipped:front-squat" }, "cannot replace itself"],
    [{ "substitutes[1].movement": "shipped:goblet-squat" }, "named twice"],
  ])("refuses a substitute: %j", (more, says) => {
    expect(errorsOf(read(more))?.["substitutes[1].movement"]?.[0]).toContain(says);
  });

  it("refuses a set-up without a choice and a rep of no time, each at its field", () => {
    expect(errorsOf(read({ setUp: "Stance: wide" }))?.["setUp"]?.[0]).toContain("two choices");
    const twice = "Stance: narrow, wide\nstance: hip width, wide";
    expect(errorsOf(read({ setUp: twice }))?.["setUp"]?.[0]).toContain("“stance” is listed twice");
    expect(errorsOf(read({ setUp: "Stance: wide, wide" }))?.["setUp"]?.[0]).toContain("twice");
    expect(errorsOf(read({ usualRep: "0" }))?.["usualRep"]?.[0]).toContain("more than 0");
  });
});

describe("stations of every kind as typed", () => {
  const schema = stationFormCodec((error) => error.code);
  const read = (fields: Record<string, string>) =>
    parseWithZod(form({ name: "Station", unit: "kg", ...fields }), { schema });
  it.each([
    [
      { kind: "freeObject", present: "8 to 24 by 8", held: "2" },
      { kind: "freeObject", held: 2 },
    ],
    [
      { kind: "bodyweight", movedShare: "85", present: "" },
      { kind: "bodyweight", movedShare: 0.85, added: [] },
    ],
    [
      { kind: "assisted", movedShare: "100%", pins: "10, 20" },
      { kind: "assisted", movedShare: 1 },
    ],
    [
      { kind: "band", bands: "long black 25, light 8" },
      { kind: "band", bands: [{ name: "light", tension: kg(8) }, { name: "long black" }] },
    ],
    [{ kind: "unloaded" }, { kind: "unloaded" }],
  ])("%j", (fields, loading) => {
    expect(read(fields as unknown as Record<string, string>)).toMatchObject({
      status: "success",
      value: { loading, profile: null, usuallyBusy: false, room: "" },
    });
  });

  it("refuses a share of no body, a band without tension, and objects that are not there", () => {
    expect(Object.keys(errorsOf(read({ kind: "bodyweight", movedShare: "0" })) ?? {})).toEqual([
      "movedShare",
    ]);
    expect(errorsOf(read({ kind: "band", bands: "light" }))?.["bands"]).toEqual(["notAMass"]);
    expect(errorsOf(read({ kind: "freeObject", present: "" }))?.["present"]).toEqual(["empty"]);
  });
});

describe("a finding set aside", () => {
  it("needs its key, its fact and a reason that says something", () => {
    const fine = {
      kind: "setAside",
      key: "noSingleLeg",
      fact: { code: "noSingleLeg", sets: 6 },
      reason: " agreed ",
    };
    expect(setAsideCodec.parse(fine)).toMatchObject({ reason: "agreed", fact: { sets: 6 } });
    for (const bad of [{ reason: "  " }, { key: "" }, { fact: null }]) {
      expect(setAsideCodec.safeParse({ ...fine, ...bad }).success).toBe(false);
    }
  });
});

/** What is stored of a value: everything but the reference, which is its row's id. */
function withoutRef<T extends { readonly ref: string }>(value: T): Omit<T, "ref"> {
  return Object.fromEntries(Object.entries(value).filter(([key]) => key !== "ref")) as Omit<
    T,
    "ref"
  >;
}
