import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Form, Link, redirect, useNavigation } from "react-router";
import { studioSettingsFormCodec } from "~/codec/studio-settings.ts";
import { MUSCLE_NAMINGS } from "~/core/person/index.ts";
import { TEMPO_ORDERS } from "~/core/plan/index.ts";
import { MUSCLE_NAMING_NAMES } from "~/format/muscles.ts";
import { TEMPO_ORDER_NAMES } from "~/format/training.ts";
import { saveStudioSettings, studioSettings } from "~/server/db/studio-settings.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/settings.ts";
import { Choice } from "../components/field.tsx";
import { Page, Section } from "../components/page.tsx";

export const loader = reading((scope) => studioSettings(scope));

export const action = writing(async (scope, { request }: Route.ActionArgs) => {
  const submission = parseWithZod(await readForm(request), { schema: studioSettingsFormCodec });
  if (submission.status !== "success") return refused(submission.reply());
  await saveStudioSettings(scope, submission.value);
  throw redirect("/settings");
});

/** What the studio sets for all of its coaches. */
export default function Settings({ loaderData, actionData }: Route.ComponentProps) {
  const isBusy = useNavigation().state !== "idle";
  const [form, fields] = useForm({
    ...(actionData == null ? {} : { lastResult: actionData }),
    defaultValue: loaderData,
    onValidate: ({ formData }) => parseWithZod(formData, { schema: studioSettingsFormCodec }),
  });
  return (
    <Page
      title="Settings"
      lead="For every coach of this studio."
      actions={
        <>
          <Button component={Link} to="/coaches">
            Coaches
          </Button>
          <Button component={Link} to="/changes">
            Changes
          </Button>
        </>
      }
    >
      <Form method="post" {...getFormProps(form)}>
        <Section title="Words">
          <Box
            sx={{
              pt: 1.5,
              display: "grid",
              gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" },
              columnGap: 4,
              maxWidth: 900,
            }}
          >
            <Choice
              field={fields.muscles}
              label="Muscles"
              options={MUSCLE_NAMINGS.map((own) => [own, MUSCLE_NAMING_NAMES[own]])}
              hint="Both are found when typed."
            />
            <Choice
              field={fields.tempoOrder}
              label="A tempo of four numbers, 3-1-1-0"
              options={TEMPO_ORDERS.map((own) => [own, TEMPO_ORDER_NAMES[own]])}
              hint="How it is read from now on. Plans keep what they hold."
            />
          </Box>
        </Section>
        <Button type="submit" variant="contained" disabled={isBusy}>
          Save settings
        </Button>
      </Form>
    </Page>
  );
}
