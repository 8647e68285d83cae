import {
  assertNever,
  type MovementRef,
  parseMass,
  type Mass,
  type MassUnit,
  RESISTANCE_PROFILES,
  type ResistanceProfile,
  massUnitField,
  movementField,
} from "~/core/kernel/index.ts";
import {
  LOADING_KINDS,
  parseBandList,
  parseMassList,
  parsePlateList,
  type Loading,
  type LoadingKind,
  type PinListError,
} from "~/core/gym/index.ts";
import { z } from "zod";
import { loadingCodec } from "./loading.ts";
import { optionalTextField, textField } from "./text.ts";
import { timeZoneCodec } from "./values.ts";

export const gymFormCodec = z.object({
  name: textField("a name", 80),
  timeZone: timeZoneCodec,
  houseRules: optionalTextField(1000),
});

/** What a new gym begins with. */
export const STARTING_GYM_KINDS = ["commercial", "small", "home", "empty"] as const;
export type StartingGym = (typeof STARTING_GYM_KINDS)[number];

/** A new gym as typed, with what it begins with. */
export const newGymFormCodec = gymFormCodec.extend({
  begins: z.enum(STARTING_GYM_KINDS, { error: "Expected one of the gyms." }).default("empty"),
});

/** A typed list or number: longer than any that is kept. */
const text = optionalTextField(2000);

/** What the station form sends: all of its fields, whichever kind is chosen. */
const rawCodec = z.object({
  name: textField("a name, like Leg press by the window", 80),
  kind: z.enum(LOADING_KINDS, {
    error: "Expected a kind of loading.",
  }),
  unit: massUnitField,
  baseMass: text,
  points: z.enum(["1", "2"]).default("2"),
  plates: text,
  pins: text,
  addOns: text,
  pulleyRatio: text,
  present: text,
  counted: z.enum(["each", "pair"]).default("each"),
  held: z.enum(["1", "2"]).default("1"),
  movedShare: text,
  bands: text,
  serves: z.array(movementField).max(400).default([]),
  profile: z.enum(["", ...RESISTANCE_PROFILES]).default(""),
  usuallyBusy: z.literal("on").optional(),
  room: optionalTextField(60),
});

export interface StationForm {
  readonly name: string;
  readonly loading: Loading;
  readonly serves: readonly MovementRef[];
  readonly profile: ResistanceProfile | null;
  readonly usuallyBusy: boolean;
  readonly room: string;
}

type Raw = z.infer<typeof rawCodec>;
/** Where a part of a loading is typed, if not under its own name. */
const FIELD_OF: Readonly<Partial<Record<string, keyof Raw>>> = {
  bar: "baseMass",
  carriage: "baseMass",
  plates: "plates",
  pins: "pins",
  addOns: "addOns",
  present: "present",
  added: "present",
  bands: "bands",
  pulleyRatio: "pulleyRatio",
  movedShare: "movedShare",
};

/** Where the loads of each kind are typed, for what is wrong with them together. */
const MAIN_FIELD: Readonly<Record<LoadingKind, keyof Raw>> = {
  bar: "plates",
  plateMachine: "plates",
  stack: "pins",
  dumbbells: "present",
  freeObject: "present",
  bodyweight: "present",
  assisted: "pins",
  band: "bands",
  unloaded: "kind",
};

function tooMuch(issue: z.core.$ZodIssue): string {
  return issue.code === "too_big" && issue.origin === "array"
    ? `At most ${issue.maximum} can be kept here; this list holds more.`
    : issue.message;
}

type Complain = (field: keyof Raw, message: string) => void;

/**
 * A station as typed. `wording` turns an error of a typed list into a sentence (format/ holds the wording;
 * codecs stand below it).
 */
export function stationFormCodec(wording: (error: PinListError, example: string) => string) {
  return rawCodec.transform((raw, ctx): StationForm => {
    const complain: Complain = (field, message) =>
      ctx.addIssue({ code: "custom", path: [field], message });
    const loading = loadingFrom(raw, complain, wording);
    if (loading === null) return z.NEVER;
    const stored = loadingCodec.safeParse(loading);
    if (!stored.success) {
      for (const issue of stored.error.issues) {
        complain(FIELD_OF[String(issue.path[0])] ?? MAIN_FIELD[raw.kind], tooMuch(issue));
      }
      return z.NEVER;
    }
    return {
      name: raw.name,
      loading: stored.data,
      serves: raw.serves,
      profile: raw.profile === "" ? null : raw.profile,
      usuallyBusy: raw.usuallyBusy === "on",
      room: raw.room,
    };
  });
}

