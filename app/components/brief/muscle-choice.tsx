import Box from "@mui/material/Box";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState } from "react";
import { REGIONS, type Region } from "~/core/kernel/index.ts";
import { Ticks } from "../field.tsx";
import { LegMap } from "../leg-map.tsx";
import { useMuscles } from "../wording.ts";

interface Chosen {
  readonly name: string;
  readonly chosen: readonly Region[];
  readonly errors?: readonly string[] | undefined;
}

/** Which muscles lead and which are kept from growing, pressed on the leg or ticked beside it. */
export function MuscleChoice({
  priorities,
  notToGrow,
}: {
  readonly priorities: Chosen;
  readonly notToGrow: Chosen;
}) {
  const muscles = useMuscles();
  const [leading, setLeading] = useState(priorities.chosen);
  const [kept, setKept] = useState(notToGrow.chosen);
  const [mark, setMark] = useState<"leads" | "kept">("leads");
  const toggled = (list: readonly Region[], region: Region) =>
    list.includes(region) ? list.filter((own) => own !== region) : [...list, region];
  const pick = (region: Region) => {
    if (mark === "leads") setLeading((now) => toggled(now, region));
    else setKept((now) => toggled(now, region));
  };
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,420px) minmax(0,1fr)" },
        columnGap: 5,
      }}
    >
      <div>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="A press on the leg marks"
          value={mark}
          onChange={(_, value: "leads" | "kept" | null) => {
            if (value !== null) setMark(value);
          }}
          sx={{ mb: 1 }}
        >
          <ToggleButton value="leads">Mark as priority</ToggleButton>
          <ToggleButton value="kept">Mark as kept from growing</ToggleButton>
        </ToggleButtonGroup>
        <LegMap
          about="Priorities and what is kept from growing"
          onPick={pick}
          regions={REGIONS.map((region) => ({
            region,
            shade: leading.includes(region) ? "above" : kept.includes(region) ? "below" : "none",
            says: leading.includes(region)
              ? "priority"
              : kept.includes(region)
                ? "kept from growing"
                : "no preference",
          }))}
        />
      </div>
      <div>
        <Ticks
          title="Priorities"
          name={priorities.name}
          chosen={leading}
          options={REGIONS.map((r) => [r, muscles.row[r]])}
          onToggle={(value) => setLeading((now) => toggled(now, value as Region))}
        />
        <Ticks
          title="Keep from growing"
          name={notToGrow.name}
          chosen={kept}
          options={REGIONS.map((r) => [r, muscles.row[r]])}
          errors={notToGrow.errors}
          onToggle={(value) => setKept((now) => toggled(now, value as Region))}
        />
      </div>
    </Box>
  );
}
