import { massField } from "../../kernel/index.ts";
import { drillKind } from "../drill.ts";
import { OPEN_TEMPO, tempoField } from "../tempo.ts";

/** Light work before the session's own, at a load as it is read and a tempo. */
export const definition = drillKind("preFatigue", {
  load: massField.nullable().default(null),
  tempo: tempoField.default(OPEN_TEMPO),
});
