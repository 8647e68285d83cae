import { z } from "zod";
import { JOINTS, kind, type ValueOf } from "../../kernel/index.ts";
import { dayField, gymOn } from "../../phase/index.ts";
import { exclusionsOf, PROVOCATIONS, type Brief } from "../../person/index.ts";
import { slotsOf } from "../../plan/index.ts";
import { within } from "./equipment-gone.ts";
import { standIns } from "./stand-in.ts";
import { affected, type Affected, type ReplanSituation, type ReplanStep } from "./step.ts";

/** A joint flares up, from a day to another; to the end of the phase where that is not known. */
export const definition = kind("flareUp", {
  joint: z.enum(JOINTS),
  provokedBy: z.enum(PROVOCATIONS),
  severity: z.int().min(1).max(10),
  allowed: z.int().min(0).max(10),
  from: dayField,
  to: dayField.nullable(),
});

/**
 * Every exercise that the pain takes out, as a limit of the brief would, gets a stand-in that it does not take out; or
 * is left out. Training goes around the pain, never through it.
 */
export function steps(
  { joint, provokedBy, severity, allowed, from, to }: ValueOf<{ definition: typeof definition }>,
  situation: ReplanSituation,
): readonly ReplanStep[] {
  const { phase, stations, swap } = situation;
  const limit = { joint, provokedBy, since: from, severity, allowed } as const;
  const brief: Brief = { ...situation.brief, limits: [...situation.brief.limits, limit] };
  const meant = affected(
    situation,
    ({ on }, slot) => {
      const movement = swap.unrollContext.movement(slot.movement);
      const isWithin = from <= on && (to === null || on <= to);
      return (
        isWithin &&
        movement !== null &&
        exclusionsOf(brief, movement, slot.setUp).some(
          (own) => own.code === "limit" && own.provokedBy === provokedBy,
        )
      );
    },
    ({ ruled, plan }) => within(slotsOf(ruled), slotsOf(plan)),
  );
  const lookingFor = ({ day, weeks }: Affected) => {
    const gym = gymOn(phase, day, weeks[0] ?? 1);
    const here = stations.filter(({ gymId }) => gymId === gym);
    return { cause: { kind: "travelling" }, brief, stations: here, isOther: true } as const;
  };
  return standIns(meant, lookingFor, situation);
}
