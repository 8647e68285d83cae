import { standingAt } from "~/core/coach/index.ts";
import { REGIONS, SPEAKING_REGIONS, type Region } from "~/core/kernel/index.ts";
import type { Sheet } from "~/core/phase/index.ts";
import { formatAgainstRange } from "~/format/volume.ts";
import { LegMap, type ShadedRegion } from "../leg-map.tsx";
import { Section } from "../page.tsx";
import { steady } from "../steady.ts";
import type { RegionBand } from "./hard-sets.tsx";

/** The hard sets of one week of a phase on the leg, each muscle against its weekly range. */
export const WeekFigure = steady(function WeekFigure({
  volume,
  bands,
  column,
}: {
  readonly volume: Sheet["volume"];
  readonly bands: readonly RegionBand[];
  /** The week, from 0. */
  readonly column: number;
}) {
  const bandOf = (region: Region) =>
    bands.find((own) => own.region === region) ??
    // The heads of the quads that are not told apart are meant by their one row.
    (SPEAKING_REGIONS.includes(region)
      ? null
      : (bands.find((own) => own.region === "vastusLateralis") ?? null));
  const shaded = REGIONS.map((region): ShadedRegion => {
    const sets = volume.find((own) => own.region === region)?.weeks[column] ?? 0;
    const band = bandOf(region);
    const shade = sets === 0 ? "none" : band === null ? "within" : standingAt(sets, band);
    return { region, shade, says: formatAgainstRange(sets, shade) };
  });
  return (
    <Section title={`Week ${column + 1} on the leg`}>
      <LegMap about={`Hard sets of week ${column + 1}`} regions={shaded} />
    </Section>
  );
});
