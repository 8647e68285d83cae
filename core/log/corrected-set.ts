import { howToMake, type Station } from "../gym/index.ts";
import { metres, seconds, type Count, type Id, type Mass } from "../kernel/index.ts";
import type { Rir } from "../plan/index.ts";
import { loggedField, type CountedField, type LoggedSet } from "./logged-set.ts";

/** What a coach says of a set that was logged otherwise; null is unknown. */
export interface SetCorrection {
  readonly reading: Mass | null;
  readonly done: Count | null;
  readonly rir: Rir;
}

/**
 * A logged set as it is corrected, under an id of its own. What hung is only known where the station, null where
 * it is gone, makes the load in one way.
 */
export function correctedSet(
  loggedSet: LoggedSet,
  { reading, done, rir }: SetCorrection,
  station: Pick<Station, "loading"> | null,
  id: Id<"loggedSet">,
): LoggedSet {
  const made = reading === null || station === null ? null : howToMake(station.loading, reading);
  const recipe = made?.ok === true ? made.value.recipe : null;
  return {
    ...loggedSet,
    id,
    reading,
    platesHung: recipe?.kind === "plates" ? recipe.perPoint : null,
    ...counted(loggedField(loggedSet), done),
    rir,
  };
}

function counted(field: CountedField, done: Count | null): Partial<LoggedSet> {
  if (field === "seconds") return { seconds: done === null ? null : seconds(done) };
  if (field === "metres") return { metres: done === null ? null : metres(done) };
  return { [field]: done };
}
