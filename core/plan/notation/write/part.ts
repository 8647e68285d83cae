import { assertNever } from "../../../kernel/index.ts";
import {
  FEW_MORE,
  USUAL_CLUSTER_PAUSE,
  USUAL_DROP_REST,
  USUAL_REST_PAUSE,
  type DropLoad,
  type Extension,
  type Target,
} from "../../index.ts";
import { pairsText } from "./modifier.ts";
import { writeTarget } from "./target.ts";
import { joined, massText, percent, time } from "./words.ts";

/** Each behind "then"; equal drops behind each other are counted. */
export function extensionsText(extensions: readonly Extension[], own: Target): string {
  const parts: { text: string; drops: number }[] = [];
  for (const extension of extensions) {
    const text = writePart(extension, own);
    const last = parts.at(-1);
    if (extension.kind === "drop" && last?.text === text) last.drops += 1;
    else parts.push({ text, drops: extension.kind === "drop" ? 1 : 0 });
  }
  return parts
    .map(({ text, drops }) => `then ${drops > 1 ? `${drops} drops${text.slice(4)}` : text}`)
    .join(" ");
}

/** A part as `parsePart` reads it; `own` is the set's target. */
export function writePart(extension: Extension, own: Target): string {
  const forTarget = (target: Target, usual: Target) =>
    writeTarget(target) === writeTarget(usual) ? "" : `for ${writeTarget(target)}`;
  const after = (pause: number, usual: number) => (pause === usual ? "" : `after ${time(pause)}`);
  switch (extension.kind) {
    case "drop":
      return joined([
        `drop ${dropText(extension.to)}`,
        forTarget(extension.target, own),
        after(extension.restBefore, USUAL_DROP_REST),
      ]);
    case "restPause":
      return joined([
        `rest-pause ${extension.pauses}`,
        after(extension.pause, USUAL_REST_PAUSE),
        forTarget(extension.target, FEW_MORE),
      ]);
    case "cluster":
      return joined([
        `cluster ${extension.groups}`,
        after(extension.pause, USUAL_CLUSTER_PAUSE),
        extension.multiple === 1 ? "" : `at ${percent(extension.multiple)}`,
        forTarget(extension.target, own),
      ]);
    case "partials":
      return joined([`partials ${extension.where}`, forTarget(extension.target, FEW_MORE)]);
    case "forced":
      return joined([`forced ${extension.by}`, forTarget(extension.target, FEW_MORE)]);
    case "positionChange":
      return joined(["position", pairsText(extension.setUp), forTarget(extension.target, own)]);
    case "endHold": {
      const { at } = extension;
      const where = at.kind === "angle" ? `${at.degrees} deg` : at.kind;
      return `hold ${time(extension.seconds)} ${where}`;
    }
    case "breather":
      return joined([`breaths ${extension.breaths}`, forTarget(extension.target, own)]);
    default:
      return assertNever(extension);
  }
}

function dropText(to: DropLoad): string {
  switch (to.kind) {
    case "share":
      return `to ${percent(to.share)} of ${to.of === "first" ? "first" : "last"}`;
    case "strip":
      return `strip ${to.plates}`;
    case "steps":
      return `down ${to.steps}`;
    case "reading":
      return `to ${massText(to.reading)}`;
    case "bodyweight":
      return "to body";
    default:
      return assertNever(to);
  }
}
