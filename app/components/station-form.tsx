import { getFormProps, useForm, type SubmissionResult } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { Form } from "react-router";
import { stationFormCodec, type StationForm } from "~/codec/station-form.ts";
import { type MovementRef, RESISTANCE_PROFILES } from "~/core/kernel/index.ts";
import { usesOf } from "~/core/coach/search/index.ts";
import type { LoadingKind } from "~/core/gym/index.ts";
import { formatAmount } from "~/format/numbers.ts";
import { PROFILE_NAMES } from "~/format/training.ts";
import {
  bandListText,
  formatListError,
  listText,
  LOADING_NAMES,
  plateListText,
} from "~/format/station.ts";
import { useCatalogue } from "./catalogue.ts";
import { Choice, FieldErrors, TextInput } from "./field.tsx";

export const stationCodec = stationFormCodec(formatListError);

/** The text that each field of the form starts with. */
export function stationDefaults(station: StationForm | null) {
  const l = station?.loading;
  return {
    name: station?.name ?? "",
    kind: l?.kind ?? "bar",
    unit: l?.unit ?? "kg",
    baseMass: l?.kind === "bar" ? text(l.bar) : l?.kind === "plateMachine" ? text(l.carriage) : "",
    points: l?.kind === "plateMachine" ? String(l.points) : "2",
    plates: l?.kind === "bar" || l?.kind === "plateMachine" ? plateListText(l.plates) : "",
    pins: l?.kind === "stack" || l?.kind === "assisted" ? listText(l.pins) : "",
    addOns: l?.kind === "stack" ? listText(l.addOns) : "",
    pulleyRatio: l?.kind === "stack" ? String(l.pulleyRatio) : "1",
    present:
      l?.kind === "dumbbells" || l?.kind === "freeObject"
        ? listText(l.present)
        : l?.kind === "bodyweight"
          ? listText(l.added)
          : "",
    held: l?.kind === "freeObject" ? String(l.held) : "1",
    movedShare:
      l?.kind === "bodyweight" || l?.kind === "assisted"
        ? String(Math.round(l.movedShare * 1000) / 10)
        : "",
    bands: l?.kind === "band" ? bandListText(l.bands) : "",
    profile: station?.profile ?? "",
    usuallyBusy: station?.usuallyBusy === true ? "on" : "",
    room: station?.room ?? "",
    counted: l?.kind === "dumbbells" ? l.counted : "each",
    serves: [...(station?.serves ?? [])],
  };
}

function text(mass: Parameters<typeof formatAmount>[0] | null): string {
  return mass === null ? "" : formatAmount(mass);
}

