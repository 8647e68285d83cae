import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, redirect, useSubmit } from "react-router";
import { newPhaseCodec } from "~/codec/phase.ts";
import { addDays, dayAt, weekStart } from "~/core/kernel/index.ts";
import { GOALS } from "~/core/person/index.ts";
import { GOAL_NAMES } from "~/format/brief.ts";
import { formatNewPhaseError, formatSources, WEEKDAYS } from "~/format/phase.ts";
import { addPhaseFor } from "~/server/coaching/phase.server.ts";
import { sessionSources } from "~/server/coaching/session-sources.server.ts";
import { contextFor } from "~/server/coaching/context.server.ts";
import { listApproaches } from "~/server/db/approaches.server.ts";
import { currentBrief } from "~/server/db/briefs.server.ts";
import { gymsToChoose } from "~/server/db/gyms.server.ts";
import { listPeople } from "~/server/db/people.server.ts";
import { listPhasesOf } from "~/server/db/phases.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/phase-new.ts";
import { DayField } from "../components/day-input.tsx";
import { ClientChoice } from "../components/clients/client-choice.tsx";
import { SuggestDialog } from "../components/suggest/suggest-dialog.tsx";
import { SUGGEST, useSuggestedDays } from "../components/suggest/use-suggested-days.ts";
import { Choice, Labelled, Select, TextInput } from "../components/field.tsx";
import { Empty, Page, Section } from "../components/page.tsx";

export const loader = reading(async (scope, { request }: Route.LoaderArgs) => {
  const [people, gyms, approaches] = await Promise.all([
    listPeople(scope),
    gymsToChoose(scope),
    listApproaches(scope),
  ]);
  const today = dayAt(scope.now, gyms[0]?.timeZone ?? "UTC");
  const asked = new URL(request.url).searchParams.get("person");
  const person = people.find((p) => p.id === asked) ?? people[0] ?? null;
  const [sources, brief, phases] = await Promise.all([
    sessionSources(scope, person?.id ?? null),
    person === null ? null : currentBrief(scope, person),
    person === null ? [] : listPhasesOf(scope, person.id),
  ]);
  const nextMonday = addDays(weekStart(today), 7);
  const last = phases[0]?.ends;
  const usual = brief?.gyms[0];
  const gym = gyms.find(({ id }) => id === usual)?.id ?? gyms[0]?.id ?? null;
  const start = last !== undefined && last >= nextMonday ? addDays(last, 1) : nextMonday;
  const context =
    person === null || gym === null ? null : (await contextFor(scope, person, gym, start)).context;
  return {
    people: people.map(({ id, name }) => ({ id, name })),
    gyms: gyms.map(({ id, name }) => ({ id, name })),
    approaches,
    context,
    sources: formatSources(sources),
    person: person?.id ?? null,
    goal: brief?.goal ?? "size",
    gym,
    start,
    number: phases.length + 1,
    today,
  };
});

export const action = writing(async (scope, { request }: Route.ActionArgs) => {
  const submission = parseWithZod(await readForm(request), {
    schema: newPhaseCodec(dayAt(scope.now, "UTC")),
  });
  if (submission.status !== "success") return refused(submission.reply());
  const added = await addPhaseFor(scope, submission.value);
  if (added.ok) throw redirect(`/phases/${added.value.id}`);
  return refused(submission.reply({ formErrors: [formatNewPhaseError(added.error)] }));
});

/** Made anew for each client: what was typed and suggested for one is not for another. */
export default function NewPhase(props: Route.ComponentProps) {
  return <NewPhaseFor key={props.loaderData.person ?? "none"} {...props} />;
}

