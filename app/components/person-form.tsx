import { getFormProps, useForm, type SubmissionResult } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Form } from "react-router";
import { personFormCodec, type PersonForm } from "~/codec/person.ts";
import type { Id } from "~/core/kernel/index.ts";
import { LEVEL_NAMES } from "~/format/training.ts";
import { Choice, FieldErrors, TextBox, TextInput } from "./field.tsx";

const LEVELS = Object.entries(LEVEL_NAMES);
const EVERYBODYS = "Everybody's client";
const UNITS = [
  ["kg", "Kilograms"],
  ["lb", "Pounds"],
] as const;

/** Adds or changes a person. `other` holds what another edit left meanwhile, shown at each field. */
export function PersonFields({
  lastResult,
  person,
  revision,
  other,
  coaches,
  submit,
}: {
  readonly lastResult: SubmissionResult | null;
  readonly person: PersonForm;
  readonly revision: number;
  readonly other: PersonForm | null;
  /** Of the studio. Whose client somebody is is only asked where there are several. */
  readonly coaches: readonly { readonly id: Id<"user">; readonly name: string }[];
  readonly submit: string;
}) {
  const [form, fields] = useForm({
    id: "person",
    lastResult,
    defaultValue: { ...person, coach: person.coach ?? "" },
    onValidate: ({ formData }) => parseWithZod(formData, { schema: personFormCodec(coaches) }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  const nameOf = (coach: Id<"user"> | null) =>
    coaches.find(({ id }) => id === coach)?.name ?? EVERYBODYS;
  const differing = (name: keyof PersonForm, shown?: string) =>
    other === null || (other[name] ?? "") === (fields[name].value ?? "")
      ? undefined
      : (shown ?? other[name] ?? "");
  return (
    <Form method="post" {...getFormProps(form)}>
      <input type="hidden" name="revision" value={revision} />
      <FieldErrors id={form.errorId} errors={form.errors} />
      <TextInput field={fields.name} label="Name" other={differing("name")} />
      <TextInput field={fields.goal} label="Goal of the phase" other={differing("goal")} />
      <Box sx={{ display: "grid", gridTemplateColumns: { sm: "1fr 1fr" }, columnGap: 2 }}>
        <Choice
          field={fields.level}
          label="Level"
          options={LEVELS}
          other={differing("level", other === null ? undefined : LEVEL_NAMES[other.level])}
        />
        <Choice field={fields.unit} label="Units" options={UNITS} other={differing("unit")} />
      </Box>
      {coaches.length > 1 ? (
        <Choice
          field={fields.coach}
          label="Coach"
          hint="Only sorts the list of Today: every coach of the studio sees every client."
          options={[["", EVERYBODYS], ...coaches.map(({ id, name }) => [id, name] as const)]}
          other={differing("coach", other === null ? undefined : nameOf(other.coach))}
        />
      ) : (
        <input type="hidden" name={fields.coach.name} value={person.coach ?? ""} />
      )}
      <TextBox
        field={fields.notes}
        label="Notes"
        hint="What has to be known on the floor. Not a medical record: health questions belong to qualified professionals."
        other={differing("notes")}
      />
      <Button type="submit" name="intent" value="save" variant="contained">
        {submit}
      </Button>
    </Form>
  );
}
