import { degrees, MUSCLE_LENGTHS, share, type Seconds } from "../../kernel/index.ts";
import {
  FEW_MORE,
  USUAL_CLUSTER_PAUSE,
  USUAL_DROP,
  USUAL_DROP_REST,
  USUAL_REST_PAUSE,
  type DropLoad,
  type Extension,
  type ExtensionKind,
  type HoldPosition,
  type Target,
} from "../index.ts";
import {
  joined,
  massPhrase,
  massText,
  number,
  percentText,
  percentWords,
  readBounded,
  readShare,
  readTime,
  time,
  timeText,
  unless,
  type Num,
} from "./measures.ts";
import { setUpText, setUpWords } from "./names.ts";
import {
  anyOf,
  beginning,
  behind,
  first,
  inTurn,
  isSaid,
  longest,
  map,
  maybe,
  oneOf,
  word,
  written,
  type PhrasesOf,
  type Words,
} from "./phrase.ts";
import type { Span } from "./span.ts";
import type { Reading } from "./reading.ts";
import { target, writeTarget } from "./target.ts";

/** What a drop's share is of; of the load before where it is not said. */
const ofWhich = map(
  maybe(
    behind(
      "of",
      oneOf<"first" | "current">([
        ["first", "first"],
        ["last", "current"],
      ]),
    ),
  ),
  (of) => of ?? "current",
);
const ofText = (of: "first" | "current") => `of ${of === "first" ? "first" : "last"}`;

/** How what a drop goes down to is written. */
const DROPS: PhrasesOf<DropLoad> = {
  share: {
    read: map(inTurn(behind("to", percentWords), ofWhich), ([percent, of]) => (r: Reading) => ({
      kind: "share" as const,
      of,
      share: readShare(r, percent, "dropPercent"),
    })),
    write: (to) => `to ${percentText(to.share)} ${ofText(to.of)}`,
  },
  lessBy: {
    read: map(inTurn(behind("by", percentWords), ofWhich), ([percent, of]) => (r: Reading) => ({
      kind: "lessBy" as const,
      of,
      share: readShare(r, percent, "dropPercent"),
    })),
    write: (to) => `by ${percentText(to.share)} ${ofText(to.of)}`,
  },
  strip: {
    read: map(inTurn(behind("strip", number), isSaid("plates")), ([plates]) => (r: Reading) => ({
      kind: "strip" as const,
      plates: readBounded(r, plates, "plates"),
    })),
    write: ({ plates }) => `strip ${plates}`,
  },
  steps: {
    read: map(inTurn(behind("down", number), isSaid("steps")), ([increments]) => (r: Reading) => ({
      kind: "steps" as const,
      steps: readBounded(r, increments, "steps"),
    })),
    write: ({ steps: increments }) => `down ${increments}`,
  },
  reading: {
    read: map(behind("to", massPhrase), (reading) => (r: Reading) => ({
      kind: "reading" as const,
      reading: reading(r),
    })),
    write: ({ reading }) => `to ${massText(reading)}`,
  },
  bodyweight: {
    read: map(behind("to", word("body")), () => () => ({ kind: "bodyweight" as const })),
    write: () => "to body",
  },
};

/** What "drop set" alone goes down to. */
const usualDrop = () => USUAL_DROP;

/** How each position of a hold is written. */
const HOLDS: PhrasesOf<HoldPosition> = {
  stretched: {
    read: map(word("stretched"), () => () => ({ kind: "stretched" as const })),
    write: () => "stretched",
  },
  shortened: {
    read: map(word("shortened"), () => () => ({ kind: "shortened" as const })),
    write: () => "shortened",
  },
  angle: {
    read: map(inTurn(number, word("degrees")), ([angle]) => (r: Reading) => ({
      kind: "angle" as const,
      degrees: degrees(readBounded(r, angle, "degrees")),
    })),
    write: (at) => `${at.degrees} deg`,
  },
};

