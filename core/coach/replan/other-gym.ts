import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import { dayField, gymOn } from "../../phase/index.ts";
import { slotsOf } from "../../plan/index.ts";
import { within } from "./equipment-gone.ts";
import { standIns } from "./stand-in.ts";
import { affected, toCome, type ReplanSituation, type ReplanStep } from "./step.ts";

/** The client trains in another gym, from a day to another. */
export const definition = kind("otherGym", {
  gym: idField("gym"),
  from: dayField,
  to: dayField,
});

/**
 * Sessions within the time are planned in that gym, and every exercise at its equipment: the same exercise where it
 * can be done there, which is a record of its own, else what comes nearest.
 */
export function steps(
  { gym, from, to }: ValueOf<{ definition: typeof definition }>,
  situation: ReplanSituation,
): readonly ReplanStep[] {
  const { phase, brief } = situation;
  const there = situation.stations.filter(({ gymId }) => gymId === gym);
  const isThere = new Set(there.map(({ id }) => id));
  const sessions = toCome(situation).filter(({ on }) => from <= on && on <= to);
  const moved = sessions
    .filter(({ day, week }) => gymOn(phase, day, week) !== gym)
    .map(({ day, week, on }): ReplanStep => ({
      key: `gym ${day.id} ${week}`,
      edits: [{ kind: "placing", day: day.id, week, on, gymId: gym }],
      because: { code: "inGym", day, week },
      isProposed: true,
      group: null,
    }));
  const meant = affected(
    situation,
    (session, slot) => sessions.includes(session) && !isThere.has(slot.station),
    ({ ruled, plan }) => within(slotsOf(ruled), slotsOf(plan)),
  );
  const looking = {
    cause: { kind: "travelling" },
    brief,
    stations: there,
    isOther: false,
  } as const;
  return [...moved, ...standIns(meant, () => looking, situation)];
}
