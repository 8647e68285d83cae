import { getFormProps, useForm, type SubmissionResult } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, redirect } from "react-router";
import { revisionField } from "~/codec/person.ts";
import { gymFormCodec } from "~/codec/station-form.ts";
import { describeLoading, LOADING_NAMES } from "~/format/station.ts";
import { PROFILE_NAMES } from "~/format/training.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import {
  archiveGym,
  changeGym,
  copyGym,
  getGym,
  listStations,
  type Gym,
} from "~/server/db/gyms.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/gym.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { ArchiveForm } from "../components/archive-form.tsx";
import { Disclosure } from "../components/disclosure.tsx";
import { FieldErrors, TextBox, TextInput } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Empty, Page, Section, Tag } from "../components/page.tsx";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const gym = orNotFound(await getGym(scope, idParam<"gym">(params.gymId)));
  const [stations, archived] = await Promise.all([
    listStations(scope, gym.id),
    listStations(scope, gym.id, "archived"),
  ]);
  return { gym, stations, archived: archived.map(({ id, name }) => ({ id, name })) };
});

export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const gym = orNotFound(await getGym(scope, idParam<"gym">(params.gymId)));
  const form = await readForm(request);
  if (form.get("intent") === "copy") {
    const copy = orNotFound(await copyGym(scope, gym.id, `${gym.name.slice(0, 74)}, copy`));
    throw redirect(`/gyms/${copy}`);
  }
  const intent = form.get("intent");
  if (intent === "archive" || intent === "restore") {
    await archiveGym(scope, gym.id, intent === "archive");
    throw redirect(`/gyms/${gym.id}`);
  }
  const submission = parseWithZod(form, { schema: gymFormCodec });
  const revision = revisionField.safeParse(form.get("revision"));
  if (submission.status !== "success" || !revision.success) {
    return refused({ reply: submission.reply(), other: null });
  }
  const changed = await changeGym(scope, gym.id, revision.data, submission.value);
  if (changed.ok) throw redirect(`/gyms/${gym.id}`);
  if (changed.error.code === "missing") throw orNotFound(null);
  return {
    other: changed.error.current,
    reply: submission.reply({
      formErrors: [
        "Someone else saved this gym in the meantime. Their values stand at the fields that differ; yours are still in the form. Saving again keeps yours.",
      ],
    }),
  };
});

export default function GymPage({
  loaderData: { gym, stations, archived },
  actionData,
}: Route.ComponentProps) {
  const { find } = useCatalogue();
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
            Add equipment
          </Button>
        </Box>
      }
    >
      {gym.isArchived ? (
        <Typography component="div" sx={{ mb: 2 }}>
          <Tag>archived</Tag> It is offered nowhere. Sessions that were planned here keep it.{" "}
          <ArchiveForm name="this gym" isArchived />
        </Typography>
      ) : null}
      {gym.houseRules === "" ? null : (
        <Typography sx={{ mb: 2, pl: 1.5, borderLeft: 4, borderColor: "kravo.warn" }}>
          House rules: {gym.houseRules}
        </Typography>
      )}
      {stations.length === 0 ? (
        <Empty>No equipment yet. Add the rack, the leg press, the stacks and the dumbbells.</Empty>
      ) : (
        <Ledger label="Equipment" head={["Equipment", "Loading", "Loads available", "Used for"]}>
          {stations.map((station) => (
            <tr key={station.id}>
              <th scope="row">
                <Link to={`/gyms/${gym.id}/stations/${station.id}`}>{station.name}</Link>{" "}
                {station.usuallyBusy ? <Tag>usually busy</Tag> : null}{" "}
                {station.isAssumed ? <Tag>loads assumed</Tag> : null}
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
      {archived.length === 0 ? null : (
        <Box sx={{ mt: 2 }}>
          <Disclosure summary={`${archived.length} archived`} dense>
            {archived.map(({ id, name }) => (
              <Typography key={id} sx={{ py: 0.5 }}>
                <Link to={`/gyms/${gym.id}/stations/${id}`}>{name}</Link>
              </Typography>
            ))}
          </Disclosure>
        </Box>
      )}
      <Box sx={{ mt: 4, maxWidth: 560 }}>
        <Section
          title="Change"
          aside={gym.isArchived ? null : <ArchiveForm name="this gym" isArchived={false} />}
        >
          <GymForm
            key={gym.revision}
            gym={gym}
            lastResult={actionData?.reply ?? null}
            other={actionData?.other ?? null}
          />
        </Section>
      </Box>
    </Page>
  );
}

/** Made anew for each revision, with what was typed and told before it: nobody's edit is put over another's. */
function GymForm({
  gym,
  lastResult,
  other,
}: {
  readonly gym: Gym;
  readonly lastResult: SubmissionResult | null;
  /** What another edit left meanwhile. */
  readonly other: Gym | null;
}) {
  const [form, fields] = useForm({
    id: "gym",
    lastResult,
    defaultValue: gym,
    onValidate: ({ formData }) => parseWithZod(formData, { schema: gymFormCodec }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  /** What the other edit left in a field, where it is not what stands here. */
  const theirs = (field: "name" | "timeZone" | "houseRules") =>
    other === null || other[field] === (fields[field].value ?? "") ? undefined : other[field];
  return (
    <Form method="post" {...getFormProps(form)}>
      <input type="hidden" name="revision" value={other?.revision ?? gym.revision} />
      <FieldErrors id={form.errorId} errors={form.errors} />
      <Box sx={{ pt: 2 }} />
      <TextInput field={fields.name} label="Name" other={theirs("name")} />
      <TextInput field={fields.timeZone} label="Time zone" other={theirs("timeZone")} />
      <TextBox
        field={fields.houseRules}
        label="House rules"
        rows={2}
        other={theirs("houseRules")}
      />
      <Button type="submit" variant="contained">
        Save
      </Button>
    </Form>
  );
}
