import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, redirect, useNavigation } from "react-router";
import { ownSetUpFormCodec } from "~/codec/own-set-up.ts";
import { revisionField } from "~/codec/person.ts";
import { isMovementRef } from "~/core/kernel/index.ts";
import { catalogueOf } from "~/core/movement/catalogue/index.ts";
import { NOTHING_OWN, type Movement } from "~/core/movement/index.ts";
import { orNotFound } from "~/server/auth/session.server.ts";
import { listOwnMovements } from "~/server/db/movements.server.ts";
import { listOwnSetUps, saveOwnSetUp } from "~/server/db/own-set-ups.server.ts";
import type { Scope } from "~/server/db/scope.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/own-set-up.ts";
import { Choice, FieldErrors, TextInput } from "../components/field.tsx";
import { FormList } from "../components/form-list.tsx";
import { Page, Section } from "../components/page.tsx";

/** The exercise without what was added to it. */
async function builtInAt(scope: Scope, ref: string): Promise<Movement> {
  const { find } = catalogueOf(await listOwnMovements(scope));
  return orNotFound(isMovementRef(ref) ? find(ref) : null);
}

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const movement = await builtInAt(scope, params.movementRef);
  const stored = (await listOwnSetUps(scope)).find((own) => own.movement === movement.ref);
  return { movement, revision: stored?.revision ?? 0, setUp: stored?.setUp ?? NOTHING_OWN };
});

export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const movement = await builtInAt(scope, params.movementRef);
  const form = await readForm(request);
  const submission = parseWithZod(form, { schema: ownSetUpFormCodec(movement) });
  const revision = revisionField.safeParse(form.get("revision"));
  if (submission.status !== "success" || !revision.success) return refused(submission.reply());
  const saved = await saveOwnSetUp(scope, movement.ref, revision.data, submission.value);
  if (saved.ok) throw redirect("/movements");
  return submission.reply({
    formErrors: [
      "Someone else saved this set-up in the meantime. Yours is still in the form; open the page in another tab to compare.",
    ],
  });
});

/** What this studio sets up on an exercise beyond what is built in. */
export default function OwnSetUpPage({ loaderData, actionData }: Route.ComponentProps) {
  const { movement, revision } = loaderData;
  return (
    <Page
      title={`Set-up of ${movement.name}`}
      lead="What you record beyond what is built in: pins, toes, boards, a fourth stance. It then stands in sessions, on the floor and in the log."
    >
      <SetUpForm key={revision} stored={loaderData} lastResult={actionData ?? null} />
      <Section title="Built in">
        <Box component="ul" sx={{ pl: 2.5 }}>
          <li>A rep begins by {movement.tempoStart === "lower" ? "lowering" : "lifting"}.</li>
          {movement.setUp.map(({ name, choices }) => (
            <li key={name}>
              {name}: {choices.join(", ")}
            </li>
          ))}
        </Box>
      </Section>
    </Page>
  );
}

function SetUpForm({
  stored: { movement, revision, setUp },
  lastResult,
}: {
  readonly stored: Route.ComponentProps["loaderData"];
  readonly lastResult: Route.ComponentProps["actionData"] | null;
}) {
  const isBusy = useNavigation().state !== "idle";
  const [form, fields] = useForm({
    ...(lastResult == null ? {} : { lastResult }),
    defaultValue: {
      startsWith: setUp.startsWith ?? "builtIn",
      parameters: setUp.parameters.map(({ name, choices, isRising }) => ({
        name,
        choices: choices.join(", "),
        order: isRising ? "rising" : "none",
      })),
    },
    onValidate: ({ formData }) => parseWithZod(formData, { schema: ownSetUpFormCodec(movement) }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  return (
    <Form method="post" {...getFormProps(form)}>
      <input type="hidden" name="revision" value={revision} />
      <Section title="Your own">
        <Box sx={{ pt: 1.5, maxWidth: 320 }}>
          <Choice
            field={fields.startsWith}
            label="A rep begins by"
            options={[
              [
                "builtIn",
                `${movement.tempoStart === "lower" ? "lowering" : "lifting"}, as built in`,
              ],
              ["lower", "lowering (eccentric first)"],
              ["lift", "lifting (concentric first)"],
            ]}
            hint="The order in which its tempo is written and counted."
          />
        </Box>
        {fields.parameters.getFieldList().length === 0 ? (
          <Typography sx={{ mb: 1.5 }}>
            Nothing added yet. Name what you adjust, then its settings with commas between them.
          </Typography>
        ) : null}
        <FieldErrors id={fields.parameters.errorId} errors={fields.parameters.errors} />
        <FormList
          form={form}
          name={fields.parameters.name}
          rows={fields.parameters.getFieldList()}
          columns="2fr 4fr 2fr"
          one="parameter"
          add="Add a parameter"
          fresh={{ name: "", choices: "", order: "none" }}
        >
          {(row, i) => {
            const own = row.getFieldset();
            return (
              <>
                <TextInput field={own.name} label={`What you adjust ${i + 1}`} />
                <TextInput field={own.choices} label="Settings" hint="like: pin 3, pin 4, pin 5" />
                <Choice
                  field={own.order}
                  label="Order"
                  options={[
                    ["none", "none is harder"],
                    ["rising", "easier to harder"],
                  ]}
                />
              </>
            );
          }}
        </FormList>
      </Section>
      <FieldErrors id={form.errorId} errors={form.errors} />
      <Button type="submit" variant="contained" disabled={isBusy} sx={{ mb: 4 }}>
        Save the set-up
      </Button>
    </Form>
  );
}
