import { z } from "zod";
import { idField, isMovementRef, type MovementRef } from "~/core/kernel/index.ts";
import { BOUNDS } from "~/core/plan/index.ts";

/** So many exercises are suggested for a day at most. */
const MOST = 20;

/** An exercise that was suggested and taken: at which equipment, with how many sets. */
const exerciseField = z
  .string()
  .transform((text) => {
    const [movement = "", station = "", sets = ""] = text.split("@");
    return { movement, station, sets: Number(sets) };
  })
  .pipe(
    z.object({
      movement: z.custom<MovementRef>(
        (ref) => typeof ref === "string" && isMovementRef(ref),
        "Expected an exercise.",
      ),
      station: idField("station"),
      sets: z.int().min(1).max(BOUNDS.sets.most),
    }),
  );

/** The exercises of a suggested session as one field of a form: "shipped:leg-press@…@3,…". */
export const takenField = z
  .string()
  .transform((text) => text.split(","))
  .pipe(z.array(exerciseField).min(1).max(MOST));
export type Taken = z.output<typeof takenField>;

/** The same as text. */
export const takenText = (exercises: readonly Readonly<Taken[number]>[]): string =>
  exercises.map(({ movement, station, sets }) => [movement, station, sets].join("@")).join(",");
