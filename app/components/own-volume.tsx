import type { FieldMetadata } from "@conform-to/react";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { recordOf, SPEAKING_REGIONS, type Region } from "~/core/kernel/index.ts";
import type { OwnVolume } from "~/core/person/index.ts";
import { TextInput } from "./field.tsx";
import { useMuscles } from "./wording.ts";

type Field = FieldMetadata<string | undefined>;

const text = (n: number | null) => (n === null ? "" : String(n));

/** What each field of the form starts with. */
export function ownVolumeDefaults({ weekly, ...caps }: OwnVolume) {
  return {
    weekly: recordOf(SPEAKING_REGIONS, (region) => {
      const range = weekly[region];
      return range === undefined ? "" : `${range.low}-${range.high}`;
    }),
    session: text(caps.session),
    exercise: text(caps.exercise),
    isolation: text(caps.isolation),
  };
}

const COLUMNS = {
  display: "grid",
  gridTemplateColumns: { xs: "1fr 1fr", sm: "repeat(4, 1fr)", lg: "repeat(6, 1fr)" },
  columnGap: 2,
  alignItems: "start",
} as const;

/** Hard sets of one's own; what is left empty says what holds instead. */
export function OwnVolumeFields({
  caps,
  weekly,
  otherwise,
}: {
  readonly caps: Readonly<Record<"session" | "exercise" | "isolation", Field>>;
  readonly weekly: Readonly<Record<Region, Field>>;
  /** What holds of a muscle where nothing is typed. */
  readonly otherwise: (region: Region) => string;
}) {
  const muscles = useMuscles();
  return (
    <>
      <Box sx={{ ...COLUMNS, gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr 1fr" } }}>
        <TextInput field={caps.session} label="Most in one session" inputMode="numeric" />
        <TextInput field={caps.exercise} label="Most of one exercise" inputMode="numeric" />
        <TextInput
          field={caps.isolation}
          label="Most per muscle, isolation weeks"
          inputMode="numeric"
        />
      </Box>
      <Box sx={COLUMNS}>
        {SPEAKING_REGIONS.map((region) => (
          <TextInput
            key={region}
            field={weekly[region]}
            label={muscles.row[region]}
            hint={otherwise(region)}
          />
        ))}
      </Box>
      <Typography variant="body2" sx={{ color: "text.secondary", maxWidth: "70ch" }}>
        Hard sets a week for each muscle, like 8-16; indirect sets count in part. Leave a field
        empty to keep the range below it.
      </Typography>
    </>
  );
}
