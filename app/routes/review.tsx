import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, data, redirect } from "react-router";
import { readDecisions } from "~/codec/decisions.ts";
import { dayCodec } from "~/codec/values.ts";
import { addDays, type Day } from "~/core/calendar/index.ts";
import type { Id } from "~/core/identity/index.ts";
import {
  conflictsOf,
  foldCommands,
  notesOf,
  painsOf,
  performedSets,
  summarise,
  unplannedParts,
} from "~/core/log/index.ts";
import { parseMass } from "~/core/quantity/index.ts";
import { DEFAULT_VOLUME_POLICY, plannedSets, volumeOf } from "~/core/volume/index.ts";
import { surroundingsOf, type Slot } from "~/core/prescription/index.ts";
import { formatClock, formatDay } from "~/format/numbers.ts";
import { formatPlanNextError } from "~/format/next-session.ts";
import { formatPart } from "~/format/exposure.ts";
import { EXTENSION_NAMES } from "~/format/prescription.ts";
import { formatSets } from "~/format/plan.ts";
import { formatRir, JOINT_NAMES, SIDE_NAMES } from "~/format/training.ts";
import { idParam, orNotFound, scopeOf } from "~/server/auth/session.server.ts";
import { planNext, proposalsFor, type Decision } from "~/server/coaching/next-session.server.ts";
import { planFromRun } from "~/server/db/plans.server.ts";
import { commandsAfter, getRun } from "~/server/db/runs.server.ts";
import { rulingsOn } from "~/server/db/rulings.server.ts";
import type { Route } from "./+types/review.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { VolumeBars } from "../components/bench/bench-panel.tsx";
import { FieldErrors, PlainInput } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Page, Section, Tag } from "../components/page.tsx";
import { ProposalRow } from "../components/proposal-row.tsx";

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = scopeOf(context);
  const run = orNotFound(await getRun(scope, idParam<"run">(params.runId)));
  const [commands, proposals, rulings, next] = await Promise.all([
    commandsAfter(scope, run.id, 0),
    proposalsFor(scope, run),
    rulingsOn(scope, run.id),
    planFromRun(scope, run.id),
  ]);
  return { run, commands, proposals, rulings, next };
}

interface Refusal {
  readonly problem: { readonly slotId: Id<"slot"> | null; readonly text: string };
  readonly typed: Readonly<Record<string, string>>;
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = scopeOf(context);
  const run = orNotFound(await getRun(scope, idParam<"run">(params.runId)));
  const form = await request.formData();
  const typed = Object.fromEntries(
    [...form].map(([name, value]) => [name, typeof value === "string" ? value : ""]),
  );
  const refuse = (text: string, slotId: Id<"slot"> | null = null) =>
    data<Refusal>({ problem: { slotId, text }, typed }, { status: 400 });
  const proposals = await proposalsFor(scope, run);
  const read = readDecisions(
    form,
    proposals.map(({ slot }) => slot.id),
  );
  const on = dayCodec.safeParse(form.get("day"));
  if (!on.success) return refuse("Expected a date for the next session.");
  if (read === null) return refuse("The decisions were not understood; load the page again.");
  const decisions: Decision[] = [];
  for (const { slotId, choice, load, reason } of read) {
    if (choice === null) continue;
    if (choice === "accept") {
      decisions.push({ slotId, kind: "accept" });
      continue;
    }
    const unit = proposals.find((p) => p.slot.id === slotId)?.station?.loading.unit ?? "kg";
    const reading = parseMass(load, unit);
    if (!reading.ok)
      return refuse(`“${reading.error.text}” is not a load; write like 82.5.`, slotId);
    decisions.push({ slotId, kind: "overrule", reading: reading.value, reason });
  }
  const planned = await planNext(scope, run, on.data, decisions);
  if (planned.ok) throw redirect(`/plans/${planned.value}`);
  return refuse(
    formatPlanNextError(planned.error),
    "slotId" in planned.error ? planned.error.slotId : null,
  );
}

