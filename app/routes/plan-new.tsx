import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Form, Link, redirect, useSubmit } from "react-router";
import { newPlanCodec } from "~/codec/plan-form.ts";
import { dayAt } from "~/core/kernel/index.ts";
import { EMPTY_PLAN } from "~/core/plan/index.ts";
import { currentBrief } from "~/server/db/briefs.server.ts";
import { getGym, gymsToChoose } from "~/server/db/gyms.server.ts";
import { getPerson, listPeople } from "~/server/db/people.server.ts";
import { addPlan } from "~/server/db/plans.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/plan-new.ts";
import { DayField, TimeField } from "../components/day-input.tsx";
import { ClientChoice } from "../components/clients/client-choice.tsx";
import { Labelled, Select, TextInput } from "../components/field.tsx";
import { Empty, Page } from "../components/page.tsx";

export const loader = reading(async (scope, { request }: Route.LoaderArgs) => {
  const [people, gyms] = await Promise.all([listPeople(scope), gymsToChoose(scope)]);
  const asked = new URL(request.url).searchParams.get("person");
  // Where there are several, nobody is a slip away from the session of somebody else.
  const person =
    people.find((p) => p.id === asked) ?? (people.length === 1 ? (people[0] ?? null) : null);
  const usual = person === null ? [] : (await currentBrief(scope, person)).gyms;
  return {
    people: people.map(({ id, name }) => ({ id, name })),
    // The gyms of the person's brief first, in the order of the others.
    gyms: [
      ...gyms.filter((gym) => usual.includes(gym.id)),
      ...gyms.filter((gym) => !usual.includes(gym.id)),
    ],
    person: person?.id ?? null,
    today: dayAt(scope.now, gyms[0]?.timeZone ?? "UTC"),
  };
});

export const action = writing(async (scope, { request }: Route.ActionArgs) => {
  const submission = parseWithZod(await readForm(request), {
    schema: newPlanCodec(dayAt(scope.now, "UTC")),
  });
  if (submission.status !== "success") return refused(submission.reply());
  const head = submission.value;
  const [person, gym] = await Promise.all([
    getPerson(scope, head.personId),
    getGym(scope, head.gymId),
  ]);
  if (person === null)
    return refused(
      submission.reply({ fieldErrors: { personId: ["Expected a client of this studio."] } }),
    );
  if (gym === null)
    return refused(
      submission.reply({ fieldErrors: { gymId: ["Expected a gym of this studio."] } }),
    );
  throw redirect(`/plans/${await addPlan(scope, head, EMPTY_PLAN)}`);
});

export default function NewPlan({ loaderData, actionData }: Route.ComponentProps) {
  const { people, gyms, person, today } = loaderData;
  const submit = useSubmit();
  const [form, fields] = useForm({
    id: "plan",
    lastResult: actionData ?? null,
    defaultValue: {
      title: "Leg day",
      day: today,
      personId: person ?? undefined,
    },
    onValidate: ({ formData }) => parseWithZod(formData, { schema: newPlanCodec(today) }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  if (people.length === 0 || gyms.length === 0) {
    return (
      <Page title="Plan a session">
        <Empty>
          A session needs a client and a gym first. <Link to="/people/new">Add a client</Link>, or{" "}
          <Link to="/gyms">add a gym</Link>.
        </Empty>
      </Page>
    );
  }
  return (
    <Page
      title="Plan a session"
      lead={
        <>
          From nothing, or <Link to="/templates">from a template</Link>, for one client or several
        </>
      }
    >
      <Form method="post" {...getFormProps(form)}>
        <Box sx={{ maxWidth: 520 }}>
          <Labelled id={fields.personId.id} label="Client" errors={fields.personId.errors}>
            <ClientChoice
              id={fields.personId.id}
              name={fields.personId.name}
              people={people}
              chosen={fields.personId.initialValue ?? null}
              onChoose={(chosen) =>
                void submit(new URLSearchParams({ person: chosen ?? "" }), {
                  method: "get",
                  replace: true,
                })
              }
            />
          </Labelled>
          <TextInput field={fields.title} label="Title" />
          <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", columnGap: 2 }}>
            <DayField field={fields.day} label="Day" />
            <TimeField field={fields.startTime} label="Start time (optional)" />
          </Box>
          <Labelled id={fields.gymId.id} label="Gym" errors={fields.gymId.errors}>
            {/* Another client may train elsewhere; the rest of what was typed stays. */}
            <Select
              key={person}
              id={fields.gymId.id}
              name={fields.gymId.name}
              defaultValue={gyms[0]?.id}
            >
              {gyms.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Select>
          </Labelled>
          <Button type="submit" variant="contained">
            Plan the session
          </Button>
        </Box>
      </Form>
    </Page>
  );
}
