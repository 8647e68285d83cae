import { type Mass, assertNever } from "~/core/kernel/index.ts";
import type { Band, Loading, LoadingKind, PinListError, PlateStock } from "~/core/gym/index.ts";
import { formatAmount, formatMass } from "./numbers.ts";

export const LOADING_NAMES: Readonly<Record<LoadingKind, string>> = {
  bar: "Bar and plates",
  plateMachine: "Plate machine",
  stack: "Pin stack",
  dumbbells: "Dumbbells",
  freeObject: "Free objects",
  bodyweight: "Body weight",
  assisted: "Counterweight",
  band: "Bands",
  unloaded: "Nothing to load",
};

/** What a reading on this station means, said beside every load field. */
export function readingMeaning(loading: Loading): string {
  switch (loading.kind) {
    case "bar":
      return loading.bar === null
        ? "plates; bar weight unknown"
        : `with the ${formatMass(loading.bar)} bar`;
    case "plateMachine":
      return loading.carriage === null
        ? "plates; sled weight unknown"
        : `plates; sled ${formatMass(loading.carriage)} on top`;
    case "stack":
      return loading.pulleyRatio === 1
        ? "as labelled on the stack"
        : `as labelled; ${formatRatio(loading.pulleyRatio)} of it moved`;
    case "dumbbells":
      return loading.counted === "each" ? "each of two dumbbells" : "both dumbbells together";
    case "freeObject":
      return loading.held === 2 ? "each of two" : "the object held";
    case "bodyweight":
      return `added; ${formatRatio(loading.movedShare)} of the body moves with it`;
    case "assisted":
      return "counterweight: a higher number is easier";
    case "band":
      return "nominal tension of the band; what it pulls changes with its stretch";
    case "unloaded":
      return "nothing to load";
    default:
      return assertNever(loading);
  }
}

function formatRatio(ratio: number): string {
  return `${Math.round(ratio * 100)}%`;
}

/** "Olympic bar 20 kg; 25×4, 20×4 …", for lists of stations. */
export function describeLoading(loading: Loading): string {
  switch (loading.kind) {
    case "bar":
    case "plateMachine": {
      const base = loading.kind === "bar" ? loading.bar : loading.carriage;
      const what = loading.kind === "bar" ? "bar" : "sled weight";
      const plates = loading.plates.map((p) => `${formatAmount(p.size)}×${p.count}`).join(", ");
      return `${what} ${base === null ? "unknown" : formatMass(base)}; plates ${plates || "none"}`;
    }
    case "stack": {
      const addOns =
        loading.addOns.length > 0 ? `, add-ons ${loading.addOns.map(formatAmount).join(", ")}` : "";
      return `${spanOf(loading.pins, "pin")}${addOns}`;
    }
    case "dumbbells":
      return spanOf(loading.present, "pair");
    case "freeObject":
      return spanOf(loading.present, "object");
    case "bodyweight":
      return loading.added.length === 0
        ? "nothing to add"
        : `added: ${loading.added.map(formatAmount).join(", ")} ${loading.unit}`;
    case "assisted":
      return spanOf(loading.pins, "pin");
    case "band":
      return loading.bands.length === 0
        ? "none"
        : loading.bands.map((b) => `${b.name} ${formatMass(b.tension)}`).join(", ");
    case "unloaded":
      return "nothing to load";
    default:
      return assertNever(loading);
  }
}

/** "7 pins, 10 to 90 lb" */
function spanOf(masses: readonly Mass[], one: string): string {
  const [first, last] = [masses[0], masses.at(-1)];
  if (first === undefined || last === undefined) return "none";
  const what = masses.length === 1 ? one : `${one}s`;
  return `${masses.length} ${what}, ${formatAmount(first)} to ${formatMass(last)}`;
}

/** Says what was wrong in a typed list of masses, with the word that was wrong. */
export function formatListError(error: PinListError, example: string): string {
  switch (error.code) {
    case "empty":
      return `Expected at least one, like ${example}.`;
    case "repeated":
      return `${formatMass(error.reading)} stands twice; give each once.`;
    case "runDoesNotArrive":
      return `“${error.text}” does not arrive: from the first to the last in whole steps, like 20 to 200 by 15.`;
    case "tooMany":
      return `At most ${error.most} can be kept; this list holds more.`;
    case "notAMass":
      return error.error.code === "tooFine"
        ? `“${error.error.text}” has more than three decimals.`
        : error.error.code === "outOfRange"
          ? `“${error.error.text}” is out of range.`
          : `“${error.error.text}” is not understood; write like ${example}.`;
    default:
      return assertNever(error);
  }
}

/** The text that a list field starts with, in the form in which it is typed. */
export function listText(masses: readonly Mass[]): string {
  return masses.map(formatAmount).join(", ");
}

/** "25x4, 20x4", in the form in which it is typed. */
export function plateListText(plates: readonly PlateStock[]): string {
  return plates.map((p) => `${formatAmount(p.size)}x${p.count}`).join(", ");
}

/** "light 8, medium 15", in the form in which it is typed. */
export function bandListText(bands: readonly Band[]): string {
  return bands.map((b) => `${b.name} ${formatAmount(b.tension)}`).join(", ");
}
