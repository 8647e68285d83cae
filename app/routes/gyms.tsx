import {
  getFormProps,
  useForm,
  type FieldMetadata,
  type SubmissionResult,
} from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useEffect } from "react";
import { Form, Link, redirect } from "react-router";
import { newGymFormCodec, STARTING_GYM_KINDS, type StartingGym } from "~/codec/station-form.ts";
import { STARTING_GYMS } from "~/server/coaching/starting-gyms.server.ts";
import { addGymWith, listGyms, listStations } from "~/server/db/gyms.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/gyms.ts";
import { Disclosure } from "../components/disclosure.tsx";
import { FieldErrors, TextInput } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Page, Section } from "../components/page.tsx";

export const loader = reading(async (scope) => {
  const [gyms, stations] = await Promise.all([listGyms(scope), listStations(scope)]);
  return {
    gyms: gyms
      .filter(({ isArchived }) => !isArchived)
      .map((gym) => ({
        ...gym,
        stations: stations.filter((s) => s.gymId === gym.id).map((s) => s.name),
      })),
    archived: gyms.filter(({ isArchived }) => isArchived).map(({ id, name }) => ({ id, name })),
  };
});

export const action = writing(async (scope, { request }: Route.ActionArgs) => {
  const submission = parseWithZod(await readForm(request), { schema: newGymFormCodec });
  if (submission.status !== "success") return refused(submission.reply());
  const { begins, ...gym } = submission.value;
  const isFirst = (await listGyms(scope)).length === 0;
  const id = await addGymWith(scope, gym, STARTING_GYMS[begins]);
  // Whoever sets up a studio is led to the next step; whoever adds a gym later goes to look at it.
  throw redirect(isFirst ? "/" : `/gyms/${id}`);
});

export default function Gyms({ loaderData: { gyms, archived }, actionData }: Route.ComponentProps) {
  return (
    <Page title="Gyms" lead="Equipment, and the loads it has">
      {gyms.length === 0 ? null : (
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
      {archived.length === 0 ? null : (
        <Box sx={{ mt: 2 }}>
          <Disclosure summary={`${archived.length} archived`} dense>
            {archived.map(({ id, name }) => (
              <Typography key={id} sx={{ py: 0.5 }}>
                <Link to={`/gyms/${id}`}>{name}</Link>
              </Typography>
            ))}
          </Disclosure>
        </Box>
      )}
      <Box sx={{ mt: gyms.length === 0 ? 0 : 4, maxWidth: 720 }}>
        <Section title={gyms.length === 0 ? "Where do you train?" : "Add a gym"}>
          <NewGym lastResult={actionData ?? null} isFirst={gyms.length === 0} />
        </Section>
      </Box>
    </Page>
  );
}

/** A gym to begin with: its equipment is a guess of what stands there, to be corrected machine by machine. */
function NewGym({
  lastResult,
  isFirst,
}: {
  readonly lastResult: SubmissionResult | null;
  readonly isFirst: boolean;
}) {
  const [form, fields] = useForm({
    id: "gym",
    lastResult,
    defaultValue: { begins: isFirst ? "commercial" : "empty" },
    onValidate: ({ formData }) => parseWithZod(formData, { schema: newGymFormCodec }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  // The zone of whoever looks, which only their browser knows.
  useEffect(() => {
    const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
    form.update({ name: fields.timeZone.name, value: timeZone });
    // Once: what is typed afterwards stays.
  }, []);
  return (
    <Form method="post" {...getFormProps(form)}>
      <Box sx={{ pt: 2 }} />
      <TextInput field={fields.name} label="Name" />
      <Offers field={fields.begins} />
      <TextInput
        field={fields.timeZone}
        label="Time zone"
        hint="Decides which day it is there: Europe/Vienna, America/Chicago."
      />
      <Button type="submit" variant="contained">
        Add the gym
      </Button>
    </Form>
  );
}

const OFFERS: Readonly<Record<StartingGym, readonly [name: string, holds: string]>> = {
  commercial: [
    "Standard commercial gym",
    "rack, guided bar, hex bar, leg presses, hack squat, extensions, curls, calf, abduction and adduction machines, cable, dumbbells to 50 kg, kettlebells, cardio",
  ],
  small: [
    "Small private gym",
    "rack, leg press, leg extension, leg curl, cable, dumbbells to 35 kg, bands, back extension, bike",
  ],
  home: ["Home kit", "dumbbells to 24 kg, one kettlebell, bands, a ball"],
  empty: ["Empty", "body weight and floor, which are always there; add your own equipment"],
};

const RADIO = { flex: "none", width: 20, height: 20, alignSelf: "start" } as const;

function Offers({ field }: { readonly field: FieldMetadata<StartingGym | undefined> }) {
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, mx: 0, mt: 0, mb: 2 }}>
      <Typography component="legend" variant="overline">
        Begin with
      </Typography>
      {STARTING_GYM_KINDS.map((kind) => {
        const [name, holds] = OFFERS[kind];
        return (
          <Box
            key={kind}
            component="label"
            sx={{
              display: "flex",
              gap: 1.5,
              alignItems: "baseline",
              py: 1,
              minHeight: 44,
              borderBottom: 1,
              borderColor: "divider",
            }}
          >
            <input
              type="radio"
              name={field.name}
              value={kind}
              defaultChecked={field.initialValue === kind}
              style={RADIO}
            />
            <span>
              <strong>{name}</strong>{" "}
              <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
                {holds}
              </Typography>
            </span>
          </Box>
        );
      })}
      <FieldErrors id={field.errorId} errors={field.errors} />
      <Typography variant="body2" sx={{ color: "text.secondary", mt: 1 }}>
        Loads are assumed and marked so. Open a machine and save what really stands there.
      </Typography>
    </Box>
  );
}
