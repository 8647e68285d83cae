import {
  isPhaseTime,
  OPEN_TEMPO,
  TEMPO_PHASES,
  type Accent,
  type PlannedSet,
  type Tempo,
  type TempoPhaseName,
} from "../index.ts";
import { joined, num, readTime, readWithin, time, type Num } from "./measures.ts";
import {
  anyOf,
  behind,
  first,
  inTurn,
  map,
  maybe,
  oneOf,
  spanOf,
  token,
  word,
  written,
  type PhrasesOf,
  type Words,
} from "./phrase.ts";
import { note, type Reading } from "./reading.ts";
import type { Token } from "./tokens.ts";
import { placed, type Saying } from "./saying.ts";
import type { Span } from "./span.ts";

/** The word of each phase; older lines say "stretch". */
const PHASE_WORDS = { lower: "lower", stretch: "pause", lift: "lift", squeeze: "squeeze" } as const;
const phaseName = oneOf<TempoPhaseName>([
  ...TEMPO_PHASES.map((phase) => [PHASE_WORDS[phase], phase] as const),
  ["stretch", "stretch"],
]);
const held = first<Num | "explosive">(time, oneOf([["fast", "explosive" as const]]));

/** [ "tempo" ] phase ( time | "fast" ); each phase once. */
export const phase: Words<PhaseSaying> = map(
  inTurn(maybe(word("tempo")), placed(inTurn(phaseName, held), saysPhase)),
  ([, said]) => said,
);

/** What says every phase at once, beside which none can be said again. */
export const ALL_PHASES = "all phases";

/** [ "tempo" ] four numbers, in the order that the studio has set. */
export const shortTempo: Words<Saying> = map(
  inTurn(maybe(word("tempo")), token("shortTempo")),
  ([, found]) => ({
    ...spanOf(found),
    once: ALL_PHASES,
    says: (r, set) => {
      const parts = found.text.match(/[-–/]/)
        ? found.text.split(/[-–/]/)
        : (found.text.match(/./g) ?? []);
      return {
        tempo: r.context.tempo.reduce<Tempo>(
          (tempo, name, i) => ({ ...tempo, [name]: shortPhase(r, name, parts[i] ?? "0", found) }),
          set.tempo,
        ),
      };
    },
  }),
);

function shortPhase(r: Reading, name: TempoPhaseName, text: string, at: Token) {
  if (/x/i.test(text)) return "explosive" as const;
  return readPhase(r, name, { ...spanOf(at), value: Number(text) });
}

/** A phase as it is said: which, and what it makes of a tempo. */
export interface PhaseSaying extends Saying {
  readonly once: TempoPhaseName;
  readonly of: (r: Reading, tempo: Tempo) => Tempo;
}

function saysPhase([once, value]: readonly [TempoPhaseName, Num | "explosive"]): Omit<
  PhaseSaying,
  keyof Span
> {
  const of: PhaseSaying["of"] = (r, tempo) => ({
    ...tempo,
    [once]: value === "explosive" ? value : readPhase(r, once, value),
  });
  return { once, of, says: (r, { tempo }) => ({ tempo: of(r, tempo) }) };
}

function readPhase(r: Reading, name: TempoPhaseName, said: Num): number {
  const value = readWithin(r, said, "phase");
  if (value === said.value && !isPhaseTime(name, value)) {
    note(r, said, { code: "noTime", phase: name });
  }
  return value;
}

/** How each kind of accent is written. */
const ACCENTS: PhrasesOf<Accent> = {
  deadStop: {
    read: map(behind("deadStop", time), (said) => (r: Reading) => ({
      kind: "deadStop" as const,
      seconds: readTime(r, said, "accent"),
    })),
    write: ({ seconds }) => `dead stop ${num(seconds)} s`,
  },
  secondSqueeze: {
    read: map(behind("secondSqueeze", time), (said) => (r: Reading) => ({
      kind: "secondSqueeze" as const,
      seconds: readTime(r, said, "accent"),
    })),
    write: ({ seconds }) => `second squeeze ${num(seconds)} s`,
  },
  slowLastRep: {
    read: map(inTurn(behind("lastRep", phaseName), time), ([name, said]) => (r: Reading) => ({
      kind: "slowLastRep" as const,
      phase: name,
      seconds: readTime(r, said, "accent"),
    })),
    write: ({ phase: name, seconds }) => `last rep ${PHASE_WORDS[name]} ${num(seconds)} s`,
  },
};

/** What is done to repetitions beyond their tempo. */
export const accent: Words<Saying> = placed(anyOf(ACCENTS), (means) => ({
  says: (r, set) => ({ accents: [...set.accents, means(r)] }),
}));

export function accentsText(accents: readonly Accent[]): string {
  return joined(accents.map((one) => written(ACCENTS, one, null)));
}

/** "tempo 3-1-X-0" where all four are said, "tempo lower 3 pause 1" otherwise. */
export function tempoText(tempo: Tempo, order: readonly TempoPhaseName[]): string {
  const short = order.map((name) => shortText(tempo[name]));
  if (!short.includes(null)) return `tempo ${short.join("-")}`;
  return joined(["tempo", phasesText(tempo)]);
}

/** "lower 3 pause 1 lift fast" */
export function phasesText(tempo: Tempo): string {
  return joined(
    TEMPO_PHASES.map((name) => {
      const value = tempo[name];
      if (value === null) return "";
      return `${PHASE_WORDS[name]} ${value === "explosive" ? "fast" : num(value)}`;
    }),
  );
}

const shortText = (value: Tempo[TempoPhaseName]) =>
  value === "explosive" ? "X" : Number.isInteger(value) ? String(value) : null;

/** The tempo that some phases say, each once. */
export function readTempo(r: Reading, phases: readonly PhaseSaying[]): PlannedSet["tempo"] {
  const said = new Set<string>();
  let tempo = OPEN_TEMPO;
  for (const one of phases) {
    if (said.has(one.once)) note(r, one, { code: "twice", what: "phase" });
    said.add(one.once);
    tempo = one.of(r, tempo);
  }
  return tempo;
}
