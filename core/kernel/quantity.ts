declare const unitBrand: unique symbol;

/** A number that carries its unit in its type. Made only by the constructors of this folder. */
export type Quantity<U extends string> = number & { readonly [unitBrand]: U };

/** A duration in seconds, finite and ≥ 0. */
export type Seconds = Quantity<"s">;

/** True for a finite duration ≥ 0, in seconds. */
export function isSeconds(n: number): n is Seconds {
  return Number.isFinite(n) && n >= 0;
}

/** Brands a duration. Throws on a negative or non-finite number. */
export function seconds(n: number): Seconds {
  if (!isSeconds(n)) throw new Error(`not a duration in seconds: ${n}`);
  return n;
}

/** The sum of durations; 0 for none. */
export function addSeconds(...parts: readonly Seconds[]): Seconds {
  return seconds(parts.reduce<number>((sum, part) => sum + part, 0));
}

/** A duration in minutes, as a session's cap is given and its length is said: finite and ≥ 0. */
export type Minutes = Quantity<"min">;

/** Brands a duration in minutes. Throws on a negative or non-finite number. */
export function minutes(n: number): Minutes {
  if (!isMinutes(n)) throw new Error(`not a duration in minutes: ${n}`);
  return n;
}

const isMinutes = (n: number): n is Minutes => Number.isFinite(n) && n >= 0;

/** A duration in whole minutes as people say it: the nearest, halves up. */
export function wholeMinutes(duration: Seconds): Minutes {
  return minutes(Math.round(duration / 60));
}

/** How long something takes: the short, the likely and the long case. */
export interface Duration {
  readonly low: Seconds;
  readonly likely: Seconds;
  readonly high: Seconds;
}

export const NO_TIME: Duration = { low: seconds(0), likely: seconds(0), high: seconds(0) };

/** The sum of durations, case by case. */
export function addDurations(...parts: readonly Duration[]): Duration {
  return {
    low: addSeconds(...parts.map((p) => p.low)),
    likely: addSeconds(...parts.map((p) => p.likely)),
    high: addSeconds(...parts.map((p) => p.high)),
  };
}

/** A share of a load as a fraction: 0 < share ≤ 5 (0.8 is 80 %). */
export type Share = Quantity<"share">;

/** True for a fraction above 0 and at most 5. */
export function isShare(n: number): n is Share {
  return Number.isFinite(n) && n > 0 && n <= 5;
}

/** Brands a share. Throws outside (0, 5]. */
export function share(n: number): Share {
  if (!isShare(n)) throw new Error(`not a share: ${n}`);
  return n;
}

/** A count of repetitions or sets: an integer from 0 to 1000. */
export type Count = Quantity<"count">;

/** True for an integer from 0 to 1000. */
export function isCount(n: number): n is Count {
  return Number.isInteger(n) && n >= 0 && n <= 1000;
}

/** Brands a count. Throws unless it is an integer from 0 to 1000. */
export function count(n: number): Count {
  if (!isCount(n)) throw new Error(`not a count: ${n}`);
  return n;
}

/** A distance in metres, finite and ≥ 0. */
export type Metres = Quantity<"m">;

/** True for a finite distance from 0 to 100 km, in metres. */
export function isMetres(n: number): n is Metres {
  return Number.isFinite(n) && n >= 0 && n <= 100_000;
}

/** Brands a distance. Throws outside 0 to 100 km. */
export function metres(n: number): Metres {
  if (!isMetres(n)) throw new Error(`not a distance in metres: ${n}`);
  return n;
}

/** A joint angle in whole degrees of flexion from straight, 0 to 180. */
export type Degrees = Quantity<"deg">;

/** True for an integer from 0 to 180. */
export function isDegrees(n: number): n is Degrees {
  return Number.isInteger(n) && n >= 0 && n <= 180;
}

/** Brands an angle. Throws outside 0 to 180. */
export function degrees(n: number): Degrees {
  if (!isDegrees(n)) throw new Error(`not a joint angle in degrees: ${n}`);
  return n;
}
