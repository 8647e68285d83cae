import { idField, kind, type ValueOf } from "../../kernel/index.ts";
import { dayField, gymOn } from "../../phase/index.ts";
import { slotsOf } from "../../plan/index.ts";
import { standIns } from "./stand-in.ts";
import { affected, type Affected, type ReplanSituation, type ReplanStep } from "./step.ts";

/** A piece of equipment cannot be used, from a day to another; to the end of the phase where that is not known. */
export const definition = kind("equipmentGone", {
  station: idField("station"),
  from: dayField,
  to: dayField.nullable(),
});

/** Every exercise on it gets a stand-in at other equipment of its gym, for those weeks. */
export function steps(
  { station, from, to }: ValueOf<{ definition: typeof definition }>,
  situation: ReplanSituation,
): readonly ReplanStep[] {
  const { phase, brief, stations } = situation;
  const meant = affected(
    situation,
    ({ on }, slot) => slot.station === station && from <= on && (to === null || on <= to),
    ({ ruled, plan }) => within(slotsOf(ruled), slotsOf(plan)),
  );
  const lookingFor = ({ day, weeks }: Affected) => {
    const gym = gymOn(phase, day, weeks[0] ?? 1);
    const left = stations.filter(({ id, gymId }) => id !== station && gymId === gym);
    return { cause: { kind: "travelling" }, brief, stations: left, isOther: false } as const;
  };
  return standIns(meant, lookingFor, situation);
}

/** Exercises as their rules have them that are in the session, too. */
export function within<S extends { readonly lineageId: string }>(
  ruled: readonly S[],
  planned: readonly S[],
): readonly S[] {
  const there = new Set(planned.map(({ lineageId }) => lineageId));
  return ruled.filter(({ lineageId }) => there.has(lineageId));
}
