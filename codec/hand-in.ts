import { z } from "zod";
import { planCodec } from "./plan.ts";
import { startTimeCodec } from "./plan-form.ts";
import { loadingCodec } from "./loading.ts";
import type { SessionPlan } from "~/core/plan/index.ts";
import { RESISTANCE_PROFILES, idField, massUnitField, movementField } from "~/core/kernel/index.ts";
import { dayCodec, timeZoneCodec } from "./values.ts";
import { textField } from "./text.ts";

const name = textField("a name", 80);

const stationCodec = z.object({
  id: idField("station"),
  versionId: idField("stationVersion"),
  gymId: idField("gym"),
  name,
  loading: loadingCodec,
  serves: z.array(movementField).max(400).readonly(),
  profile: z.enum(RESISTANCE_PROFILES).nullable(),
  usuallyBusy: z.boolean(),
  // A device that was loaded before rooms were known says none.
  room: z.string().max(60).default(""),
});

/**
 * Everything of a session that a device holds beside its commands: what it takes to bring the session back to a
 * server that lost it by a restored backup. The studio is named, so that it is never handed to another.
 */
export const heldSessionCodec = z.object({
  studioId: idField("studio"),
  run: z.object({
    id: idField("sessionLog"),
    planId: idField("plan"),
    revisionId: idField("revision"),
    personId: idField("person"),
    gymId: idField("gym"),
    day: dayCodec,
    startTime: startTimeCodec,
    title: name,
    personName: name,
    personUnit: massUnitField,
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
