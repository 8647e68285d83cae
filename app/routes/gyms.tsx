import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, redirect } from "react-router";
import { gymFormCodec } from "~/codec/station-form.ts";
import { UNKNOWN_GYM } from "~/server/coaching/unknown-gym.server.ts";
import { addGym, addGymWith, listGyms, listStations } from "~/server/db/gyms.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/gyms.ts";
import { TextInput } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Empty, Page, Section } from "../components/page.tsx";

export const loader = reading(async (scope) => {
  const [gyms, stations] = await Promise.all([listGyms(scope), listStations(scope)]);
  return {
    gyms: gyms.map((gym) => ({
      ...gym,
      stations: stations.filter((s) => s.gymId === gym.id).map((s) => s.name),
    })),
  };
});

export const action = writing(async (scope, { request }: Route.ActionArgs) => {
  const form = await readForm(request);
  const submission = parseWithZod(form, { schema: gymFormCodec });
  if (submission.status !== "success") return refused(submission.reply());
  if (form.get("intent") === "travel") {
    const id = await addGymWith(scope, submission.value, UNKNOWN_GYM);
    throw redirect(`/gyms/${id}`);
  }
  throw redirect(`/gyms/${await addGym(scope, submission.value)}`);
});

export default function Gyms({ loaderData: { gyms }, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm({
    id: "gym",
    lastResult: actionData ?? null,
    defaultValue: { timeZone: "Europe/Vienna" },
    onValidate: ({ formData }) => parseWithZod(formData, { schema: gymFormCodec }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  return (
    <Page title="Gyms" lead="Equipment, and the loads it has">
      {gyms.length === 0 ? (
        <Empty>
          No gym yet. Add the one where you train, then its equipment; a session needs both.
        </Empty>
      ) : (
        <Ledger label="Gyms" head={["Gym", "Equipment", "Time zone"]}>
          {gyms.map((gym) => (
            <tr key={gym.id}>
              <th scope="row">
                <Link to={`/gyms/${gym.id}`}>{gym.name}</Link>
              </th>
              <td>{gym.stations.length === 0 ? "none yet" : gym.stations.join(", ")}</td>
              <td>{gym.timeZone}</td>
            </tr>
          ))}
        </Ledger>
      )}
      <Box sx={{ mt: 4, maxWidth: 480 }}>
        <Section title="Add a gym">
          <Form method="post" {...getFormProps(form)}>
            <Box sx={{ pt: 2 }} />
            <TextInput field={fields.name} label="Name" />
            <TextInput
              field={fields.timeZone}
              label="Time zone"
              hint="Decides which day it is there: Europe/Vienna, America/Chicago."
            />
            <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
              <Button type="submit" name="intent" value="add" variant="contained">
                Add
              </Button>
              <Button type="submit" name="intent" value="travel" variant="outlined">
                Add with unknown machines
              </Button>
            </Box>
            <Typography variant="body2" sx={{ color: "text.secondary", mt: 1 }}>
              For travel: the equipment most gyms have. Correct its bars, sleds and stacks on the
              spot.
            </Typography>
          </Form>
        </Section>
      </Box>
    </Page>
  );
}