/** Adds or changes a station; only the fields of the chosen kind are shown, what was typed in others stays. */
export function StationFields({
  lastResult,
  defaults,
  version,
  submit,
}: {
  readonly lastResult: SubmissionResult | null;
  readonly defaults: ReturnType<typeof stationDefaults>;
  readonly version: number;
  readonly submit: string;
}) {
  const [form, fields] = useForm({
    id: "station",
    lastResult,
    defaultValue: defaults,
    onValidate: ({ formData }) => parseWithZod(formData, { schema: stationCodec }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  const kind = (fields.kind.value ?? defaults.kind) as LoadingKind;
  const unit = fields.unit.value ?? defaults.unit;
  const shown = (...kinds: LoadingKind[]) => ({ display: kinds.includes(kind) ? "block" : "none" });
  return (
    <Form method="post" {...getFormProps(form)}>
      <input type="hidden" name="version" value={version} />
      <FieldErrors id={form.errorId} errors={form.errors} />
      <TextInput field={fields.name} label="Equipment name" />
      <Box sx={{ display: "grid", gridTemplateColumns: { sm: "1fr 1fr" }, columnGap: 2 }}>
        <Choice
          field={fields.kind}
          label="How it is loaded"
          options={Object.entries(LOADING_NAMES)}
        />
        <Choice
          field={fields.unit}
          label="Labelled in"
          options={[
            ["kg", "Kilograms"],
            ["lb", "Pounds"],
          ]}
        />
      </Box>
      <Box sx={shown("bar", "plateMachine")}>
        <TextInput
          field={fields.baseMass}
          label={kind === "bar" ? `Bar weight, ${unit}` : `Sled weight, ${unit}`}
          hint="Leave empty if unknown; shares are then of the plates only, and say so."
          inputMode="decimal"
        />
      </Box>
      <Box sx={shown("plateMachine")}>
        <Choice
          field={fields.points}
          label="Loading points"
          options={[
            ["2", "Two, filled alike"],
            ["1", "One"],
          ]}
        />
      </Box>
      <Box sx={shown("bar", "plateMachine")}>
        <TextInput
          field={fields.plates}
          label="Plates: size x how many"
          hint={`Single plates, in ${unit}: 25x4, 20x4, 10x4, 5x4, 2.5x4, 1.25x2`}
        />
      </Box>
      <Box sx={shown("stack", "assisted")}>
        <TextInput
          field={fields.pins}
          label="Pins, as labelled"
          hint="10, 20, 35, 50 … as uneven as they are; even runs as 20 to 200 by 15."
        />
      </Box>
      <Box sx={shown("stack")}>
        <TextInput
          field={fields.addOns}
          label="Add-on weights"
          hint="Each can be put on once. Leave empty if there are none."
        />
        <TextInput
          field={fields.pulleyRatio}
          label="Share of the stack that is moved"
          hint="1 for most stacks, 0.5 where a moving pulley halves it."
          inputMode="decimal"
        />
      </Box>
      <Box sx={shown("bodyweight", "assisted")}>
        <TextInput
          field={fields.movedShare}
          label="Share of the body that is moved, per cent"
          hint="85 for most squats and lunges without load, 100 for hanging or dips."
          inputMode="decimal"
        />
      </Box>
      <Box sx={shown("band")}>
        <TextInput
          field={fields.bands}
          label="Bands: name and nominal tension"
          hint="light 8, medium 15, strong 25"
        />
      </Box>
      <Box sx={shown("dumbbells", "freeObject", "bodyweight")}>
        <TextInput
          field={fields.present}
          label={
            kind === "bodyweight" ? "What can be added, empty for nothing" : "Present, mass of one"
          }
          hint="10, 12.5, 15 … or 10 to 40 by 2.5"
        />
      </Box>
      <Box sx={shown("freeObject")}>
        <Choice
          field={fields.held}
          label="Held"
          options={[
            ["1", "one at a time"],
            ["2", "two alike"],
          ]}
        />
      </Box>
      <Box sx={shown("dumbbells")}>
        <Choice
          field={fields.counted}
          label="Loads are written as"
          options={[
            ["each", "the mass of one"],
            ["pair", "both together"],
          ]}
        />
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: { sm: "1fr 1fr" }, columnGap: 2 }}>
        <TextInput
          field={fields.room}
          label="Room or corner"
          hint="Supersets across rooms are pointed out."
        />
        <Choice
          field={fields.profile}
          label="Hardest"
          options={[
            ["", "not known; learned from where reps stick"],
            ...RESISTANCE_PROFILES.map((p) => [p, PROFILE_NAMES[p]] as const),
          ]}
        />
        <Box component="label" sx={{ display: "flex", gap: 1, alignItems: "center", mb: 2 }}>
          <input
            type="checkbox"
            name={fields.usuallyBusy.name}
            defaultChecked={defaults.usuallyBusy === "on"}
          />
          Usually busy at the hours of training
        </Box>
      </Box>
      <Serves
        chosen={version === 0 ? null : defaults.serves}
        name={fields.name.value ?? ""}
        kind={kind}
        errors={fields.serves.errors}
      />
      <Button type="submit" variant="contained">
        {submit}
      </Button>
    </Form>
  );
}

/** What it is used for; of new equipment its name and kind say so first, until a tick is set by hand. */
function Serves({
  chosen,
  name,
  kind,
  errors,
}: {
  /** Null for new equipment. */
  readonly chosen: readonly MovementRef[] | null;
  readonly name: string;
  readonly kind: LoadingKind;
  readonly errors: readonly string[] | undefined;
}) {
  const { all } = useCatalogue();
  const [byHand, setByHand] = useState<ReadonlyMap<MovementRef, boolean>>(new Map());
  const first = useMemo(
    () => (chosen === null ? usesOf(name, kind, all) : new Set(chosen)),
    [chosen, name, kind, all],
  );
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, mb: 2 }}>
      <Typography component="legend" variant="overline">
        Used for
      </Typography>
      <Box sx={{ columns: { sm: 2 }, mt: 0.5 }}>
        {all.map((movement) => {
          const allowed = movement.loadings.includes(kind);
          return (
            <Box
              key={movement.ref}
              component="label"
              sx={{
                display: allowed ? "flex" : "none",
                gap: 1,
                py: 0.5,
                alignItems: "center",
                breakInside: "avoid",
              }}
            >
              <input
                type="checkbox"
                name="serves"
                value={movement.ref}
                disabled={!allowed}
                checked={byHand.get(movement.ref) ?? first.has(movement.ref)}
                onChange={({ target }) =>
                  setByHand(new Map(byHand).set(movement.ref, target.checked))
                }
              />
              {movement.name}
            </Box>
          );
        })}
      </Box>
      <FieldErrors id="serves-error" errors={errors} />
    </Box>
  );
}
