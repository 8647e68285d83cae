import { count, seconds, share, type Seconds } from "../kernel/index.ts";
import type { DropLoad } from "./drop-load.ts";
import type { Target } from "./target.ts";

/** How coaches usually write what follows a set, where they do not say it. Source: our rule, docs/notation.md. */
export const USUAL_DROP: DropLoad = { kind: "share", of: "current", share: share(0.8) };
export const USUAL_DROP_REST: Seconds = seconds(10);
export const USUAL_REST_PAUSE: Seconds = seconds(15);
export const USUAL_CLUSTER_PAUSE: Seconds = seconds(20);
/** What is often worn or used for legs; anything else can be typed. */
export const USUAL_GEAR = ["belt", "straps", "knee sleeves", "knee wraps", "heeled shoes"] as const;
/** As many as come after a short pause, as partials, or with help. */
export const FEW_MORE: Target = { kind: "limit", atLeast: null, likely: count(4) };
