import {
  compareMass,
  mass,
  parseMass,
  sameReading,
  type Mass,
  type MassTextError,
  type MassUnit,
  fail,
  ok,
  type Result,
} from "../kernel/index.ts";
import type { Band, PlateStock } from "./loading.ts";
import { STATION_BOUNDS } from "./station-bounds.ts";

/** A typed list as it was read, or what is wrong with it. */
type ListRead<T> = Result<readonly T[], PinListError>;

export type PinListError =
  | { readonly code: "empty" }
  | { readonly code: "notAMass"; readonly error: MassTextError }
  | { readonly code: "repeated"; readonly reading: Mass }
  /** A run "10 to 95 by 10" whose step does not lead to its last entry, or that is too long. */
  | { readonly code: "runDoesNotArrive"; readonly text: string }
  | { readonly code: "tooMany"; readonly most: number };

/**
 * Reads a typed list of masses ("10, 20, 35 50"; a semicolon, a space or a comma followed by a space
 * separates; a comma inside a number is a decimal comma) and sorts it. A run is written from its first to its
 * last with its step: "20 to 200 by 15". The unit may stand at the end. Refuses an empty list, a run that does
 * not arrive, and a repeated entry, which is a slip of the pen more often than a second identical pin.
 */
export function parseMassList(text: string, unit: MassUnit): ListRead<Mass> {
  const words = withoutUnit(text, unit)
    .split(/[;\s]+|,(?=\s|$)/)
    .filter((word) => word !== "");
  if (words.length === 0) return fail({ code: "empty" });
  const masses: Mass[] = [];
  for (let at = 0; at < words.length;) {
    const isEven = isWord(words[at + 1], "to") && isWord(words[at + 3], "by");
    const read = parseEach(isEven ? [0, 2, 4].map((i) => words[at + i]) : [words[at]], unit);
    if (!read.ok) return read;
    const entries = isEven ? evenSteps(read.value, unit) : read;
    if (!entries.ok) return entries;
    masses.push(...entries.value);
    if (masses.length > STATION_BOUNDS.loads) {
      return fail({ code: "tooMany", most: STATION_BOUNDS.loads });
    }
    at += isEven ? 5 : 1;
  }
  return eachOnce(masses.toSorted(compareMass), (m) => m);
}

/** A sorted list as it is, unless one of its masses stands in it twice. */
function eachOnce<T>(sorted: readonly T[], massOf: (entry: T) => Mass): ListRead<T> {
  const masses = sorted.map(massOf);
  const [repeated] = masses.filter((m, i) => masses.slice(0, i).some((x) => sameReading(x, m)));
  return repeated === undefined ? ok(sorted) : fail({ code: "repeated", reading: repeated });
}

/** The entries of a list whose entries have spaces within: by semicolon, line, or a comma before a space. */
function entriesOf(text: string): readonly string[] {
  return text
    .split(/[;\n]|,(?=\s|$)/)
    .map((entry) => entry.trim())
    .filter((entry) => entry !== "");
}

function withoutUnit(text: string, unit: MassUnit): string {
  const trimmed = text.trim();
  return trimmed.toLowerCase().endsWith(unit) ? trimmed.slice(0, -unit.length) : trimmed;
}

const isWord = (word: string | undefined, expected: string) => word?.toLowerCase() === expected;

function parseEach(words: readonly (string | undefined)[], unit: MassUnit): ListRead<Mass> {
  const masses: Mass[] = [];
  for (const word of words) {
    const parsed = parseMass(word ?? "", unit);
    if (!parsed.ok) return fail({ code: "notAMass", error: parsed.error });
    masses.push(parsed.value);
  }
  return ok(masses);
}

/** Every mass of a run given by its first, its last and its step. */
function evenSteps([first, last, step]: readonly Mass[], unit: MassUnit): ListRead<Mass> {
  if (first === undefined || last === undefined || step === undefined) return ok([]);
  const increments = (last.thousandths - first.thousandths) / step.thousandths;
  if (!Number.isInteger(increments) || increments < 1 || increments >= STATION_BOUNDS.loads) {
    const [from, to, by] = [first, last, step].map((m) => String(m.thousandths / 1000));
    return fail({ code: "runDoesNotArrive", text: `${from} to ${to} by ${by}` });
  }
  return ok(
    Array.from({ length: increments + 1 }, (_, i) =>
      mass(first.thousandths + i * step.thousandths, unit),
    ),
  );
}

/** Reads bands as name and nominal tension: "light 8, medium 15, strong 25"; sorts by tension. */
export function parseBandList(text: string, unit: MassUnit): ListRead<Band> {
  const words = entriesOf(text);
  if (words.length === 0) return fail({ code: "empty" });
  const bands: Band[] = [];
  for (const word of words) {
    const parts = /^(.{1,40}?)\s+(\S+)$/.exec(word);
    const parsed = parseMass(parts?.[2] ?? word, unit);
    if (!parsed.ok) return fail({ code: "notAMass", error: parsed.error });
    if (parts?.[1] === undefined) {
      return fail({ code: "notAMass", error: { code: "notANumber", text: word } });
    }
    bands.push({ name: parts[1], tension: parsed.value });
  }
  if (bands.length > STATION_BOUNDS.bands) {
    return fail({ code: "tooMany", most: STATION_BOUNDS.bands });
  }
  return eachOnce(
    bands.toSorted((a, b) => compareMass(a.tension, b.tension)),
    ({ tension }) => tension,
  );
}

/** Reads plates as `size × count` pairs: "25x4, 20x4, 1.25x2". The count is of single plates, 1 to 60. */
export function parsePlateList(text: string, unit: MassUnit): ListRead<PlateStock> {
  const words = entriesOf(text);
  if (words.length === 0) return fail({ code: "empty" });
  const plates: PlateStock[] = [];
  for (const word of words) {
    const parts = /^(\S+?)\s*[x×*]\s*(\d{1,2})$/.exec(word);
    const parsed = parseMass(parts?.[1] ?? word, unit);
    if (parts === null)
      return fail({ code: "notAMass", error: { code: "notANumber", text: word } });
    if (!parsed.ok) return fail({ code: "notAMass", error: parsed.error });
    const count = Number(parts[2]);
    if (count < 1 || count > STATION_BOUNDS.platesOfSize || parsed.value.thousandths === 0) {
      return fail({ code: "notAMass", error: { code: "outOfRange", text: word } });
    }
    plates.push({ size: parsed.value, count });
  }
  if (plates.length > STATION_BOUNDS.plateSizes) {
    return fail({ code: "tooMany", most: STATION_BOUNDS.plateSizes });
  }
  return eachOnce(
    plates.toSorted((a, b) => compareMass(b.size, a.size)),
    ({ size }) => size,
  );
}
