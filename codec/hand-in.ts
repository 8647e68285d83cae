import { z } from "zod";
import { planCodec } from "./plan.ts";
import { startTimeCodec } from "./plan-form.ts";
import { loadingCodec } from "./loading.ts";
import type { SessionPlan } from "~/core/plan/index.ts";
import { RESISTANCE_PROFILES } from "~/core/kernel/index.ts";
import { dayCodec, idCodec, massUnitCodec, movementRefCodec, timeZoneCodec } from "./values.ts";
import { textField } from "./text.ts";

const name = textField("a name", 80);

const stationCodec = z.object({
  id: idCodec<"station">(),
  versionId: idCodec<"stationVersion">(),
  gymId: idCodec<"gym">(),
  name,
  loading: loadingCodec,
  serves: z.array(movementRefCodec).max(400).readonly(),
  profile: z.enum(RESISTANCE_PROFILES).nullable(),
  usuallyBusy: z.boolean(),
});

/**
 * Everything of a session that a device holds beside its commands: what it takes to bring the session back to a
 * server that lost it by a restored backup. The studio is named, so that it is never handed to another.
 */
export const heldSessionCodec = z.object({
  studioId: idCodec<"studio">(),
  run: z.object({
    id: idCodec<"run">(),
    planId: idCodec<"plan">(),
    revisionId: idCodec<"revision">(),
    personId: idCodec<"person">(),
    gymId: idCodec<"gym">(),
    day: dayCodec,
    startTime: startTimeCodec,
    title: name,
    personName: name,
    personUnit: massUnitCodec,
    startedAt: z.number().int().min(0),
    document: planCodec.transform((plan): SessionPlan => plan),
  }),
  gym: z.object({ name, timeZone: timeZoneCodec }),
  stations: z.array(stationCodec).max(400).readonly(),
});
export type HeldSession = z.infer<typeof heldSessionCodec>;

export const handInReplyCodec = z.object({
  kind: z.enum(["handedIn", "erased", "otherStudio"]),
});
