import { seededRandom } from "~/core/kernel/index.ts";
import { bandOf, targetOdds } from "~/core/phase/index.ts";
import type { OddsAsked, OddsFound } from "./odds.ts";

declare const self: DedicatedWorkerGlobalScope;

/** Simulates what is asked; the same each time, as long as nothing changes. */
self.addEventListener("message", ({ data }: MessageEvent<OddsAsked>) => {
  const found: OddsFound = {
    odds: data.targets.map((own) => targetOdds(own, seededRandom(1))),
    bands: data.curves.map((own) => bandOf(own, seededRandom(1))),
  };
  self.postMessage(found);
});
