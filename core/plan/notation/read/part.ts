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
import { ModifierReader } from "./modifier.ts";

/** Reads what follows a set. */
export abstract class PartReader extends ModifierReader {
  extension(words: ExtensionWords, own: Target): readonly Extension[] {
    const ids = () => ({ id: this.mint<"extension">(), lineageId: this.mint<"lineage">() });
    switch (words.kind) {
      case "drop": {
        const to = this.drop(words.to);
        const restBefore = words.after === null ? USUAL_DROP_REST : this.time(words.after, "pause");
        const times = words.times === null ? 1 : this.bounded(words.times, "repeats");
        const target = words.target === null ? own : this.target(words.target);
        return Array.from({ length: times }, () => ({
          kind: "drop",
          ...ids(),
          line: this.mint<"line">(),
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
            pauses: this.bounded(words.times, "repeats"),
            pause: words.after === null ? USUAL_REST_PAUSE : this.time(words.after, "pause"),
            target: words.target === null ? FEW_MORE : this.target(words.target),
          },
        ];
      case "cluster":
        return [
          {
            kind: "cluster",
            ...ids(),
            groups: this.bounded(words.times, "repeats"),
            pause: words.after === null ? USUAL_CLUSTER_PAUSE : this.time(words.after, "pause"),
            multiple: words.percent === null ? share(1) : this.percent(words.percent, "percent"),
            target: words.target === null ? own : this.target(words.target),
          },
        ];
      case "partials":
        return [
          { kind: "partials", ...ids(), where: words.where, target: this.orFew(words.target) },
        ];
      case "forced":
        return [{ kind: "forced", ...ids(), by: words.by, target: this.orFew(words.target) }];
      case "position":
        return [
          {
            kind: "positionChange",
            ...ids(),
            setUp: this.pairs(words.pairs),
            target: words.target === null ? own : this.target(words.target),
          },
        ];
      case "hold": {
        const { where } = words;
        return [
          {
            kind: "endHold",
            ...ids(),
            seconds: this.time(words.time, "hold"),
            at:
              typeof where === "string"
                ? { kind: where }
                : { kind: "angle", degrees: degrees(this.bounded(where, "degrees")) },
          },
        ];
      }
      case "breaths":
        return [
          {
            kind: "breather",
            ...ids(),
            breaths: this.bounded(words.breaths, "repeats"),
            target: words.target === null ? own : this.target(words.target),
          },
        ];
      default:
        return assertNever(words);
    }
  }

  protected orFew(words: TargetWords | null): Target {
    return words === null ? FEW_MORE : this.target(words);
  }

  protected drop(words: Extract<ExtensionWords, { kind: "drop" }>["to"]): DropLoad {
    switch (words.kind) {
      case "share":
        return {
          kind: "share",
          of: words.of,
          share: this.percent(words.percent, "dropPercent"),
        };
      case "strip":
        return { kind: "strip", plates: this.bounded(words.plates, "plates") };
      case "steps":
        return { kind: "steps", steps: this.bounded(words.steps, "steps") };
      case "mass":
        return { kind: "reading", reading: this.mass(words.mass) };
      case "body":
        return { kind: "bodyweight" };
      default:
        return assertNever(words);
    }
  }
}
