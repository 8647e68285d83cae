import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMemo } from "react";
import { Form, Link, data, redirect, useNavigation, useSubmit } from "react-router";
import { acceptReplanCodec, replanChoiceCodec, replanFormCodec } from "~/codec/replan.ts";
import type { Id } from "~/core/kernel/index.ts";
import { endOf, inOrder, lastDayOf, plannedOn } from "~/core/phase/index.ts";
import { formatDay, formatShortDay, plural } from "~/format/numbers.ts";
import { formatTargetOdds } from "~/format/odds.ts";
import { WEEKDAY_NAMES } from "~/format/phase.ts";
import { formatChangeProblem, formatStepReason } from "~/format/replan.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { acceptReplan, whatIf } from "~/server/coaching/replan.server.ts";
import { gymsToChoose, listStations, studioDay } from "~/server/db/gyms.server.ts";
import { getPhase } from "~/server/db/phases.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/phase-replan.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { FieldErrors } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Empty, Page, Section } from "../components/page.tsx";
import { ReplanFields } from "../components/phase/replan-fields.tsx";
import { useOdds } from "../components/phase/use-odds.ts";

/** What an address asks: the event, and which steps are taken otherwise than proposed. */
function askedIn(url: string) {
  const search = new URL(url).searchParams;
  const was = Object.fromEntries(
    [...search].filter(([name]) => name !== "left" && name !== "instead"),
  );
  const event = search.has("kind") ? replanFormCodec.safeParse(was) : null;
  const choice = replanChoiceCodec.safeParse({
    left: search.getAll("left"),
    instead: search.getAll("instead"),
  });
  return { was, event, choice: choice.success ? choice.data : { left: [], instead: [] } };
}

export const loader = reading(async (scope, { params, request }: Route.LoaderArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  const { was, event, choice } = askedIn(request.url);
  const [stations, gyms, today] = await Promise.all([
    listStations(scope),
    gymsToChoose(scope),
    studioDay(scope),
  ]);
  const replanned = event?.success === true ? await whatIf(scope, phase, event.data, choice) : null;
  const { document } = phase;
  return {
    phase: { id: phase.id, name: phase.name, personName: phase.personName },
    revision: phase.revision,
    was,
    problem:
      event?.success === false
        ? (event.error.issues[0]?.message ?? "This was not understood.")
        : null,
    replanned,
    nameable: {
      sessions: document.weeks.flatMap((_, i) =>
        inOrder(document).map((day) => ({
          value: `${day.id} ${i + 1}`,
          text: `${formatShortDay(plannedOn(document, day, i + 1) ?? lastDayOf(document, i + 1))}, ${day.title}`,
        })),
      ),
      stations: stations
        .filter(({ gymId }) => document.days.some((day) => day.gymId === gymId))
        .map(({ id, name }) => ({ id, name })),
      gyms: gyms.map(({ id, name }) => ({ id, name })),
      today,
      ends: endOf(document),
    },
    names: Object.fromEntries(stations.map(({ id, name }) => [id, name])),
  };
});

/** Accepts the steps that are ticked, as one revision of the phase. */
export const action = writing(async (scope, { params, request }: Route.ActionArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  const form = await readForm(request);
  const accept = acceptReplanCodec.safeParse(Object.fromEntries(form));
  const { event, choice } = askedIn(request.url);
  if (!accept.success || event?.success !== true)
    return data({ problem: "Say first what happened." }, { status: 400 });
  const { baseRevision } = accept.data;
  const done = await acceptReplan(scope, phase, baseRevision, event.data, choice);
  if (done.ok) throw redirect(`/phases/${phase.id}`);
  return data({ problem: formatChangeProblem(done.error) }, { status: 400 });
});

/** What happened, what would become of the phase, and only then the button that changes it. */
export default function Replan({ loaderData, actionData }: Route.ComponentProps) {
  const { phase, was, problem, replanned, nameable, names, revision } = loaderData;
  const isBusy = useNavigation().state !== "idle";
  return (
    <Page
      title="Replan"
      lead={
        <>
          <Link to={`/phases/${phase.id}`}>{phase.name}</Link> · {phase.personName} · what was
          trained stays as it is
        </>
      }
    >
      <Form method="get">
        <ReplanFields key={JSON.stringify(was)} nameable={nameable} was={was}>
          <Button type="submit" variant="outlined" disabled={isBusy} sx={{ mb: 2 }}>
            What if?
          </Button>
        </ReplanFields>
        {was["kind"] === "flareUp" ? (
          <Typography variant="body2" sx={{ color: "text.secondary", mb: 1 }}>
            Joint or sharp pain stops an exercise. Pain that lasts, numbness or weakness is for a
            qualified professional; this only plans around it.
          </Typography>
        ) : null}
        <FieldErrors id="replan-error" errors={problem === null ? undefined : [problem]} />
      </Form>
      {replanned === null ? null : (
        <>
          <Steps steps={replanned.steps} was={was} names={names} />
          <TargetsAfter targets={replanned.targets} />
          <Differences differences={replanned.differences} />
          <Form method="post" action={`?${searchOf(was, replanned.steps)}`}>
            <input type="hidden" name="intent" value="accept" />
            <input type="hidden" name="baseRevision" value={revision} />
            <FieldErrors
              id="accept-error"
              errors={actionData === undefined ? undefined : [actionData.problem]}
            />
            <Button
              type="submit"
              variant="contained"
              disabled={isBusy || !replanned.steps.some(({ isTaken }) => isTaken)}
            >
              Accept {plural(replanned.steps.filter(({ isTaken }) => isTaken).length, "step")}
            </Button>
          </Form>
        </>
      )}
    </Page>
  );
}

