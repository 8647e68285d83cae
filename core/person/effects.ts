import { shareOf, type Movement } from "../movement/index.ts";
import { isNewToThis, needsClearing, type Brief } from "./brief.ts";
import { exclusionsOf, type Exclusion } from "./exclusion.ts";
import { saysSomething } from "./own-volume.ts";

export type BriefField = keyof Brief;

/** What one field of a brief does. Counts are of the given catalogue. */
export type Effect =
  | { readonly kind: "takesOut"; readonly field: BriefField; readonly movements: number }
  | { readonly kind: "ranksUp"; readonly field: BriefField; readonly movements: number }
  | { readonly kind: "watches"; readonly field: BriefField; readonly what: Watched }
  | { readonly kind: "none"; readonly field: BriefField };

/** What findings and defaults keep an eye on because of a field. */
export type Watched =
  | "bandsHalved"
  | "clearingAsked"
  | "settings"
  | "ownSets"
  | "heelsAndDepth"
  | "supportedSquats"
  | "priorityFirst"
  | "noGrowth"
  | "weakSideFirst"
  | "gyms"
  | "weekSpread"
  | "timeCap"
  | "limitAlone"
  | "strapsAnswerGrip"
  | "loadHeld"
  | "progressCounts";

/** What each field that says something does, in the order of the brief; a field without content does nothing. */
export function effectsOf(
  brief: Brief,
  catalogue: readonly Movement[],
  year: number,
): readonly Effect[] {
  const out = (field: BriefField, by: (e: Exclusion) => boolean): Effect => ({
    kind: "takesOut",
    field,
    movements: catalogue.filter((m) => exclusionsOf(brief, m).some(by)).length,
  });
  const watches = (field: BriefField, what: Watched, isSaid: boolean): Effect =>
    isSaid ? { kind: "watches", field, what } : { kind: "none", field };
  const trains = (field: "priorities" | "likes"): Effect => {
    const movements = catalogue.filter((m) =>
      field === "likes"
        ? brief.likes.includes(m.ref)
        : brief.priorities.some((region) => shareOf(m, region) === 1),
    ).length;
    return movements === 0 ? { kind: "none", field } : { kind: "ranksUp", field, movements };
  };
  return [
    watches("goal", brief.goal === "definition" ? "loadHeld" : "progressCounts", true),
    out("level", (e) => e.code === "level"),
    watches("trainingYears", "bandsHalved", isNewToThis(brief)),
    watches(
      "birthYear",
      "clearingAsked",
      ["minor", "older"].includes(needsClearing(brief, year) ?? ""),
    ),
    watches("cautions", "clearingAsked", brief.cautions.length > 0),
    watches("approach", "settings", brief.approach !== null),
    out("clearances", (e) => e.code === "forbidden"),
    out("limits", (e) => e.code === "limit"),
    watches("limbs", "supportedSquats", brief.limbs === "longThighs"),
    watches("tight", "heelsAndDepth", brief.tight.length > 0),
    trains("priorities"),
    watches("notToGrow", "noGrowth", brief.notToGrow.length > 0),
    watches("weakerSide", "weakSideFirst", brief.weakerSide !== null),
    watches("gyms", "gyms", brief.gyms.length > 0),
    watches("daysPerWeek", "weekSpread", brief.daysPerWeek !== null),
    watches("minutesCap", "timeCap", brief.minutesCap !== null),
    watches("helper", "limitAlone", brief.helper === "alone"),
    trains("likes"),
    out("dislikes", (e) => e.code === "disliked"),
    brief.noEquipment.length === 0
      ? { kind: "none", field: "noEquipment" }
      : {
          kind: "takesOut",
          field: "noEquipment",
          movements: catalogue.filter(({ loadings }) =>
            loadings.every((kind) => brief.noEquipment.includes(kind)),
          ).length,
        },
    watches("gear", "strapsAnswerGrip", brief.gear.length > 0),
    watches("ownVolume", "ownSets", saysSomething(brief.ownVolume)),
  ];
}
