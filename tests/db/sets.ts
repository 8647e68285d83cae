import { kg, type Id } from "~/core/kernel/index.ts";
import { slotsOf } from "~/core/plan/index.ts";
import { acceptCommands } from "~/server/db/commands.server.ts";
import { getStation } from "~/server/db/gyms.server.ts";
import {
  getSessionLog,
  startSession,
  type StoredSessionLog,
} from "~/server/db/session-logs.server.ts";
import type { Scope } from "~/server/db/scope.server.ts";
import { Device } from "../samples/device.ts";
import { NOW, type TestStudio } from "./studio.ts";

/** Trains a plan of squats with these repetitions and ends it. */
export async function trainSquats(
  studio: TestStudio,
  plan: Id<"plan">,
  reps: readonly number[],
  daysLater = 0,
  pain: number | null = null,
): Promise<StoredSessionLog> {
  const scope = studio.at(NOW + daysLater * 86_400_000);
  const started = await startSession(scope, plan);
  if (!started.ok) throw new Error("not started");
  const device = await deviceAt(scope, started.value);
  const reading = device.slot.sets[0]?.load;
  const load = reading?.kind === "absolute" ? reading.reading : kg(100);
  await acceptCommands(scope, started.value, [
    device.context(),
    ...reps.map((n, i) => device.set(i, n, { reading: load })),
    ...(pain === null ? [] : [device.pain(pain)]),
    device.end(),
  ]);
  const sessionLog = await getSessionLog(scope, started.value);
  if (sessionLog === null) throw new Error("no run");
  return sessionLog;
}

/** A device on which a session is trained. */
export async function deviceAt(scope: Scope, sessionLogId: Id<"sessionLog">): Promise<Device> {
  const found = await getSessionLog(scope, sessionLogId);
  const slot = found && slotsOf(found.document)[0];
  const station = slot && (await getStation(scope, slot.station));
  if (found === null || station === null || station === undefined) throw new Error("no such run");
  return new Device(found, station.versionId);
}