function NewPhaseFor({ loaderData, actionData }: Route.ComponentProps) {
  const { people, gyms, approaches, sources, person, goal, gym, start, number, today, context } =
    loaderData;
  const submit = useSubmit();
  const suggesting = useSuggestedDays(gyms);
  const [form, fields] = useForm({
    id: `phase-${person ?? "none"}`,
    lastResult: actionData ?? null,
    defaultValue: {
      personId: person ?? undefined,
      name: `Phase ${number}`,
      gymId: gym ?? undefined,
      start,
      weeks: "6",
      goal,
      success: "",
      approach: "",
      lighterEvery: "",
      easierBy: "2",
      fewerBy: "1",
      isFirstLight: "on",
    },
    onValidate: ({ formData }) => parseWithZod(formData, { schema: newPhaseCodec(today) }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  if (people.length === 0 || gyms.length === 0) {
    return (
      <Page title="Plan a phase">
        <Empty>
          A phase needs a client and a gym.{" "}
          {people.length === 0 ? (
            <Link to="/people/new">Add a client</Link>
          ) : (
            <Link to="/gyms">Add a gym</Link>
          )}
        </Empty>
      </Page>
    );
  }
  const days = fields.days.getFieldList();
  return (
    <Page title="Plan a phase" lead="Sessions week by week, progressed by their rules">
      {suggesting.asked === null || context === null ? null : (
        <SuggestDialog
          title="Suggest the sessions of a week"
          context={{
            ...context,
            approach:
              approaches.find(({ ref }) => ref === suggesting.asked?.approach) ?? context.approach,
          }}
          days={suggesting.asked.days}
          onUse={(_, taken) => suggesting.take(taken)}
          onClose={suggesting.close}
        />
      )}
      <Form
        method="post"
        {...getFormProps(form)}
        onChange={(event) => suggesting.forgetAfter(event)}
        onSubmit={(event) => {
          if (!suggesting.askBefore(event)) form.onSubmit(event);
        }}
      >
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { md: "1fr 1fr" },
            columnGap: 5,
            maxWidth: 980,
          }}
        >
          <div>
            <Labelled id={fields.personId.id} label="Client" errors={fields.personId.errors}>
              <ClientChoice
                id={fields.personId.id}
                name={fields.personId.name}
                people={people}
                chosen={person}
                onChoose={(chosen) =>
                  void submit(new URLSearchParams({ person: chosen ?? "" }), {
                    method: "get",
                    replace: true,
                  })
                }
              />
            </Labelled>
            <TextInput field={fields.name} label="Name" />
            <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", columnGap: 2 }}>
              <DayField field={fields.start} label="First day" />
              <TextInput field={fields.weeks} label="Weeks" inputMode="numeric" />
              <Choice
                field={fields.goal}
                label="Goal"
                options={GOALS.map((own) => [own, GOAL_NAMES[own]])}
              />
              <Choice
                field={fields.approach}
                label="Training approach"
                options={[
                  ["", "The client's own"],
                  ...approaches.map(({ ref, name }) => [ref, name] as const),
                ]}
              />
            </Box>
            <TextInput
              field={fields.success}
              label="Success means"
              hint="How you will both see that it worked; optional"
            />
            <Choice
              field={fields.gymId}
              label="Gym"
              options={gyms.map(({ id, name }) => [id, name])}
            />
          </div>
          <div>
            <Section title="Days">
              {WEEKDAYS.map((weekday, i) => {
                const suggested = suggesting.suggestedFor(i);
                return (
                  <Box
                    key={weekday}
                    sx={{
                      display: "grid",
                      gridTemplateColumns: "92px 1fr",
                      alignItems: "center",
                      py: 0.5,
                    }}
                  >
                    <label htmlFor={`day-${i}`}>{weekday}</label>
                    <Select
                      id={`day-${i}`}
                      name={`${fields.days.name}[${i}]`}
                      value={suggesting.sourceOf(i) ?? days[i]?.initialValue ?? ""}
                      onChange={(event) => suggesting.choose(i, event.target.value)}
                    >
                      <option value="">–</option>
                      {sources.map(({ value, text }) => (
                        <option key={value} value={value}>
                          {text}
                        </option>
                      ))}
                      <option value={SUGGEST}>Suggest a session</option>
                      {suggested === null ? null : (
                        <option value={suggested.value}>{suggested.text}</option>
                      )}
                    </Select>
                  </Box>
                );
              })}
              {fields.days.errors === undefined ? null : (
                <Typography
                  role="alert"
                  variant="body2"
                  sx={{ color: "kravo.signal", fontWeight: 650 }}
                >
                  ▸ {fields.days.errors.join(" ")}
                </Typography>
              )}
            </Section>
            <Section title="Week plan">
              <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 3, rowGap: 0.5, py: 1 }}>
                <label>
                  <input type="checkbox" name={fields.isFirstLight.name} defaultChecked /> Light
                  first week
                </label>
                <label>
                  <input type="checkbox" name={fields.isLastTest.name} /> Test in the last week
                </label>
                <label>
                  <input type="checkbox" name={fields.isAfterHardest.name} /> Lighter week after the
                  hardest ones, then build up again
                </label>
              </Box>
              <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr 1fr", columnGap: 2 }}>
                <TextInput
                  field={fields.lighterEvery}
                  label="Lighter week every"
                  hint="so many weeks; blank for none, or after the hardest"
                  inputMode="numeric"
                />
                <TextInput
                  field={fields.easierBy}
                  label="Extra RIR at the start"
                  hint="down to 0 by the last week"
                  inputMode="numeric"
                />
                <TextInput
                  field={fields.fewerBy}
                  label="Fewer sets at the start"
                  hint="all sets by the last week"
                  inputMode="numeric"
                />
              </Box>
            </Section>
            {form.errors === undefined ? null : (
              <Typography role="alert" sx={{ color: "kravo.signal", fontWeight: 650, mb: 1 }}>
                ▸ {form.errors.join(" ")}
              </Typography>
            )}
            <Button type="submit" variant="contained">
              Create phase
            </Button>
          </div>
        </Box>
      </Form>
    </Page>
  );
}
