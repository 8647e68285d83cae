import { getFormProps, useForm, type SubmissionResult } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form } from "react-router";
import { measurementFormCodec } from "~/codec/measurement.ts";
import type { Day, MassUnit } from "~/core/kernel/index.ts";
import {
  MEASURED,
  sideDifference,
  type MeasuredKind,
  type Measurement,
} from "~/core/person/index.ts";
import { formatMeasurement, MEASURED_NAMES } from "~/format/brief.ts";
import { formatShortDay } from "~/format/numbers.ts";
import { DayField } from "../day-input.tsx";
import { Choice, FieldErrors, TextInput } from "../field.tsx";
import { Ledger } from "../ledger.tsx";
import { Empty } from "../page.tsx";

const KINDS = Object.keys(MEASURED) as MeasuredKind[];
/** So many of one series are shown; the line shows them all. */
const SHOWN = 6;

/** Body weight, girths and readiness as dated series, and the form that adds to them. */
export function Measurements({
  list,
  lastResult,
  unit,
  today,
}: {
  readonly list: readonly Measurement[];
  readonly lastResult: SubmissionResult | null;
  readonly unit: MassUnit;
  readonly today: Day;
}) {
  const [form, fields] = useForm({
    id: "measurement",
    lastResult,
    defaultValue: { kind: "bodyWeight", side: "both", massUnit: unit, day: today },
    onValidate: ({ formData }) => parseWithZod(formData, { schema: measurementFormCodec(today) }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  const series = KINDS.flatMap((kind) =>
    (["both", "left", "right"] as const).flatMap((side) => {
      const own = list.filter((m) => m.kind === kind && m.side === side);
      return own.length === 0 ? [] : [{ kind, side, own }];
    }),
  );
  const differences = (["thigh", "calf"] as const).flatMap((kind) => {
    const by = sideDifference(list, kind);
    return by === null || by === 0 ? [] : [{ kind, by }];
  });
  return (
    <>
      {series.length === 0 ? (
        <Empty>Nothing measured yet. Body weight makes loads of body-weight exercises exact.</Empty>
      ) : (
        <Ledger label="Measurements" head={["Measured", "Now", "Before", "Trend", ""]}>
          {series.map(({ kind, side, own }) => {
            const last = own.at(-1);
            return last === undefined ? null : (
              <tr key={`${kind} ${side}`}>
                <th scope="row">
                  {MEASURED_NAMES[kind]}
                  {side === "both" ? "" : `, ${side}`}
                </th>
                <td className="figure">{formatMeasurement({ ...last, side: "both" })}</td>
                <td>
                  {own
                    .slice(-SHOWN, -1)
                    .toReversed()
                    .map((m) => `${m.value.thousandths / 1000} (${formatShortDay(m.day)})`)
                    .join(", ")}
                </td>
                <td>
                  <Course values={own.map((m) => m.value.thousandths)} />
                </td>
                <td>
                  <Form method="post">
                    <input type="hidden" name="measurement" value={last.id} />
                    <Button
                      type="submit"
                      size="small"
                      name="intent"
                      value="unmeasure"
                      aria-label={`Remove the last ${MEASURED_NAMES[kind]}${side === "both" ? "" : `, ${side}`}`}
                    >
                      Remove the last
                    </Button>
                  </Form>
                </td>
              </tr>
            );
          })}
        </Ledger>
      )}
      {differences.map(({ kind, by }) => (
        <Typography key={kind} sx={{ mt: 1 }}>
          {MEASURED_NAMES[kind]}: the {by > 0 ? "left" : "right"} leg is{" "}
          <strong>{Math.abs(by) / 1000} cm</strong> bigger.
        </Typography>
      ))}
      <Form method="post" {...getFormProps(form)}>
        <FieldErrors id={form.errorId} errors={form.errors} />
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "1fr 1fr", md: "1.5fr 1fr 1fr 1fr 1.9fr 2fr auto" },
            columnGap: 1.5,
            alignItems: "start",
            pt: 2,
          }}
        >
          <Choice
            field={fields.kind}
            label="Measured"
            options={KINDS.map((k) => [k, MEASURED_NAMES[k]])}
          />
          <Choice
            field={fields.side}
            label="Side"
            options={[
              ["both", "–"],
              ["left", "Left"],
              ["right", "Right"],
            ]}
          />
          <TextInput field={fields.value} label="Value" inputMode="decimal" />
          <Choice
            field={fields.massUnit}
            label="Weight in"
            options={[
              ["kg", "kg"],
              ["lb", "lb"],
            ]}
          />
          <DayField field={fields.day} label="On" lies="back" />
          <TextInput field={fields.note} label="Note" />
          <Button type="submit" name="intent" value="measure" variant="outlined" sx={{ mt: 3 }}>
            Add
          </Button>
        </Box>
      </Form>
    </>
  );
}

/** A series as a line without axes; its numbers stand beside it. */
function Course({ values }: { readonly values: readonly number[] }) {
  if (values.length < 2) return null;
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const span = Math.max(1, high - low);
  const points = values
    .map((v, i) => `${(i * 96) / (values.length - 1) + 2},${20 - (16 * (v - low)) / span}`)
    .join(" ");
  return (
    <Box component="svg" viewBox="0 0 100 24" aria-hidden sx={{ width: 110, height: 26 }}>
      <Box
        component="polyline"
        points={points}
        sx={{ fill: "none", stroke: (t) => t.vars?.palette.kravo.iron ?? "", strokeWidth: 2 }}
      />
    </Box>
  );
}
