import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { RegionVolume } from "~/core/unroll/index.ts";
import { formatSets } from "~/format/numbers.ts";
import { formatCounted } from "~/format/volume.ts";
import { LegMap } from "../leg-map.tsx";
import { useMuscles } from "../wording.ts";

/** Hard sets for each region as bars: direct solid, in part hatched, with the numbers beside. */
export function VolumeBars({
  title,
  volume,
}: {
  readonly title: string;
  readonly volume: readonly RegionVolume[];
}) {
  const muscles = useMuscles();
  const most = Math.max(1, ...volume.map((v) => v.direct + v.indirect));
  return (
    <Box component="section" aria-label="Hard sets per region">
      <Typography variant="overline" component="h2">
        {title}
      </Typography>
      <LegMap
        about={title}
        regions={volume.map(({ region, direct, indirect }) => ({
          region,
          shade: direct > 0 ? "within" : indirect > 0 ? "below" : "none",
          says: `${formatSets(direct)} direct${indirect > 0 ? ` + ${formatSets(indirect)} indirect` : ""}`,
        }))}
      />
      <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
        {volume.map((v) => (
          <Box
            component="li"
            key={v.region}
            sx={{ py: 0.5, borderBottom: 1, borderColor: "divider" }}
          >
            <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
              <Typography variant="body2" sx={{ flexGrow: 1 }}>
                {muscles.row[v.region]}
              </Typography>
              <Typography variant="figure" component="span" sx={{ fontSize: "1.1rem" }}>
                {formatSets(v.direct)}
                {v.indirect > 0 ? (
                  <Box component="span" sx={{ color: "text.secondary", fontWeight: 500 }}>
                    {" "}
                    + {formatSets(v.indirect)}
                  </Box>
                ) : null}
              </Typography>
            </Box>
            <Box aria-hidden sx={{ display: "flex", height: 7 }}>
              <Box sx={{ width: `${(100 * v.direct) / most}%`, backgroundColor: "kravo.iron" }} />
              <Box
                sx={{
                  width: `${(100 * v.indirect) / most}%`,
                  border: v.indirect > 0 ? 1 : 0,
                  borderColor: "kravo.iron",
                  backgroundImage: (t) =>
                    `repeating-linear-gradient(115deg, transparent 0 3px, ${t.vars?.palette.kravo.ironLight ?? ""} 3px 4px)`,
                }}
              />
            </Box>
            {v.unknown > 0 ? (
              <Typography variant="body2" sx={{ color: "kravo.warn" }}>
                {formatSets(v.unknown)} of unknown effort
              </Typography>
            ) : null}
            {v.counted === 0 ? null : (
              <Typography variant="body2" sx={{ color: "text.secondary" }}>
                {formatCounted(v.counted)}
              </Typography>
            )}
          </Box>
        ))}
      </Box>
      <Typography variant="body2" sx={{ color: "text.secondary", mt: 1 }}>
        Direct sets + indirect sets. A set counts from RIR 4 down; warm-up and feeder sets never do;
        techniques count as the approach says.
      </Typography>
    </Box>
  );
}