const LENGTHS = oneOf(MUSCLE_LENGTHS.map((length) => [length, length] as const));

/** An extension while it is read: how many of it, and what it is for a set that asks for `own`. */
export interface ExtensionWords extends Span {
  readonly times: Num | null;
  readonly read: (r: Reading, own: Target) => Extension;
}

/** How a kind of extension is read and written; `own` is what its set asks for. */
interface ExtensionPhrase<E extends Extension> {
  readonly read: Words<{
    readonly times?: Num | null;
    readonly means: (r: Reading, own: Target) => Bodied<E>;
  }>;
  readonly write: (part: E, own: Target) => string;
}
/** An extension without its ids. */
type Bodied<E extends Extension> = E extends Extension ? Omit<E, "id" | "lineageId"> : never;

const forTarget = maybe(behind("for", target));
/** "after" [ "most" ] time */
const after = maybe(behind("after", inTurn(isSaid("most"), time)));
type After = readonly [isMost: boolean, said: Num] | null;
const pauseOf = (r: Reading, wait: After, usual: Seconds): Seconds =>
  wait === null ? usual : readTime(r, wait[1], "pause");
const waitsOf = (wait: After) => (wait?.[0] === true ? ("atMost" as const) : ("exactly" as const));
const forText = (asked: Target, usual: Target) =>
  unless(writeTarget(asked) === writeTarget(usual), `for ${writeTarget(asked)}`);
const afterText = (pause: number, usual: number, waits: "exactly" | "atMost") =>
  waits === "atMost"
    ? `after most ${timeText(pause)}`
    : unless(pause === usual, `after ${timeText(pause)}`);

