import type { Id } from "~/core/kernel/index.ts";
import { mapSlots, type Frame } from "~/core/plan/index.ts";
import { newId } from "~/codec/new-id.ts";
import { listPhasesOf, getPhase } from "../server/db/phases.server.ts";
import { addPhaseTemplate } from "../server/db/phase-templates.server.ts";
import { listPeople } from "../server/db/people.server.ts";
import { addTemplate } from "../server/db/templates.server.ts";
import type { Scope } from "../server/db/scope.server.ts";
import { firstPlan } from "./first-plan.ts";
import { exercise } from "./in-a-phase.ts";
import type { StationKey } from "./studio.ts";

/** What a first session in any gym is made of: a kind of exercise each, with what it is here. */
const FRAMED: readonly (readonly [Frame, ReturnType<typeof exercise>])[] = [
  [
    { form: "compound", region: "vastusLateralis", length: null },
    exercise("shipped:leg-press", "press", [3, 8, 12, 2], [100, 160, 0.01], 120, "Quads"),
  ],
  [
    { form: "machine", region: "hamstringsKneeFlexion", length: null },
    exercise("shipped:lying-leg-curl", "curl", [3, 8, 12, 2], [33, 54, 0.01], 90, "Hamstrings"),
  ],
  [
    { form: "singleLeg", region: "gluteusMaximus", length: null },
    exercise(
      "shipped:dumbbell-split-squat",
      "dumbbells",
      [2, 8, 12, 2],
      [12.5, 24, 0.01],
      90,
      "Glutes, one leg",
    ),
  ],
  [
    { form: "isolation", region: "gastrocnemius", length: null },
    exercise("shipped:standing-calf-raise", "calf", [3, 10, 15, 1], [70, 110, 0.01], 60, "Calves"),
  ],
];

/** A session of frames, and a phase that is kept as it was written. */
export async function seedTemplates(
  scope: Scope,
  stations: Readonly<Record<StationKey, Id<"station">>>,
): Promise<void> {
  const written = firstPlan(
    FRAMED.map(([, own]) => own),
    stations,
    newId,
  );
  const frames = new Map(FRAMED.map(([frame, { movement }]) => [movement, frame] as const));
  const session = mapSlots(written, (slot) => ({
    ...slot,
    frame: frames.get(slot.movement) ?? null,
  }));
  await addTemplate(scope, "Legs in any gym", session);
  const person = (await listPeople(scope)).find(({ name }) => name === "Corvin Hale");
  const [entry] = person === undefined ? [] : await listPhasesOf(scope, person.id);
  const phase = entry === undefined ? null : await getPhase(scope, entry.id);
  if (phase === null) throw new Error("the demo's phase to keep is not there");
  await addPhaseTemplate(scope, "Ten weeks of squats", phase.document);
}
