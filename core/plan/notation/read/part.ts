import { degrees, share, assertNever } from "../../../kernel/index.ts";
import {
  FEW_MORE,
  USUAL_CLUSTER_PAUSE,
  USUAL_DROP_REST,
  USUAL_REST_PAUSE,
  type DropLoad,
  type Extension,
  type Target,
} from "../../index.ts";
import type { ExtensionWords, TargetWords } from "../syntax.ts";
import { readPairs } from "./item.ts";
import type { Reading } from "./reading.ts";
import { readTarget } from "./target.ts";
import { readBounded, readMass, readPercent, readTime } from "./words.ts";

/** What follows a set; as many as are counted. `own` is the target of the set. */
export function readExtension(
  r: Reading,
  words: ExtensionWords,
  own: Target,
): readonly Extension[] {
  const ids = () => ({ id: r.newId<"extension">(), lineageId: r.newId<"lineage">() });
  switch (words.kind) {
    case "drop": {
      const to = readDrop(r, words.to);
      const restBefore = words.after === null ? USUAL_DROP_REST : readTime(r, words.after, "pause");
      const times = words.times === null ? 1 : readBounded(r, words.times, "repeats");
      const target = words.target === null ? own : readTarget(r, words.target);
      return Array.from({ length: times }, () => ({
        kind: "drop",
        ...ids(),
        line: r.newId<"line">(),
        to,
        target,
        restBefore,
      }));
    }
    case "restPause":
      return [
        {
          kind: "restPause",
          ...ids(),
          pauses: readBounded(r, words.times, "repeats"),
          pause: words.after === null ? USUAL_REST_PAUSE : readTime(r, words.after, "pause"),
          target: words.target === null ? FEW_MORE : readTarget(r, words.target),
        },
      ];
    case "cluster":
      return [
        {
          kind: "cluster",
          ...ids(),
          groups: readBounded(r, words.times, "repeats"),
          pause: words.after === null ? USUAL_CLUSTER_PAUSE : readTime(r, words.after, "pause"),
          multiple: words.percent === null ? share(1) : readPercent(r, words.percent, "percent"),
          target: words.target === null ? own : readTarget(r, words.target),
        },
      ];
    case "partials":
      return [
        { kind: "partials", ...ids(), where: words.where, target: readOrFew(r, words.target) },
      ];
    case "forced":
      return [{ kind: "forced", ...ids(), by: words.by, target: readOrFew(r, words.target) }];
    case "position":
      return [
        {
          kind: "positionChange",
          ...ids(),
          setUp: readPairs(r, words.pairs),
          target: words.target === null ? own : readTarget(r, words.target),
        },
      ];
    case "hold": {
      const { where } = words;
      return [
        {
          kind: "endHold",
          ...ids(),
          seconds: readTime(r, words.time, "hold"),
          at:
            typeof where === "string"
              ? { kind: where }
              : { kind: "angle", degrees: degrees(readBounded(r, where, "degrees")) },
        },
      ];
    }
    case "breaths":
      return [
        {
          kind: "breather",
          ...ids(),
          breaths: readBounded(r, words.breaths, "repeats"),
          target: words.target === null ? own : readTarget(r, words.target),
        },
      ];
    default:
      return assertNever(words);
  }
}

function readOrFew(r: Reading, words: TargetWords | null): Target {
  return words === null ? FEW_MORE : readTarget(r, words);
}

/** What a drop goes down to. */
function readDrop(r: Reading, words: Extract<ExtensionWords, { kind: "drop" }>["to"]): DropLoad {
  switch (words.kind) {
    case "share":
      return {
        kind: "share",
        of: words.of,
        share: readPercent(r, words.percent, "dropPercent"),
      };
    case "strip":
      return { kind: "strip", plates: readBounded(r, words.plates, "plates") };
    case "steps":
      return { kind: "steps", steps: readBounded(r, words.steps, "steps") };
    case "mass":
      return { kind: "reading", reading: readMass(r, words.mass) };
    case "body":
      return { kind: "bodyweight" };
    default:
      return assertNever(words);
  }
}
