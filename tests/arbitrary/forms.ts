import { MOVEMENT_FORM } from "./movement-form.ts";

/** The fields of an exercise of one's own as its codec reads them, lists and members already put together. */
export const MOVEMENT_FIELDS = {
  ...Object.fromEntries(
    Object.entries(MOVEMENT_FORM).filter(([name]) => !/[[\].]/.test(name) && name !== "revision"),
  ),
  jointActions: ["kneeExtension"],
  direct: ["vastusLateralis"],
  assisting: ["gluteusMaximus"],
  loadings: ["bar"],
  faults: [
    { fault: "heelsLift", cause: "Stiff ankles", cue: "Heels down", corrective: "Raise them" },
  ],
  substitutes: [
    { movement: "shipped:goblet-squat", reason: "the plain one" },
    { movement: "shipped:back-squat", reason: "heavier" },
  ],
};
