import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { parseMass, type MassUnit } from "~/core/kernel/index.ts";
import type { CheckIn } from "~/core/log/index.ts";
import { isPlausible } from "~/core/person/index.ts";
import { formatCheckIn } from "~/format/set-record.ts";
import { formatAmount } from "~/format/numbers.ts";
import { TOUCH } from "../../theme/tokens.ts";
import { FieldErrors, Labelled, PlainInput } from "../field.tsx";

const READINESS = [1, 2, 3, 4, 5] as const;

/** How the trainee comes to the session, said once and changed at will: body weight and readiness. */
export function CheckInPanel({
  said,
  unit,
  onCheckIn,
}: {
  readonly said: CheckIn | null;
  readonly unit: MassUnit;
  readonly onCheckIn: (said: CheckIn) => void;
}) {
  const [weight, setWeight] = useState(
    said?.bodyWeight == null ? "" : formatAmount(said.bodyWeight),
  );
  const [readiness, setReadiness] = useState(said?.readiness ?? null);
  const [error, setError] = useState<string | null>(null);
  const keep = () => {
    const typed = weight.trim() === "" ? null : parseMass(weight, unit);
    if (typed !== null && (!typed.ok || !isPlausible("bodyWeight", typed.value))) {
      setError(`“${weight.trim()}” is no body weight in ${unit}. Write it like 80.5.`);
      return;
    }
    setError(null);
    onCheckIn({ kind: "checkIn", bodyWeight: typed === null ? null : typed.value, readiness });
  };
  return (
    <Box component="details" sx={{ borderBottom: 1, borderColor: "kravo.edge", mb: 1 }}>
      <Box
        component="summary"
        sx={{ minHeight: TOUCH, display: "flex", alignItems: "center", cursor: "pointer" }}
      >
        <Typography component="span" sx={{ fontWeight: 650 }}>
          Check-in
          <Box component="span" sx={{ fontWeight: 500, color: "text.secondary" }}>
            {said === null ? ": body weight and readiness not logged" : `: ${formatCheckIn(said)}`}
          </Box>
        </Typography>
      </Box>
      <Box
        sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "160px 1fr auto" }, gap: 1.5 }}
      >
        <Labelled id="check-in-weight" label={`Body weight, ${unit}`}>
          <PlainInput
            id="check-in-weight"
            inputMode="decimal"
            autoComplete="off"
            placeholder="Not logged"
            aria-describedby="check-in-error"
            value={weight}
            onChange={(e) => setWeight(e.target.value)}
          />
        </Labelled>
        <Box sx={{ mb: 2 }}>
          <Typography variant="overline" component="p" id="readiness">
            Readiness, 5 is best{readiness === null ? ": not logged" : ""}
          </Typography>
          <Box role="group" aria-labelledby="readiness" sx={{ display: "flex", maxWidth: 320 }}>
            {READINESS.map((n) => (
              <Box
                key={n}
                component="button"
                type="button"
                aria-pressed={readiness === n}
                onClick={() => setReadiness(readiness === n ? null : n)}
                sx={{
                  flex: 1,
                  minHeight: TOUCH,
                  border: 1,
                  ml: "-1px",
                  borderColor: "kravo.edge",
                  background: "none",
                  color: "text.primary",
                  font: "inherit",
                  fontWeight: 700,
                  cursor: "pointer",
                  "&[aria-pressed=true]": { backgroundColor: "kravo.ink", color: "kravo.paper" },
                }}
              >
                {n}
              </Box>
            ))}
          </Box>
        </Box>
        <Button
          variant="outlined"
          sx={{ mb: 2, minHeight: TOUCH, alignSelf: "end" }}
          onClick={keep}
        >
          Keep check-in
        </Button>
      </Box>
      <FieldErrors id="check-in-error" errors={error === null ? undefined : [error]} />
    </Box>
  );
}
