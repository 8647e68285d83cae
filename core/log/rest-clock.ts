import { seconds, type Seconds } from "../kernel/index.ts";
import { amountAsked } from "../plan/index.ts";
import type { SetStep } from "../unroll/index.ts";
import type { Command, OrderedCommand } from "./command.ts";

/** A moment on both clocks of a device, in milliseconds: the one people set, and one that only runs forward. */
export interface Moment {
  readonly wall: number;
  /** Since some fixed moment of this visit; may stand still while the device sleeps. */
  readonly steady: number;
}

/** Older than this, what was logged is no reason to time a rest. */
const LONGEST_REST_MS = 30 * 60_000;

/**
 * Milliseconds from one moment to another. A clock put back does not lengthen it, since the steady one ran on; a
 * device that slept does not shorten it, since the wall clock ran on.
 */
export function elapsed(from: Moment, to: Moment): number {
  return Math.max(0, to.wall - from.wall, to.steady - from.steady);
}

/** What a step takes at least: of so many repetitions, seconds or steps as were done; of all where nobody said. */
export function leastWork(
  { workSeconds, target }: Pick<SetStep, "workSeconds" | "target">,
  done: number | null,
): Seconds {
  const asked = Math.max(1, amountAsked(target).min);
  return seconds(workSeconds.min * (done === null ? 1 : Math.min(1, done / asked)));
}

/**
 * The rest taken before a set, from the moments at which the set before and this one were logged, less the seconds
 * that this one takes at least. Null where that is no rest: both were logged afterwards, one upon the other, or so
 * long apart that something else happened. Source: our rule.
 */
export function restTaken(before: Moment, now: Moment, leastWork: Seconds): Seconds | null {
  const ms = elapsed(before, now);
  const rest = ms / 1000 - leastWork;
  return rest < 0 || ms > LONGEST_REST_MS ? null : seconds(Math.round(rest));
}

/**
 * When something was logged, from the wall clock that was written down then; null where that lies ahead or far
 * back, so that the clock was changed since or it does not matter any more.
 */
export function momentOf(loggedAt: number, now: Moment): Moment | null {
  const age = now.wall - loggedAt;
  if (age < 0 || age > LONGEST_REST_MS) return null;
  return { wall: now.wall - age, steady: now.steady - age };
}

/**
 * The command that logged a set last, by the order of the log and never by a clock: the newest whose set stands,
 * corrected since or not. A correction is not itself a set. Null where nothing was logged.
 */
export function lastLogged(entries: readonly OrderedCommand[]): OrderedCommand | null {
  const byId = new Map(entries.map(({ command }) => [command.commandId, command]));
  const after = new Map(entries.map(({ command }) => [command.parent, command]));
  /** What the place of a command came to. */
  const stands = (command: Command): boolean => {
    let last = command;
    for (let next = after.get(last.commandId); next !== undefined; next = after.get(last.commandId))
      last = next;
    return last.body.kind === "part";
  };
  return entries
    .filter(
      ({ command }) =>
        command.body.kind === "part" &&
        (command.parent === null || byId.get(command.parent)?.body.kind === "removePart") &&
        stands(command),
    )
    .reduce<OrderedCommand | null>(
      (last, e) => (last === null || isLater(e, last) ? e : last),
      null,
    );
}

function isLater(a: OrderedCommand, b: OrderedCommand): boolean {
  const [at, bt] = [a.position ?? Infinity, b.position ?? Infinity];
  return at === bt ? a.command.seq > b.command.seq : at > bt;
}
