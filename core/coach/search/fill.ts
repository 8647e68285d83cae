import { directRegions } from "../../movement/index.ts";
import { isIsolation } from "../../person/index.ts";
import type { Frame, FrameForm } from "../../plan/index.ts";
import { countsForVolume } from "../../unroll/index.ts";
import { judge, type Judging } from "../judged.ts";
import { ANYTHING, findMovements, type Candidate } from "./find.ts";

/**
 * What fills a frame best for somebody in a session, as the search ranks it: what they may do here, by what the
 * session still lacks; never what it has already. Null where nothing here fits.
 */
export function fillingFor(frame: Frame, judging: Judging): Candidate | null {
  const judged = judge(judging);
  const taken = new Set(judged.slots.map(({ slot }) => slot.movement));
  const { candidates } = findMovements(
    { ...ANYTHING, region: frame.region, length: frame.length },
    judged,
  );
  return (
    candidates.find(
      (own) =>
        !taken.has(own.movement.ref) &&
        countsForVolume(own.movement) &&
        (frame.form === null || FITS[frame.form](own)) &&
        (frame.region === null || directRegions(own.movement).includes(frame.region)),
    ) ?? null
  );
}

const FITS: Readonly<Record<FrameForm, (of: Candidate) => boolean>> = {
  compound: ({ movement }) => !isIsolation(movement),
  machine: ({ station }) => MACHINES.has(station.loading.kind),
  singleLeg: ({ movement }) => movement.laterality !== "twoLegs",
  isolation: ({ movement }) => isIsolation(movement),
};

const MACHINES: ReadonlySet<Candidate["station"]["loading"]["kind"]> = new Set([
  "plateMachine",
  "stack",
  "assisted",
]);
