import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, redirect } from "react-router";
import { revisionField } from "~/codec/person.ts";
import { gymFormCodec } from "~/codec/station-form.ts";
import { describeLoading, LOADING_NAMES } from "~/format/station.ts";
import { PROFILE_NAMES } from "~/format/training.ts";
import { idParam, orNotFound, scopeOf } from "~/server/auth/session.server.ts";
import { changeGym, copyGym, getGym, listStations } from "~/server/db/gyms.server.ts";
import type { Route } from "./+types/gym.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { FieldErrors, TextBox, TextInput } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Empty, Page, Section, Tag } from "../components/page.tsx";

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = scopeOf(context);
  const gym = orNotFound(await getGym(scope, idParam<"gym">(params.gymId)));
  return { gym, stations: await listStations(scope, gym.id) };
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = scopeOf(context);
  const gym = orNotFound(await getGym(scope, idParam<"gym">(params.gymId)));
  const form = await request.formData();
  if (form.get("intent") === "copy") {
    const copy = orNotFound(await copyGym(scope, gym.id, `${gym.name.slice(0, 74)}, copy`));
    throw redirect(`/gyms/${copy}`);
  }
  const submission = parseWithZod(form, { schema: gymFormCodec });
  const revision = revisionField.safeParse(form.get("revision"));
  if (submission.status !== "success" || !revision.success) {
    return { reply: submission.reply(), current: null };
  }
  const changed = await changeGym(scope, gym.id, revision.data, submission.value);
  if (changed.ok) throw redirect(`/gyms/${gym.id}`);
  if (changed.error.code === "missing") throw orNotFound(null);
  const { current } = changed.error;
  return {
    current: current.revision,
    reply: submission.reply({
      formErrors: [
        `Somebody else saved this gym meanwhile as “${current.name}”, house rules: ${current.houseRules || "none"}. Yours is still in the form; saving again keeps yours.`,
      ],
    }),
  };
}

export default function Gym({ loaderData: { gym, stations }, actionData }: Route.ComponentProps) {
  const { find } = useCatalogue();
  const [form, fields] = useForm({
    id: `gym-${gym.revision}`,
    lastResult: actionData?.reply ?? null,
    defaultValue: gym,
    onValidate: ({ formData }) => parseWithZod(formData, { schema: gymFormCodec }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  return (
    <Page
      title={gym.name}
      lead={gym.timeZone}
      actions={
        <Box sx={{ display: "flex", gap: 1 }}>
          <Form method="post">
            <Button type="submit" name="intent" value="copy">
              Copy this gym
            </Button>
          </Form>
          <Button component={Link} to={`/gyms/${gym.id}/stations/new`} variant="contained">
            Add a station
          </Button>
        </Box>
      }
    >
      {gym.houseRules === "" ? null : (
        <Typography sx={{ mb: 2, pl: 1.5, borderLeft: 4, borderColor: "kravo.warn" }}>
          House rules: {gym.houseRules}
        </Typography>
      )}
      {stations.length === 0 ? (
        <Empty>
          No stations yet. Add the rack, the press, the stacks and the dumbbells as they stand
          there.
        </Empty>
      ) : (
        <Ledger label="Stations" head={["Station", "Loading", "Makes", "Used for"]}>
          {stations.map((station) => (
            <tr key={station.id}>
              <th scope="row">
                <Link to={`/gyms/${gym.id}/stations/${station.id}`}>{station.name}</Link>{" "}
                {station.usuallyBusy ? <Tag>usually busy</Tag> : null}
              </th>
              <td>
                {LOADING_NAMES[station.loading.kind]}
                {station.profile === null ? "" : `, ${PROFILE_NAMES[station.profile]}`}
              </td>
              <td>{describeLoading(station.loading)}</td>
              <td>
                {station.serves
                  .slice(0, 4)
                  .map((ref) => find(ref)?.name ?? ref)
                  .join(", ") || "nothing yet"}
                {station.serves.length > 4 ? ` and ${station.serves.length - 4} more` : ""}
              </td>
            </tr>
          ))}
        </Ledger>
      )}
      <Box sx={{ mt: 4, maxWidth: 560 }}>
        <Section title="Change">
          <Form method="post" {...getFormProps(form)}>
            <input type="hidden" name="revision" value={actionData?.current ?? gym.revision} />
            <FieldErrors id={form.errorId} errors={form.errors} />
            <Box sx={{ pt: 2 }} />
            <TextInput field={fields.name} label="Name" />
            <TextInput field={fields.timeZone} label="Time zone" />
            <TextBox field={fields.houseRules} label="House rules" rows={2} />
            <Button type="submit" variant="contained">
              Save
            </Button>
          </Form>
        </Section>
      </Box>
    </Page>
  );
}
