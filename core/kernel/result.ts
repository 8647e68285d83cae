/** The outcome of something that may be expected to fail: a value, or an error that is data. */
export type Result<T, E> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: E };

/** Wraps a value as a success. */
export function ok<T>(value: T): Result<T, never> {
  return { ok: true, value };
}

/** Wraps an error (a code with the values involved) as a failure. */
export function fail<E>(error: E): Result<never, E> {
  return { ok: false, error };
}

/** Marks a branch that types say cannot be reached. Throws with the offending value, since reaching it is a bug. */
export function assertNever(value: never): never {
  throw new Error(`unhandled variant: ${JSON.stringify(value)}`);
}
