import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form } from "react-router";
import type { SaidSet } from "~/core/log/index.ts";
import { RIR_VALUES } from "~/core/plan/index.ts";
import { formatAmount } from "~/format/numbers.ts";
import { formatRir } from "~/format/training.ts";
import { Disclosure } from "../disclosure.tsx";
import { Labelled, PlainInput, Select } from "../field.tsx";

/** One logged set of an ended session; opened, it is corrected or removed, with the reason. */
export function CorrectSet({
  logged: { loggedSet, commandId },
  done,
  unit,
  children,
}: {
  readonly logged: SaidSet;
  /** How much was counted, null where it is unknown. */
  readonly done: number | null;
  readonly unit: string;
  /** The set as it stands. */
  readonly children: React.ReactNode;
}) {
  const id = (field: string) => `${field}-${commandId}`;
  return (
    <Disclosure
      dense
      summary={
        <>
          {children}{" "}
          <Typography component="span" variant="body2" sx={{ textDecoration: "underline" }}>
            Correct
          </Typography>
        </>
      }
    >
      <Form method="post">
        <input type="hidden" name="command" value={commandId} />
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "1fr 1fr", sm: "96px 96px minmax(0,1fr)" },
            columnGap: 1,
            pt: 1,
          }}
        >
          <Labelled id={id("load")} label={`Load, ${unit}`}>
            <PlainInput
              id={id("load")}
              name="load"
              inputMode="decimal"
              maxLength={20}
              defaultValue={loggedSet.reading === null ? "" : formatAmount(loggedSet.reading)}
            />
          </Labelled>
          <Labelled id={id("done")} label="Done">
            <PlainInput
              id={id("done")}
              name="done"
              inputMode="numeric"
              maxLength={4}
              defaultValue={done ?? ""}
            />
          </Labelled>
          <Labelled id={id("rir")} label="RIR">
            <Select id={id("rir")} name="rir" defaultValue={String(loggedSet.rir)}>
              {RIR_VALUES.map((value) => (
                <option key={value} value={String(value)}>
                  {formatRir(value)}
                </option>
              ))}
            </Select>
          </Labelled>
        </Box>
        <Labelled id={id("why")} label="Why">
          <PlainInput id={id("why")} name="why" maxLength={500} required />
        </Labelled>
        <Box sx={{ display: "flex", gap: 1, mb: 1 }}>
          <Button type="submit" name="intent" value="correct" size="small" variant="contained">
            Save the correction
          </Button>
          <Button type="submit" name="intent" value="remove" size="small" variant="outlined">
            Remove the set
          </Button>
        </Box>
      </Form>
    </Disclosure>
  );
}
