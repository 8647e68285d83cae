import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { LONGEST_LINE } from "~/core/plan/notation/index.ts";
import { PlainInput } from "../../field.tsx";
import { Deed, type Of } from "./deed.tsx";

/** Every so many weeks an exercise is done by other sets, with a memory of its own from phase to phase. */
export function Technique({
  name,
  hidden,
  of,
}: {
  readonly name: string;
  readonly hidden: Readonly<Record<string, string>>;
  readonly of: Of;
}) {
  return (
    <Deed
      intent="technique"
      of={of}
      hidden={hidden}
      sx={{
        gridColumn: { lg: "span 2" },
        display: "flex",
        flexWrap: { xs: "wrap", lg: "nowrap" },
        gap: 0.75,
        alignItems: "center",
      }}
    >
      Every
      <Box sx={{ width: 46 }}>
        <PlainInput
          name="every"
          aria-label={`${name} is done otherwise every so many weeks`}
          inputMode="numeric"
          defaultValue={3}
          maxLength={2}
        />
      </Box>
      <Box component="span" sx={{ whiteSpace: "nowrap" }}>
        weeks instead
      </Box>
      <Box sx={{ flex: "1 1 12rem" }}>
        <PlainInput
          name="line"
          aria-label={`Sets of ${name} then, written`}
          placeholder="2 x 8 at 100 then 2 drops to 80% for 8"
          maxLength={LONGEST_LINE}
        />
      </Box>
      <Button type="submit" size="small" disabled={of.isBusy}>
        Set
      </Button>
    </Deed>
  );
}
