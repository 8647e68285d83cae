import { newId } from "~/codec/new-id.ts";
import { count, instant, kg, type Id, type Mass } from "~/core/kernel/index.ts";
import {
  plannedContext,
  UNSAID_CONDITIONS,
  UNSAID_OBSERVATIONS,
  type Command,
  type CommandBody,
  type LoggedSet,
} from "~/core/log/index.ts";
import { slotsOf, type Rir, type SessionPlan } from "~/core/plan/index.ts";

/** A device that makes commands for a session log in sequence. */
export class Device {
  readonly id = newId<"device">();
  #seq = 0;

  constructor(
    readonly sessionLog: { readonly id: Id<"sessionLog">; readonly document: SessionPlan },
    readonly stationVersion: Id<"stationVersion">,
  ) {}

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
