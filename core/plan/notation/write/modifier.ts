import { assertNever } from "../../../kernel/index.ts";
import {
  TEMPO_PHASES,
  type Accent,
  type PlannedSet,
  type Rest,
  type Rir,
  type SetUp,
  type SideMode,
} from "../../index.ts";
import { RECOVERY } from "../context.ts";
import { quoted } from "../words.ts";
import { joined, num, time } from "./words.ts";

export function effortText(effort: Rir): string {
  if (effort === "more") return "leave many";
  if (effort === "past") return "past limit";
  return effort === "unknown" ? "leave unknown" : `leave ${effort}`;
}

export function tempoText(tempo: PlannedSet["tempo"]): string {
  return joined(
    TEMPO_PHASES.map((phase) => {
      const value = tempo[phase];
      if (value === null) return "";
      return `${phase} ${value === "explosive" ? "fast" : num(value)}`;
    }),
  );
}

export function accentText(accent: Accent): string {
  switch (accent.kind) {
    case "deadStop":
      return `dead stop ${num(accent.seconds)} s`;
    case "secondSqueeze":
      return `second squeeze ${num(accent.seconds)} s`;
    case "slowLastRep":
      return `last rep ${accent.phase} ${num(accent.seconds)} s`;
    default:
      return assertNever(accent);
  }
}

export function pairsText(setUp: SetUp): string {
  return Object.entries(setUp)
    .map(([name, choice]) => `${quoted(name)} ${quoted(choice)}`)
    .join(" ");
}

export function sideText(side: SideMode): string {
  if (side.kind !== "each") return side.kind;
  const order = side.first === "left" ? "left then right" : "right then left";
  return `${order}${side.matchFirst ? " matched" : ""}`;
}

/** A rest as `parseRest` reads it. */
export function writeRest(rest: Rest): string {
  const about = (likely: number) => (likely === RECOVERY ? "" : `about ${time(likely)}`);
  switch (rest.kind) {
    case "fixed":
      return time(rest.seconds);
    case "range":
      return `${time(rest.min)}-${time(rest.max)}`;
    case "atMost":
      return `most ${time(rest.seconds)}`;
    case "breath":
    case "partner":
      return joined([rest.kind, about(rest.likely)]);
    case "heartRate":
      return joined([`heart below ${rest.below}`, about(rest.likely)]);
    default:
      return assertNever(rest);
  }
}

export const sameRest = (a: Rest, b: Rest) => a.kind === b.kind && writeRest(a) === writeRest(b);
export const sameSide = (a: SideMode, b: SideMode) => sideText(a) === sideText(b);
