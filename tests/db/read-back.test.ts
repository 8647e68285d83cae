import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { z } from "zod";
import { approachFormCodec } from "~/codec/approach.ts";
import { briefFormCodec } from "~/codec/brief.ts";
import { commandCodec } from "~/codec/command.ts";
import { comparingFormCodec } from "~/codec/comparing.ts";
import { measurementFormCodec } from "~/codec/measurement.ts";
import { newId } from "~/codec/new-id.ts";
import { movementFormCodec } from "~/codec/movement.ts";
import { personFormCodec } from "~/codec/person.ts";
import { newPhaseCodec, sheetActionCodec } from "~/codec/phase.ts";
import { savePlanCodec } from "~/codec/save-plan.ts";
import { setAsideCodec } from "~/codec/set-aside.ts";
import { gymFormCodec, stationFormCodec } from "~/codec/station-form.ts";
import { ownSetUpFormCodec } from "~/codec/own-set-up.ts";
import { NOTHING_OWN } from "~/core/movement/index.ts";
import { listCoaches } from "~/server/db/coaches.server.ts";
import { listOwnSetUps, saveOwnSetUp } from "~/server/db/own-set-ups.server.ts";
import { studioSettingsFormCodec } from "~/codec/studio-settings.ts";
import { strengthRulesFormCodec } from "~/codec/strength-rules.ts";
import { changeTemplateCodec } from "~/codec/template.ts";
import { findShippedApproach, QUESTION_NAMES } from "~/core/person/index.ts";
import { day, type Id } from "~/core/kernel/index.ts";
import { findMovement } from "~/core/movement/catalogue/index.ts";
import { conditionsField, foldCommands, observationsField, performedOf } from "~/core/log/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { LOADING_KINDS } from "~/core/gym/index.ts";
import { formatListError } from "~/format/station.ts";
import { addPhaseFor } from "~/server/coaching/phase.server.ts";
import { typeCells } from "~/server/coaching/phase-cells.server.ts";
import { changeApproach, copyApproach, listOwnApproaches } from "~/server/db/approaches.server.ts";
import { briefHistory, saveBrief } from "~/server/db/briefs.server.ts";
import { comparingOf, sayComparing } from "~/server/db/comparing.server.ts";
import { dismiss, dismissalsOn } from "~/server/db/dismissals.server.ts";
import { addGym, addStation, getGym, getStation } from "~/server/db/gyms.server.ts";
import { addMeasurement, listMeasurements } from "~/server/db/measurements.server.ts";
import { addMovement, listOwnMovements } from "~/server/db/movements.server.ts";
import { addPerson, getPerson } from "~/server/db/people.server.ts";
import { performedIn } from "~/server/db/performed.server.ts";
import { archivePhase, getPhase } from "~/server/db/phases.server.ts";
import { addPlan, getPlan } from "~/server/db/plans.server.ts";
import { acceptCommands, commandsAfter } from "~/server/db/commands.server.ts";
import { startSession } from "~/server/db/session-logs.server.ts";
import { saveStrengthRules, strengthRules } from "~/server/db/strength-rules.server.ts";
import { saveStudioSettings, studioSettings } from "~/server/db/studio-settings.server.ts";
import { addTemplate, getTemplate } from "~/server/db/templates.server.ts";
import { MOVEMENT_FIELDS } from "../arbitrary/forms.ts";
import { anyOf } from "../arbitrary/kinds.ts";
import { anyPlan } from "../arbitrary/plan.ts";
import { deviceAt } from "./sets.ts";
import { addSquats, inStudio, NOW } from "./studio.ts";

const here = inStudio();

const RUNS = Number(process.env["KRAVO_DB_RUNS"] ?? 40) * 2;
const TODAY = day("2026-03-02");

