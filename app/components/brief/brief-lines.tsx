import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { effectsOf, needsClearing, type Brief, type BriefField } from "~/core/person/index.ts";
import { FIELD_NAMES, formatBriefField, formatEffect, type BriefNames } from "~/format/brief.ts";
import { useCatalogue } from "../catalogue.ts";

/** The fields that constrain most stand first. */
const ORDER: readonly BriefField[] = [
  "limits",
  "clearances",
  "cautions",
  "priorities",
  "notToGrow",
  "goal",
  "approach",
  "level",
  "trainingYears",
  "birthYear",
  "minutesCap",
  "daysPerWeek",
  "helper",
  "weakerSide",
  "limbs",
  "tight",
  "gyms",
  "noEquipment",
  "gear",
  "likes",
  "dislikes",
];

/** A brief to be read in ten seconds: what is known, and at its right what that does. */
export function BriefLines({
  brief,
  names,
}: {
  readonly brief: Brief;
  readonly names: BriefNames;
}) {
  const catalogue = useCatalogue();
  const effects = new Map(
    effectsOf(brief, catalogue.all, names.year).map((e) => [e.field, formatEffect(e)]),
  );
  const said = ORDER.flatMap((field) => {
    const text = formatBriefField(field, brief, names);
    return text === "" ? [] : [{ field, text, effect: effects.get(field) ?? null }];
  });
  const clearing = needsClearing(brief, names.year);
  return (
    <Box
      component="dl"
      sx={{
        m: 0,
        display: "grid",
        gridTemplateColumns: {
          xs: "112px minmax(0,1fr)",
          md: "minmax(110px,170px) minmax(0,3fr) minmax(0,2fr)",
        },
        columnGap: 2,
        "& > div": {
          display: "grid",
          gridTemplateColumns: "subgrid",
          gridColumn: "1 / -1",
          alignItems: "baseline",
          py: 0.6,
          borderBottom: 1,
          borderColor: "divider",
          "& > *": { m: 0 },
          "& > *:last-child": { gridColumn: { xs: "2", md: "auto" } },
          "& > *:last-child:empty": { display: { xs: "none", md: "block" } },
        },
      }}
    >
      {clearing === null ? null : (
        <div>
          <Typography component="dt" sx={{ color: "kravo.signal", fontWeight: 700 }}>
            ▸ Screening
          </Typography>
          <Typography component="dd" sx={{ fontWeight: 650 }}>
            Not screened yet: a qualified professional clears this client before hard training.
          </Typography>
          <Typography component="dd" variant="body2" sx={{ color: "text.secondary" }}>
            stands first among every session’s findings
          </Typography>
        </div>
      )}
      {said.map(({ field, text, effect }) => (
        <div key={field}>
          <Typography component="dt" variant="overline" sx={{ color: "text.secondary" }}>
            {FIELD_NAMES[field]}
          </Typography>
          <Typography
            component="dd"
            sx={{ fontWeight: field === "limits" || field === "priorities" ? 700 : 500 }}
          >
            {text}
          </Typography>
          <Typography component="dd" variant="body2" sx={{ color: "text.secondary" }}>
            {effect ?? ""}
          </Typography>
        </div>
      ))}
    </Box>
  );
}