export default function Review({ loaderData, actionData }: Route.ComponentProps) {
  const { run, commands, proposals, rulings, next } = loaderData;
  const log = foldCommands(commands);
  const summary = summarise(run.document, log);
  const { find } = useCatalogue();
  const around = surroundingsOf(
    proposals.flatMap((p) => (p.station === null ? [] : [p.station])),
    find,
  );
  const planned = volumeOf(plannedSets(run.document, around), DEFAULT_VOLUME_POLICY);
  const done = volumeOf(performedSets(run.document, log, find), DEFAULT_VOLUME_POLICY);
  const doneSets = summary.reduce((sum, s) => sum + s.doneSets, 0);
  const plannedCount = summary.reduce((sum, s) => sum + s.plannedSets, 0);
  const pains = painsOf(log);
  const sessionNotes = notesOf(log, null);
  const unplanned = unplannedParts(run.document, log);
  const isSettled = run.settledAt !== null;
  const problem = actionData?.problem ?? null;
  const waiting = proposals.filter((p) => p.proposal.mustRule).length;
  return (
    <Page
      wide
      title={`${run.title} · ${run.personName}`}
      lead={
        <>
          <Link to={`/people/${run.personId}`}>{run.personName}</Link> · {formatDay(run.day)}
          {run.endedAt === null
            ? " · still running"
            : ` · ${formatClock((run.endedAt - run.startedAt) / 1000)} from start to end`}
        </>
      }
      actions={
        run.endedAt === null ? (
          <Button component={Link} to={`/floor/${run.id}`} variant="contained" color="secondary">
            Back to the floor
          </Button>
        ) : undefined
      }
    >
      {conflictsOf(log).length > 0 ? (
        <Box role="alert" sx={{ border: 2, borderColor: "kravo.warn", p: 1.5, mb: 2 }}>
          Two devices logged the same set differently.{" "}
          <Link to={`/floor/${run.id}`}>Say on the floor view which holds.</Link>
        </Box>
      ) : null}
      {run.endedAt === null ? null : (
        <Section
          title="Next time"
          aside={
            isSettled ? (
              <Tag>decided</Tag>
            ) : (
              <Tag tone="strong">
                {waiting === 0 ? "ready to plan" : `${waiting} need your word`}
              </Tag>
            )
          }
        >
          <Form method="post">
            {proposals.map(({ slot, station, proposal }) => (
              <ProposalRow
                key={slot.id}
                slotId={slot.id}
                name={find(slot.movement)?.name ?? slot.movement}
                station={station}
                proposal={proposal}
                ruling={rulings.find((r) => r.slotId === slot.id) ?? null}
                typed={actionData?.typed ?? null}
                error={problem?.slotId === slot.id ? problem.text : null}
                isSettled={isSettled}
              />
            ))}
            {isSettled ? (
              <Typography sx={{ py: 2 }}>
                {next === null ? (
                  "The next session was planned."
                ) : (
                  <Link to={`/plans/${next}`}>
                    Open the session that was planned from this one.
                  </Link>
                )}
              </Typography>
            ) : (
              <Box sx={{ display: "flex", gap: 2, alignItems: "end", flexWrap: "wrap", pt: 2 }}>
                <Box>
                  <Typography
                    variant="overline"
                    component="label"
                    htmlFor="next-day"
                    sx={{ display: "block" }}
                  >
                    On
                  </Typography>
                  <PlainInput
                    id="next-day"
                    type="date"
                    name="day"
                    defaultValue={actionData?.typed["day"] ?? nextDay(run.day)}
                  />
                </Box>
                <Button type="submit" variant="contained" color="secondary">
                  Plan next session
                </Button>
                <FieldErrors
                  id="plan-next-error"
                  errors={problem !== null && problem.slotId === null ? [problem.text] : undefined}
                />
              </Box>
            )}
          </Form>
        </Section>
      )}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) 300px" },
          columnGap: 5,
        }}
      >
        <Section
          title="Against the plan"
          aside={<Typography variant="figure">{`${doneSets} of ${plannedCount} sets`}</Typography>}
        >
          <Ledger label="Sets done against the plan" head={["Exercise", "Planned", "Done"]}>
            {summary.map(({ slot, parts, doneSets: own, plannedSets: asked, skipped }) => (
              <tr key={slot.id}>
                <th scope="row">{find(slot.movement)?.name ?? slot.movement}</th>
                <td>{formatSets(slot, find)}</td>
                <td>
                  {parts.length === 0
                    ? skipped === null
                      ? "nothing logged"
                      : `skipped: ${skipped}`
                    : null}
                  {parts.map(({ part }) => (
                    <Box key={part.id} sx={{ whiteSpace: "nowrap" }}>
                      <span className="figure">{formatPart(part)}</span>{" "}
                      <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
                        {part.key.side === "both" ? "" : `${SIDE_NAMES[part.key.side]}, `}
                        {extensionName(slot, part.key.extensionId)}
                        {formatRir(part.rir)}
                      </Typography>
                    </Box>
                  ))}
                  {parts.length > 0 && own < asked ? (
                    <Typography variant="body2" sx={{ color: "kravo.warn" }}>
                      {own} of {asked} sets{skipped === null ? "" : `; rest skipped: ${skipped}`}
                    </Typography>
                  ) : null}
                  {notesOf(log, slot.id).map((note) => (
                    <Typography
                      key={note}
                      variant="body2"
                      sx={{ borderLeft: 3, pl: 1, mt: 0.5, borderColor: "kravo.ironLight" }}
                    >
                      {note}
                    </Typography>
                  ))}
                </td>
              </tr>
            ))}
          </Ledger>
          {unplanned.length === 0 ? null : (
            <Typography sx={{ mt: 1 }}>
              Also logged, on sets that the plan no longer holds:{" "}
              {unplanned.map(formatPart).join(", ")}
            </Typography>
          )}
          {pains.length === 0 ? null : (
            <Box sx={{ mt: 2, borderLeft: 4, borderColor: "kravo.signal", pl: 1.5 }}>
              {pains.map((pain) => (
                <Typography key={pain.id}>
                  Pain: {JOINT_NAMES[pain.joint]}, {SIDE_NAMES[pain.side]}, {pain.score} of 10
                </Typography>
              ))}
            </Box>
          )}
          {sessionNotes.map((note) => (
            <Typography key={note}>{note}</Typography>
          ))}
        </Section>
        <Box sx={{ pt: 1 }}>
          <VolumeBars title="Hard sets done" volume={done} />
          <Typography variant="body2" sx={{ mt: 1 }}>
            Planned: {planned.reduce((sum, v) => Math.max(sum, v.direct), 0)} direct in the most
            trained region, done {done.reduce((sum, v) => Math.max(sum, v.direct), 0)}.
          </Typography>
        </Box>
      </Box>
    </Page>
  );
}

/** A week later is what most plans repeat in; any other day can be chosen. */
function nextDay(day: Day): Day {
  return addDays(day, 7);
}

/** "drop, " for a part that extends a set, by the extension's kind. */
function extensionName(slot: Slot, id: Id<"extension"> | null): string {
  if (id === null) return "";
  const extension = slot.sets.flatMap((set) => set.extensions).find((e) => e.id === id);
  return extension === undefined ? "extension, " : `${EXTENSION_NAMES[extension.kind]}, `;
}