/** A number with a decimal comma or point, or NaN; a share finer than a thousandth is a slip. */
function typedNumber(text: string): number {
  return /^\d{1,3}([.,]\d{1,3})?$/.test(text) ? Number(text.replace(",", ".")) : Number.NaN;
}

function loadingFrom(
  raw: Raw,
  complain: Complain,
  wording: (error: PinListError, example: string) => string,
): Loading | null {
  const unit: MassUnit = raw.unit;
  const list = (field: "pins" | "present" | "addOns", example: string): readonly Mass[] | null => {
    if (raw[field] === "" && (field === "addOns" || raw.kind === "bodyweight")) return [];
    const parsed = parseMassList(raw[field], unit);
    if (parsed.ok) return parsed.value;
    complain(field, wording(parsed.error, example));
    return null;
  };
  const plateList = () => {
    const parsed = parsePlateList(raw.plates, unit);
    if (parsed.ok) return parsed.value;
    complain("plates", wording(parsed.error, "20x4, 10x4, 2.5x2"));
    return null;
  };
  /** Empty is unknown, which is not zero. */
  const baseMass = (): Mass | null | undefined => {
    if (raw.baseMass === "") return null;
    const parsed = parseMass(raw.baseMass, unit);
    if (parsed.ok) return parsed.value;
    complain(
      "baseMass",
      `“${parsed.error.text}” is not a mass; write like 20 or 12.5, or leave it empty if unknown.`,
    );
    return undefined;
  };
  const movedShare = (): number | null => {
    const percent = typedNumber(raw.movedShare.replace("%", "").trim());
    if (percent > 0 && percent <= 100) return percent / 100;
    complain("movedShare", "Expected the share of the body that is moved in per cent, like 85.");
    return null;
  };
  switch (raw.kind) {
    case "bar": {
      const [bar, plates] = [baseMass(), plateList()];
      return bar === undefined || plates === null ? null : { kind: "bar", unit, bar, plates };
    }
    case "plateMachine": {
      const [carriage, plates] = [baseMass(), plateList()];
      return carriage === undefined || plates === null
        ? null
        : { kind: "plateMachine", unit, carriage, points: raw.points === "1" ? 1 : 2, plates };
    }
    case "stack": {
      const [pins, addOns] = [list("pins", "10, 20, 35, 50"), list("addOns", "2.5, 5")];
      const ratio = raw.pulleyRatio === "" ? 1 : typedNumber(raw.pulleyRatio);
      if (!(ratio > 0 && ratio <= 4)) {
        complain("pulleyRatio", "Expected the share of the stack that is moved, like 1 or 0.5.");
        return null;
      }
      return pins === null || addOns === null
        ? null
        : { kind: "stack", unit, pins, addOns, pulleyRatio: ratio };
    }
    case "dumbbells": {
      const present = list("present", "10, 12.5, 15");
      return present === null ? null : { kind: "dumbbells", unit, present, counted: raw.counted };
    }
    case "freeObject": {
      const present = list("present", "8, 12, 16, 24");
      return present && { kind: "freeObject", unit, present, held: raw.held === "1" ? 1 : 2 };
    }
    case "bodyweight": {
      const [share, added] = [movedShare(), list("present", "5, 10, 20")];
      return share === null || added === null
        ? null
        : { kind: "bodyweight", unit, movedShare: share, added };
    }
    case "assisted": {
      const [share, pins] = [movedShare(), list("pins", "10 to 80 by 10")];
      return share === null || pins === null
        ? null
        : { kind: "assisted", unit, movedShare: share, pins };
    }
    case "band": {
      const parsed = parseBandList(raw.bands, unit);
      if (parsed.ok) return { kind: "band", unit, bands: parsed.value };
      complain("bands", wording(parsed.error, "light 8, medium 15, strong 25"));
      return null;
    }
    case "unloaded":
      return { kind: "unloaded", unit };
    default:
      return assertNever(raw.kind);
  }
}