type PhraseOf<K extends ExtensionKind> = ExtensionPhrase<Extract<Extension, { kind: K }>>;
/** How each kind of extension is written. */
const PHRASES: { readonly [K in ExtensionKind]: PhraseOf<K> } = {
  drop: {
    read: map(
      inTurn(
        maybe(number),
        first(
          map(inTurn(word("dropSet"), maybe(anyOf(DROPS))), ([, to]) => to ?? usualDrop),
          behind("drop", anyOf(DROPS)),
        ),
        forTarget,
        after,
      ),
      ([times, to, asked, wait]) => ({
        times,
        means: (r, own) => ({
          kind: "drop",
          to: to(r),
          restBefore: pauseOf(r, wait, USUAL_DROP_REST),
          waits: waitsOf(wait),
          target: asked?.(r) ?? own,
          line: r.newId(),
        }),
      }),
    ),
    write: ({ to, target: asked, restBefore, waits }, own) =>
      joined([
        `drop ${written(DROPS, to, null)}`,
        forText(asked, own),
        afterText(restBefore, USUAL_DROP_REST, waits),
      ]),
  },
  restPause: {
    read: map(inTurn(behind("restPause", number), after, forTarget), ([times, wait, asked]) => ({
      means: (r) => ({
        kind: "restPause",
        pauses: readBounded(r, times, "repeats"),
        pause: pauseOf(r, wait, USUAL_REST_PAUSE),
        waits: waitsOf(wait),
        target: asked?.(r) ?? FEW_MORE,
      }),
    })),
    write: ({ pauses, pause, waits, target: asked }) =>
      joined([
        `rest-pause ${pauses}`,
        afterText(pause, USUAL_REST_PAUSE, waits),
        forText(asked, FEW_MORE),
      ]),
  },
  cluster: {
    read: map(
      inTurn(behind("cluster", number), after, maybe(behind("at", percentWords)), forTarget),
      ([times, wait, multiple, asked]) => ({
        means: (r, own) => ({
          kind: "cluster",
          groups: readBounded(r, times, "repeats"),
          pause: pauseOf(r, wait, USUAL_CLUSTER_PAUSE),
          waits: waitsOf(wait),
          multiple: multiple === null ? share(1) : readShare(r, multiple, "percent"),
          target: asked?.(r) ?? own,
        }),
      }),
    ),
    write: ({ groups, pause, waits, multiple, target: asked }, own) =>
      joined([
        `cluster ${groups}`,
        afterText(pause, USUAL_CLUSTER_PAUSE, waits),
        unless(multiple === 1, `at ${percentText(multiple)}`),
        forText(asked, own),
      ]),
  },
  partials: {
    read: map(inTurn(behind("partials", LENGTHS), forTarget), ([where, asked]) => ({
      means: (r) => ({ kind: "partials", where, target: asked?.(r) ?? FEW_MORE }),
    })),
    write: ({ where, target: asked }) => joined([`partials ${where}`, forText(asked, FEW_MORE)]),
  },
  forced: {
    read: map(
      inTurn(
        behind(
          "forced",
          oneOf<"self" | "partner">([
            ["self", "self"],
            ["partner", "partner"],
          ]),
        ),
        forTarget,
      ),
      ([by, asked]) => ({
        means: (r) => ({ kind: "forced", by, target: asked?.(r) ?? FEW_MORE }),
      }),
    ),
    write: ({ by, target: asked }) => joined([`forced ${by}`, forText(asked, FEW_MORE)]),
  },
  positionChange: {
    read: map(inTurn(behind("position", setUpWords), forTarget), ([setUp, asked]) => ({
      means: (r, own) => ({
        kind: "positionChange",
        setUp: setUp(r),
        target: asked?.(r) ?? own,
      }),
    })),
    write: ({ setUp, target: asked }, own) =>
      joined(["position", setUpText(setUp), forText(asked, own)]),
  },
  endHold: {
    read: map(inTurn(behind("hold", time), anyOf(HOLDS)), ([held, at]) => ({
      means: (r) => ({ kind: "endHold", seconds: readTime(r, held, "hold"), at: at(r) }),
    })),
    write: ({ seconds, at }) => `hold ${timeText(seconds)} ${written(HOLDS, at, null)}`,
  },
  breather: {
    read: map(inTurn(behind("breaths", number), forTarget), ([breaths, asked]) => ({
      means: (r, own) => ({
        kind: "breather",
        breaths: readBounded(r, breaths, "repeats"),
        target: asked?.(r) ?? own,
      }),
    })),
    write: ({ breaths, target: asked }, own) => joined([`breaths ${breaths}`, forText(asked, own)]),
  },
};

/** What follows a set, behind "then". */
export const extension: Words<ExtensionWords> = map(
  longest(...Object.values<ExtensionPhrase<Extension>>(PHRASES as never).map(({ read }) => read)),
  ({ times = null, means }, at) => ({
    ...at,
    times,
    read: (r, own) => {
      const ids = { id: r.newId<"extension">(), lineageId: r.newId<"lineage">() };
      return { ...means(r, own), ...ids };
    },
  }),
);
/** A drop set that stands without "then", as it is often said: "3 x 10 drop set". */
export const dropSet: Words<ExtensionWords> = beginning("dropSet", extension);

/** An extension as `parseExtension` reads it; `own` is the set's target. */
export function writeExtension(value: Extension, own: Target): string {
  return written<Extension, Target>(PHRASES, value, own);
}

/** Each behind "then"; equal drops behind each other are counted. */
export function extensionsText(extensions: readonly Extension[], own: Target): string {
  const texts: { text: string; drops: number }[] = [];
  for (const one of extensions) {
    const text = writeExtension(one, own);
    const last = texts.at(-1);
    if (one.kind === "drop" && last?.text === text) last.drops += 1;
    else texts.push({ text, drops: one.kind === "drop" ? 1 : 0 });
  }
  return texts
    .map(({ text, drops }) => `then ${drops > 1 ? `${drops} drops${text.slice(4)}` : text}`)
    .join(" ");
}
