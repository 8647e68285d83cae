import { newId } from "~/codec/new-id.ts";
import { type Id, count, kg, type Mass, instant } from "~/core/kernel/index.ts";
import {
  type Command,
  type CommandBody,
  type LoggedSet,
  plannedContext,
  UNSAID_CONDITIONS,
  UNSAID_OBSERVATIONS,
} from "~/core/log/index.ts";
import { slotsOf, type Rir } from "~/core/plan/index.ts";
import { getStation } from "~/server/db/gyms.server.ts";
import { acceptCommands } from "~/server/db/commands.server.ts";
import {
  getSessionLog,
  startSession,
  type StoredSessionLog,
} from "~/server/db/session-logs.server.ts";
import type { Scope } from "~/server/db/scope.server.ts";
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
  const device = await Device.at(scope, started.value);
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

/** A device that makes commands for a session log in sequence. */
export class Device {
  readonly id = newId<"device">();
  #seq = 0;

  constructor(
    readonly sessionLog: StoredSessionLog,
    readonly stationVersion: Id<"stationVersion">,
  ) {}

  static async at(scope: Scope, sessionLogId: Id<"sessionLog">): Promise<Device> {
    const found = await getSessionLog(scope, sessionLogId);
    const slot = found && slotsOf(found.document)[0];
    const station = slot && (await getStation(scope, slot.station));
    if (found === null || station === null || station === undefined) throw new Error("no such run");
    return new Device(found, station.versionId);
  }

  command(body: CommandBody, parent: Id<"command"> | null = null): Command {
    this.#seq += 1;
    return {
      commandId: newId(),
      runId: this.sessionLog.id,
      device: this.id,
      seq: this.#seq,
      parent,
      at: instant(1_000 + this.#seq),
      body,
    };
  }

  get slot() {
    const [slot] = slotsOf(this.sessionLog.document);
    if (slot === undefined) throw new Error("no slot");
    return slot;
  }

  context(): Command {
    const station = { id: this.slot.station, versionId: this.stationVersion };
    return this.command({
      kind: "context",
      context: plannedContext(this.sessionLog.document, this.slot, station, null),
    });
  }

  set(
    index: number,
    reps: number | null,
    over: {
      rir?: Rir;
      reading?: Mass;
      parent?: Id<"command">;
      more?: Partial<Pick<LoggedSet, "conditions" | "observed" | "limiter">>;
    } = {},
  ): Command {
    const set = this.slot.sets[index];
    if (set === undefined) throw new Error(`no set ${index}`);
    return this.command(
      {
        kind: "part",
        part: {
          id: newId(),
          slotId: this.slot.id,
          key: { setId: set.id, extensionId: null, round: 0, ordinal: 0, side: "both" },
          stationVersion: this.stationVersion,
          reading: over.reading ?? kg(100),
          platesHung: [kg(25), kg(15)],
          fullReps: reps === null ? null : count(reps),
          partialReps: null,
          forcedReps: null,
          seconds: null,
          steps: null,
          metres: null,
          rir: over.rir ?? 2,
          limiter: null,
          note: "",
          conditions: UNSAID_CONDITIONS,
          observed: UNSAID_OBSERVATIONS,
          ...over.more,
        },
      },
      over.parent ?? null,
    );
  }

  pain(score: number): Command {
    return this.command({
      kind: "pain",
      id: newId(),
      slotId: this.slot.id,
      key: null,
      joint: "knee",
      side: "left",
      score,
      note: "",
    });
  }

  end(parent: Id<"command"> | null = null): Command {
    return this.command({ kind: "end", sessionEffort: 7 }, parent);
  }
}