/** What careless and hostile people write into any field. */
const hostile = fc.oneof(
  fc.constantFrom(
    "",
    " ",
    "0",
    "-1",
    "1e3",
    "0,5",
    "999999999",
    "\u200B\u200B",
    "\u202Eabc",
    "a\u0000b",
    "line\r\nline",
    "\uD800",
    "Ａｄａ",
    "e\u0301",
    "𝕳".repeat(40),
    "x".repeat(60),
    "x".repeat(80),
    "x".repeat(300),
    "x".repeat(5000),
    "__proto__",
    "<b>",
    "'; drop table people; --",
    "1 to 50 by 1, 52 to 114 by 2",
    "1 to 150 by 1",
    "1 to 151 by 1",
    Array.from({ length: 81 }, (_, i) => i + 1).join(", "),
    Array.from({ length: 20 }, (_, i) => `${i + 1}x2`).join(", "),
    Array.from({ length: 21 }, (_, i) => `${i + 1}x2`).join(", "),
    "5000, 6000",
    "20x60, 25x60, 50x60",
    Array.from({ length: 21 }, (_, i) => `band ${i} ${i + 1}`).join(", "),
    `${"n".repeat(40)} 5, 💪🏽 8`,
    "2062-01-01",
    "1900-01-01",
    "2026-02-28",
    "0000-01-01",
    "Etc/GMT+5",
    "+05:30",
    "100",
    "99.999",
  ),
  fc.string({ maxLength: 90, unit: "binary" }),
);

type Raw = Readonly<Record<string, unknown>>;

/** A form with up to four of its fields written over. */
const spoiled = (base: Raw) =>
  fc
    .array(fc.tuple(fc.constantFrom(...Object.keys(base)), hostile), { maxLength: 4 })
    .map((over): Raw => ({ ...base, ...Object.fromEntries(over) }));

/** Whatever of the spoiled forms is accepted is written and read back equal; some are accepted, some refused. */
async function readsBack<T>(
  forms: fc.Arbitrary<unknown>,
  codec: z.ZodType<T>,
  through: (accepted: T) => Promise<{ readonly written: unknown; readonly read: unknown }>,
  runs = RUNS,
): Promise<void> {
  const counts = { accepted: 0, refused: 0 };
  await fc.assert(
    fc.asyncProperty(forms, async (raw) => {
      const parsed = codec.safeParse(raw);
      counts[parsed.success ? "accepted" : "refused"] += 1;
      if (!parsed.success) return;
      const { written, read } = await through(parsed.data);
      expect(read).toEqual(written);
    }),
    { numRuns: runs, seed: 20261126 },
  );
  expect(counts.accepted, JSON.stringify(counts)).toBeGreaterThan(runs / 20);
  expect(here.studio.scope.setApart).toEqual([]);
}

const STATION: Readonly<Record<string, Raw>> = {
  bar: { baseMass: "20", plates: "20x4, 10x4" },
  plateMachine: { baseMass: "", points: "2", plates: "20x4" },
  stack: { pins: "10, 20, 35", addOns: "2.5", pulleyRatio: "0,5" },
  dumbbells: { present: "10, 12.5", counted: "pair" },
  freeObject: { present: "8, 16", held: "2" },
  bodyweight: { movedShare: "85", present: "5, 10" },
  assisted: { movedShare: "100", pins: "10 to 80 by 10" },
  band: { bands: "light 8, strong 20" },
  unloaded: {},
};

