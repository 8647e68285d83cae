import { spokenRegions, type Whose } from "~/core/person/index.ts";
import { setsTowardsBand, standing, type RegionCoverage, type Judged } from "~/core/coach/index.ts";
import {
  JOINT_ACTIONS,
  MUSCLE_LENGTHS,
  REGIONS,
  RESISTANCE_PROFILES,
  TRAINABLE_LENGTHS,
} from "~/core/kernel/index.ts";
import { formatSets } from "~/format/numbers.ts";
import { formatAgainstRange, formatCounted } from "~/format/volume.ts";
import { ACTION_NAMES, LENGTH_NAMES, PROFILE_PLACES } from "~/format/training.ts";
import { LegMap, type ShadedRegion } from "../leg-map.tsx";
import { steady } from "../steady.ts";
import bench from "./bench.module.css";
import plain from "../../theme/plain.module.css";
import { useMuscles } from "../wording.ts";

/** Hard sets of the week for each region against the approach's band, and what each region meets. */
export function CoveragePanel({ judged }: { readonly judged: Judged }) {
  const { week, session, bands, sessions } = judged;
  const shown = spokenRegions(judged.brief, judged.approach).filter(
    (r) => bands[r].low > 0 || setsTowardsBand(week[r]) > 0,
  );
  const shaded = REGIONS.map((region): ShadedRegion => {
    const sets = setsTowardsBand(week[region]);
    const shade = sets === 0 ? "none" : standing(week[region], bands[region]);
    return { region, shade, says: formatAgainstRange(sets, shade) };
  });
  return (
    <section aria-label="Coverage">
      <h2 className={plain.smallHeading}>
        {sessions === 1 ? "This week, this session" : `This week, ${sessions} sessions`}
      </h2>
      <LegMap about="Hard sets of the week" regions={shaded} />
      <ul className={bench.bands}>
        {shown.map((region) => (
          <BandRow
            key={region}
            covered={week[region]}
            here={setsTowardsBand(session[region])}
            low={bands[region].low}
            high={bands[region].high}
            whose={bands[region].whose}
          />
        ))}
      </ul>
      <p className={`${plain.text} ${plain.soft}`}>
        Hard sets of the week, direct and indirect; the frame is {judged.approach.name}’s weekly
        range, a starting point and no limit. Below it: what the direct sets meet.
      </p>
    </section>
  );
}

const BandRow = steady(function BandRow({
  covered,
  here,
  low,
  high,
  whose,
}: {
  readonly covered: RegionCoverage;
  readonly here: number;
  readonly low: number;
  readonly high: number;
  readonly whose: Whose;
}) {
  const muscles = useMuscles();
  const sets = setsTowardsBand(covered);
  const most = Math.max(high, sets) * 1.08;
  const at = (n: number) => `${(100 * n) / most}%`;
  const state = standing(covered, { low, high });
  const met = MUSCLE_LENGTHS.filter((l) => covered.lengths[l] > 0);
  const profiles = RESISTANCE_PROFILES.filter((p) => covered.profiles[p] > 0);
  return (
    <li className={bench.band}>
      <div className={bench.bandName}>
        <span>{muscles.row[covered.region]}</span>
        <span className={state === "above" ? `${bench.bandSets} ${bench.above}` : bench.bandSets}>
          {formatSets(sets)}
          <span>
            {" "}
            of {low}–{high}
            {whose === "client" ? ", own" : ""}
          </span>
        </span>
      </div>
      <div aria-hidden className={bench.bandBar}>
        <div className={bench.frameOf} style={{ marginLeft: at(low), width: at(high - low) }} />
        <div className={bench.week} style={{ width: at(sets) }} />
        <div className={bench.here} style={{ width: at(Math.min(here, sets)) }} />
      </div>
      {covered.direct === 0 ? null : (
        <p className={bench.bandMet}>
          {TRAINABLE_LENGTHS[covered.region].length < 2
            ? ""
            : `${met.map((l) => LENGTH_NAMES[l]).join(", ")}; `}
          {[
            ...profiles.map((p) => PROFILE_PLACES[p]),
            ...(covered.unknownCurve > 0 ? ["hardest point not known yet"] : []),
          ].join(", ")}
          {"; "}
          {JOINT_ACTIONS.filter((a) => (covered.actions[a] ?? 0) > 0 && a !== "trunkStability")
            .map((a) => ACTION_NAMES[a].toLowerCase())
            .join(", ")}
          {covered.sides.twoLegs === 0
            ? "; one leg"
            : covered.sides.oneLeg + covered.sides.alternating > 0
              ? "; one and two legs"
              : "; two legs"}
          {covered.counted === 0 ? "" : `; ${formatCounted(covered.counted)}`}
        </p>
      )}
    </li>
  );
});
