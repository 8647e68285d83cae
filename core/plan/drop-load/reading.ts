import { kind, massField, type Mass, type ValueOf } from "../../kernel/index.ts";

/** Down to a load as it is read at the station. */
export const definition = kind("reading", { reading: massField });
type ToReading = ValueOf<{ definition: typeof definition }>;

/** Null where the drop comes to nothing now, since there is no load to begin with. */
export const begin = (reading: Mass | null): ToReading | null =>
  reading && { kind: "reading", reading };
