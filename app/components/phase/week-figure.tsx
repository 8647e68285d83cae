import { standingAt } from "~/core/coach/index.ts";
import { REGIONS, type Region } from "~/core/kernel/index.ts";
import type { Band } from "~/core/person/index.ts";
import type { Sheet } from "~/core/phase/index.ts";
import { formatAgainstRange } from "~/format/volume.ts";
import { LegMap, type ShadedRegion } from "../leg-map.tsx";
import { Section } from "../page.tsx";
import { steady } from "../steady.ts";

/** The hard sets of one week of a phase on the leg, each muscle against its weekly range. */
export const WeekFigure = steady(function WeekFigure({
  volume,
  weekly,
  column,
}: {
  readonly volume: Sheet["volume"];
  /** The weekly range of each muscle. */
  readonly weekly: Readonly<Record<Region, Band>>;
  /** The week, from 0. */
  readonly column: number;
}) {
  const shaded = REGIONS.map((region): ShadedRegion => {
    const sets = volume.find((own) => own.region === region)?.weeks[column] ?? 0;
    const shade = sets === 0 ? "none" : standingAt(sets, weekly[region]);
    return { region, shade, says: formatAgainstRange(sets, shade) };
  });
  return (
    <Section title={`Week ${column + 1} on the leg`}>
      <LegMap about={`Hard sets of week ${column + 1}`} regions={shaded} />
    </Section>
  );
});