describe("what a form takes is written and read back equal:", () => {
  it.each(LOADING_KINDS)("a station of kind %s", async (kind) => {
    const base = {
      name: "Press",
      kind,
      unit: "kg",
      serves: ["shipped:leg-press"],
      room: "Upstairs",
      ...STATION[kind],
    };
    await readsBack(spoiled(base), stationFormCodec(formatListError), async (written) => {
      const station = await getStation(
        here.studio.scope,
        await addStation(here.studio.scope, here.studio.gym, written),
      );
      return {
        written,
        read: without(station!, "id", "versionId", "gymId", "version", "isAssumed"),
      };
    });
  });

  it("the settings of the studio", async () => {
    const base = { muscles: "latin", tempoOrder: "asItHappens" };
    await readsBack(spoiled(base), studioSettingsFormCodec, async (written) => {
      await saveStudioSettings(here.studio.scope, written);
      return { written, read: await studioSettings(here.studio.scope) };
    });
  });

  it("a gym", async () => {
    const base = { name: "Gym", timeZone: "Europe/Vienna", houseRules: "No chalk" };
    await readsBack(spoiled(base), gymFormCodec, async (written) => {
      const gym = await getGym(here.studio.scope, await addGym(here.studio.scope, written));
      const { name, timeZone, houseRules } = gym!;
      return { written, read: { name, timeZone, houseRules } };
    });
  });

  it("a client", async () => {
    const base = { name: "Ada", goal: "Size", level: "trained", unit: "kg", notes: "Tall" };
    const coaches = await listCoaches(here.studio.scope);
    const forms = spoiled({ ...base, coach: here.studio.userId });
    await readsBack(forms, personFormCodec(coaches), async (written) => {
      const person = await getPerson(
        here.studio.scope,
        await addPerson(here.studio.scope, written),
      );
      return { written, read: without(person!, "id", "revision", "isArchived") };
    });
  });

  it("a brief", async () => {
    const base = {
      goal: "size",
      birthYear: "1990",
      trainingYears: "2,5",
      screenedBy: "Dr. Test",
      screenedOn: "2026-01-01",
      clearances: [{ verdict: "cleared", pattern: "squat", by: "Dr. Test", on: "2026-01-01" }],
      limbs: "even",
      weakerSideCause: "Ankle",
      limits: [{ joint: "knee", provokedBy: "kneeLoad", since: "", severity: "3", allowed: "2" }],
      daysPerWeek: "2",
      minutesCap: "60",
      helper: "alone",
      gear: "belt, straps",
      ownVolume: { weekly: { soleus: "2-6", gluteusMaximus: "8 to 12" }, session: "18" },
    };
    let revision = 0;
    await readsBack(spoiled(base), briefFormCodec(TODAY), async (written) => {
      await saveBrief(here.studio.scope, here.studio.person, revision, written);
      revision += 1;
      const [read] = await briefHistory(here.studio.scope, here.studio.person, 1);
      return { written: [revision, written], read: [read?.revision, read?.document] };
    });
  });

  it("a measurement", async () => {
    const base = {
      kind: "thigh",
      side: "left",
      value: "60,5",
      massUnit: "kg",
      day: "2026-03-01",
      note: "Cold",
    };
    await readsBack(spoiled(base), measurementFormCodec(TODAY), async (written) => {
      const other = await addPerson(
        here.studio.scope,
        personFormCodec([]).parse({ name: "B", level: "trained", unit: "kg" }),
      );
      await addMeasurement(here.studio.scope, other, written);
      const [read] = await listMeasurements(here.studio.scope, other);
      return { written, read: without(read!, "id") };
    });
  });

  it("an exercise of one's own", async () => {
    // All that can be known of a set-up beyond what the form says.
    const [name, first, second] = ["Stance", "hip width", "wide"];
    const begun = {
      name,
      choices: [first, second],
      usual: first,
      claimed: "Wide for the adductors",
      shifts: { [second]: { length: "stretched" as const } },
      answers: { tightAnkle: second },
      rising: [first, second],
    };
    const codec = movementFormCodec((ref) => findMovement(ref) !== null, null, [begun]);
    await readsBack(spoiled(MOVEMENT_FIELDS), codec, async (written) => {
      const id = await addMovement(here.studio.scope, written, null);
      const own = (await listOwnMovements(here.studio.scope)).find((m) => m.id === id);
      return { written, read: without(own!, "id", "ref", "revision") };
    });
  });

  it("an approach", async () => {
    const even = findShippedApproach("shipped:even-ground")!;
    const id = await copyApproach(here.studio.scope, even);
    const base = {
      name: "Ours",
      summary: "In a sentence",
      holds: "One view\nAnother",
      disputed: "Some say no",
      suits: "Everybody",
      ...Object.fromEntries(QUESTION_NAMES.map((q) => [`stance-${q}`, even.stances[q]])),
      ownVolume: { weekly: { soleus: "2–6" }, exercise: "5", isolation: "9" },
    };
    let revision = 1;
    await readsBack(spoiled(base), approachFormCodec, async (written) => {
      await changeApproach(here.studio.scope, id, revision, written);
      revision += 1;
      const own = (await listOwnApproaches(here.studio.scope)).find((a) => a.id === id)!;
      return { written, read: without(own, "id", "ref", "copiedFrom", "revision") };
    });
  });

  it("an approach that is copied again and again", async () => {
    for (let i = 0; i < 12; i++) {
      const last = (await listOwnApproaches(here.studio.scope)).at(-1);
      await copyApproach(here.studio.scope, last ?? findShippedApproach("shipped:even-ground")!);
    }
    const names = (await listOwnApproaches(here.studio.scope)).map(({ name }) => name);
    expect(Math.max(...names.map(({ length }) => length))).toBeLessThanOrEqual(60);
  });

  it("what a studio adds to the set-up of an exercise", async () => {
    const movement = findMovement("shipped:back-squat")!;
    const words = spoiled({ name: "Pins", choices: "3, 4, 5", order: "rising" });
    const forms = fc
      .array(words, { maxLength: 3 })
      .map((parameters) => ({ startsWith: "lift", parameters }));
    let revision = 0;
    await readsBack(forms, ownSetUpFormCodec(movement), async (written) => {
      const saved = await saveOwnSetUp(here.studio.scope, movement.ref, revision, written);
      expect(saved).toEqual({ ok: true, value: null });
      revision += 1;
      const [stored] = await listOwnSetUps(here.studio.scope);
      expect(stored?.revision).toBe(revision);
      return { written, read: stored?.setUp };
    });
    const late = await saveOwnSetUp(here.studio.scope, movement.ref, 0, NOTHING_OWN);
    expect(late).toEqual({ ok: false, error: "changedMeanwhile" });
  });

  it("the rules of strength", async () => {
    const base = {
      equation: "epley",
      perSlowSecond: "1,5",
      freeLowering: "3",
      perHeldSecond: "1",
      most: "20",
    };
    let revision = 0;
    await readsBack(spoiled(base), strengthRulesFormCodec, async (written) => {
      await saveStrengthRules(here.studio.scope, revision, written);
      revision += 1;
      return { written, read: (await strengthRules(here.studio.scope)).rules };
    });
  });

  const plans = fc
    .tuple(anyPlan, fc.array(hostile, { minLength: 1, maxLength: 3 }))
    .map(([plan, words]) => withWords(plan, words));

  it("a session", async () => {
    const forms = fc
      .tuple(plans, spoiled({ title: "Legs", day: "2026-03-02", startTime: "17:30" }))
      .map(([document, head]) => ({
        baseRevision: 1,
        head: { ...head, gymId: here.studio.gym },
        document,
      }));
    await readsBack(forms, savePlanCodec(TODAY), async ({ head, document }) => {
      const id = await addPlan(
        here.studio.scope,
        { ...head, personId: here.studio.person },
        document,
      );
      const plan = (await getPlan(here.studio.scope, id))!;
      const { title, startTime, gymId } = plan;
      return {
        written: [head, document],
        read: [{ title, day: plan.day, startTime, gymId }, plan.document],
      };
    });
  });

  it("a phase", async () => {
    const { scope, person, gym } = here.studio;
    const plan = await addSquats(here.studio, "2026-02-23");
    const base = {
      name: "Strength 1",
      success: "120 kg for five",
      weeks: "6",
      start: "2026-03-02",
    };
    const forms = spoiled(base).map((form) => ({
      ...form,
      personId: person,
      gymId: gym,
      goal: "strength",
      days: [`plan:${plan}`],
      easierBy: "2",
      fewerBy: "1",
    }));
    await readsBack(forms, newPhaseCodec(TODAY), async (form) => {
      const added = await addPhaseFor(scope, form);
      if (!added.ok) throw new Error(added.error.code);
      const phase = (await getPhase(scope, added.value.id))!;
      await archivePhase(scope, phase.id);
      const { start, success, weeks } = phase.document;
      return {
        written: [form.name, form.start, form.success, form.weeks],
        read: [phase.name, start, success, weeks.length],
      };
    });
  });

  it("what is typed into a sheet", async () => {
    const { scope, person, gym } = here.studio;
    const plan = await addSquats(here.studio, "2026-02-23");
    const form = {
      name: "S",
      weeks: "4",
      start: "2026-03-02",
      goal: "size",
      easierBy: "0",
      fewerBy: "0",
    };
    const asked = { ...form, personId: person, gymId: gym, days: [`plan:${plan}`] };
    const added = await addPhaseFor(scope, newPhaseCodec(TODAY).parse(asked));
    if (!added.ok) throw new Error(added.error.code);
    const { id } = added.value;
    const begun = (await getPhase(scope, id))!;
    const [slot] = slotsOf(begun.document.days[0]!.session);
    const at = {
      day: begun.document.days[0]!.id,
      lineage: slot!.lineageId,
      line: slot!.sets[0]!.line,
    };
    const texts = fc.oneof(
      hostile,
      fc.constantFrom(
        "110",
        "95%",
        "+2 sets",
        "out",
        "",
        "4 x 6-8 at 105 RIR 1 rest 3:00",
        "max at 60",
        "3 x 40 s",
      ),
    );
    await fc.assert(
      fc.asyncProperty(texts, fc.integer({ min: 1, max: 4 }), async (text, week) => {
        const read = sheetActionCodec.safeParse({
          intent: "type",
          baseRevision: 1,
          entries: [{ ...at, week, text }],
        });
        if (!read.success || read.data.intent !== "type") return;
        const now = (await getPhase(scope, id))!;
        const saved = await typeCells(scope, now, now.revision, read.data.entries);
        const after = await getPhase(scope, id);
        // Written or refused, and what is stored is read again either way.
        expect(after?.revision).toBe(saved.ok ? now.revision + 1 : now.revision);
      }),
      { numRuns: 60 },
    );
  });

  it("a template", async () => {
    const forms = fc
      .tuple(plans, spoiled({ name: "Squats" }))
      .map(([document, { name }]) => ({ baseRevision: 1, name, document }));
    await readsBack(forms, changeTemplateCodec, async ({ name, document }) => {
      const id = await addTemplate(here.studio.scope, name, document);
      const template = (await getTemplate(here.studio.scope, id))!;
      return { written: [name, document], read: [template.name, template.document] };
    });
  });

  it("a finding set aside", async () => {
    const plan = await addSquats(here.studio);
    const forms = spoiled({
      key: "noSingleLeg",
      reason: "Only squats today",
      leftTo: "2026-03-06",
    }).map((form) => ({
      kind: "setAside",
      fact: { code: "noSingleLeg", sets: 4, note: form["reason"] },
      ...form,
    }));
    await readsBack(forms, setAsideCodec, async (change) => {
      if (change.kind !== "setAside") throw new Error("not set aside");
      await dismiss(here.studio.scope, plan, change, change.reason, change.leftTo);
      const last = (await dismissalsOn(here.studio.scope, plan)).at(-1);
      return {
        written: [change.key, change.reason, change.leftTo],
        read: [last?.key, last?.reason, last?.leftTo],
      };
    });
  });

  it("a word on what does not matter when sessions are compared", async () => {
    const forms = spoiled({ condition: "setUp:Stance", reason: "Small change" }).map((form) => ({
      at: `shipped:back-squat ${newId<"station">()}`,
      equipment: "all",
      who: "this",
      ...form,
    }));
    const { scope } = here.studio;
    const person = await addPerson(scope, {
      name: "Ada",
      level: "trained",
      unit: "kg",
      goal: "",
      notes: "",
    });
    await readsBack(
      forms,
      comparingFormCodec,
      async ({ movement, condition, parameter, reason }) => {
        const said = { movement, condition, parameter, person, station: null };
        await sayComparing(scope, said, reason);
        const last = (await comparingOf(scope, person)).at(-1);
        return {
          written: [movement, condition, parameter, reason],
          read: [last?.movement, last?.condition, last?.parameter, last?.reason],
        };
      },
    );
  });

  it("a command of the floor, as command and as row", async () => {
    const started = await startSession(here.studio.scope, await addSquats(here.studio));
    if (!started.ok) throw new Error("not started");
    const device = await deviceAt(here.studio.scope, started.value);
    const model = device.set(0, 8);
    if (model.body.kind !== "part") throw new Error("no part");
    const { part: loggedSet } = model.body;
    const numbers = fc.oneof(
      fc.constantFrom(null, 0, 1, 12.5, 12.3456789, 999, 1000, 1001, -1, 1e9),
      fc.double({ noNaN: true, min: 0, max: 100_000 }),
    );
    // The latest that a date can hold, and what a number can hold beyond it.
    const clocks = fc.constantFrom(0, Number(NOW), 8.64e15, 8.64e15 + 1, Number.MAX_SAFE_INTEGER);
    const forms = fc.record({
      note: hostile,
      seconds: numbers,
      metres: numbers,
      reps: numbers,
      at: clocks,
      conditions: anyOf(conditionsField),
      observed: anyOf(observationsField),
      rest: fc.oneof(fc.constant(null), numbers),
    });
    let seq = 0;
    const commands = forms.map(({ note, seconds, metres, reps, at, rest, ...said }) => ({
      ...model,
      at,
      commandId: newId<"command">(),
      body: {
        kind: "part",
        part: {
          ...loggedSet,
          ...said,
          id: newId<"loggedSet">(),
          note,
          seconds,
          metres,
          fullReps: reps,
          conditions: { ...said.conditions, restBefore: rest, gear: [note] },
        },
      },
    }));
    await readsBack(commands, commandCodec, async (command) => {
      seq += 1;
      const head = foldCommands(await commandsAfter(here.studio.scope, started.value, 0));
      const parent = [...head.values()][0]?.[0]?.commandId ?? null;
      const sent = { ...command, seq, parent };
      const accepted = await acceptCommands(here.studio.scope, started.value, [sent as never]);
      expect(accepted.ok).toBe(true);
      const all = await commandsAfter(here.studio.scope, started.value, 0);
      const rows = (await performedIn(here.studio.scope, [started.value])).get(
        started.value as Id<"sessionLog">,
      );
      return {
        written: [sent.body, sent.at, performedOf(foldCommands(all)).loggedSets],
        read: [all.at(-1)?.command.body, all.at(-1)?.command.at, rows?.loggedSets],
      };
    });
  });
});

/** The value without what the store adds to it. */
function without(value: object, ...keys: readonly string[]): object {
  return Object.fromEntries(Object.entries(value).filter(([key]) => !keys.includes(key)));
}

/** The plan with words written into every text it holds, one after the other. */
function withWords(plan: unknown, words: readonly string[]): unknown {
  let n = 0;
  const next = () => words[n++ % words.length] ?? "";
  return JSON.parse(JSON.stringify(plan), (key, value: unknown) =>
    ["purpose", "coach", "trainee"].includes(key) || (key === "name" && value !== "")
      ? next()
      : value,
  );
}
