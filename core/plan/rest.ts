import { seconds, type Count, type Duration, type Seconds, assertNever } from "../kernel/index.ts";

/**
 * Rest after a set. The kinds that end by themselves (`breath`, `heartRate`, `partner`) carry the time that
 * the coach expects, for the estimate only.
 */
export type Rest =
  | { readonly kind: "fixed"; readonly seconds: Seconds }
  | { readonly kind: "range"; readonly min: Seconds; readonly max: Seconds }
  | { readonly kind: "atMost"; readonly seconds: Seconds }
  /** Until breathing has settled. */
  | { readonly kind: "breath"; readonly likely: Seconds }
  /** Until the heart beats slower than so many times a minute. */
  | { readonly kind: "heartRate"; readonly below: Count; readonly likely: Seconds }
  /** Two people share a station: the other's set is the rest. */
  | { readonly kind: "partner"; readonly likely: Seconds };

/**
 * How long a rest takes. A timed rest drifts a little even with a timer; a ceiling is often not used up; one
 * that ends by recovery or by a partner varies widely. Source: our rule, docs/arithmetic.md § Time.
 */
export function restSpan(rest: Rest): Duration {
  switch (rest.kind) {
    case "fixed":
      return spread(rest.seconds, 0.9, 1.25);
    case "range":
      return { low: rest.min, likely: seconds((rest.min + rest.max) / 2), high: rest.max };
    case "atMost":
      return spread(rest.seconds, 0.5, 1);
    case "breath":
    case "heartRate":
    case "partner":
      return spread(rest.likely, 0.6, 1.6);
    default:
      return assertNever(rest);
  }
}

/** A fixed wait inside a set: between its parts, or while sides are changed. */
export function pauseOf(pause: Seconds): Duration {
  return restSpan({ kind: "fixed", seconds: pause });
}

function spread(likely: Seconds, low: number, high: number): Duration {
  return { low: seconds(likely * low), likely, high: seconds(likely * high) };
}