type Replanned = NonNullable<Route.ComponentProps["loaderData"]["replanned"]>;
type Step = Replanned["steps"][number];

/** The address of a choice of steps. */
function searchOf(was: Readonly<Record<string, string>>, steps: readonly Step[]): string {
  const search = new URLSearchParams(was);
  for (const { key, isProposed, isTaken } of steps) {
    if (isProposed && !isTaken) search.append("left", key);
    if (!isProposed && isTaken) search.append("instead", key);
  }
  return search.toString();
}

function Steps({
  steps,
  was,
  names,
}: {
  readonly steps: readonly Step[];
  readonly was: Readonly<Record<string, string>>;
  readonly names: Readonly<Record<string, string>>;
}) {
  const { find } = useCatalogue();
  const submit = useSubmit();
  const take = (step: Step, isTaken: boolean) => {
    const next = steps.map((own) => {
      if (own.key === step.key) return { ...own, isTaken };
      // One way of a group takes the place of the others.
      return isTaken && own.group !== null && own.group === step.group
        ? { ...own, isTaken: false }
        : own;
    });
    void submit(searchOf(was, next), { method: "get", replace: true, preventScrollReset: true });
  };
  return (
    <Box sx={{ mt: 3 }}>
      <Section title="Steps">
        {steps.length === 0 ? (
          <Empty>Nothing of this phase has to change for that.</Empty>
        ) : (
          <Box component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
            {steps.map((step) => (
              <Box
                component="li"
                key={step.key}
                sx={{ borderBottom: 1, borderColor: "divider", py: 0.75 }}
              >
                <Box component="label" sx={{ display: "flex", gap: 1, alignItems: "start" }}>
                  <input
                    type={step.group === null ? "checkbox" : "radio"}
                    name={step.group ?? step.key}
                    key={String(step.isTaken)}
                    defaultChecked={step.isTaken}
                    onChange={(event) => take(step, event.target.checked)}
                  />
                  <span>
                    {formatStepReason(
                      step.because,
                      find,
                      (id: Id<"station">) => names[id] ?? "other equipment",
                    )}
                    {step.isProposed || step.group === null ? null : (
                      <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
                        {" "}
                        · instead
                      </Typography>
                    )}
                  </span>
                </Box>
              </Box>
            ))}
          </Box>
        )}
      </Section>
    </Box>
  );
}

/** How stated targets stand before and after. */
function TargetsAfter({ targets }: Pick<Replanned, "targets">) {
  const asked = useMemo(
    () => ({
      targets: targets.flatMap(({ before, after }) => [before, after ?? before]),
      curves: [],
    }),
    [targets],
  );
  const now = useOdds(asked);
  const oddsAt = (i: number) =>
    typeof now === "string" ? now : (now.odds[i] ?? { chance: null, byWeek: [] });
  if (targets.length === 0) return null;
  return (
    <Section title="Targets">
      <Ledger label="Targets" head={["Now", "After"]}>
        {targets.map(({ before, after }, i) => (
          <tr key={before.target.line}>
            <td>{formatTargetOdds(before, oddsAt(2 * i))}</td>
            <td>{after === null ? "–" : formatTargetOdds(after, oddsAt(2 * i + 1))}</td>
          </tr>
        ))}
      </Ledger>
    </Section>
  );
}

function Differences({ differences }: Pick<Replanned, "differences">) {
  const { find } = useCatalogue();
  if (differences.length === 0) return null;
  return (
    <Section title="What changes" aside={plural(differences.length, "session")}>
      <Ledger label="What changes" head={["Session", "Exercise", "Before", "After"]}>
        {differences.flatMap(({ day, week, from, to, slots }) => {
          const name = `${WEEKDAY_NAMES[day.weekday - 1] ?? ""} week ${week}`;
          const dates =
            from === to
              ? []
              : [
                  <tr key={`${day.id} ${week}`}>
                    <th scope="row">{name}</th>
                    <td>{day.title}</td>
                    <td>{from === null ? "–" : formatDay(from)}</td>
                    <td>{to === null ? "not trained" : formatDay(to)}</td>
                  </tr>,
                ];
          return [
            ...dates,
            ...slots.map((slot, i) => (
              <tr key={`${day.id} ${week} ${i}`}>
                <th scope="row">{name}</th>
                <td>{find(slot.movement)?.name ?? slot.movement}</td>
                <td>{slot.from ?? "–"}</td>
                <td>{slot.to ?? "out"}</td>
              </tr>
            )),
          ];
        })}
      </Ledger>
    </Section>
  );
}
