import { type Decision } from "~/core/progress/index.ts";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, data, redirect } from "react-router";
import { fieldOf, readDecisions, type NamedLine } from "~/codec/decisions.ts";
import { correctionFormCodec, reconsiderFormCodec } from "~/codec/correction.ts";
import { plannedDayField } from "~/codec/days.ts";
import { addDays, dayAt, type Day, type Id, parseMass } from "~/core/kernel/index.ts";
import {
  conflictsOf,
  correctionsIn,
  foldCommands,
  loggedField,
  notesOf,
  painsOf,
  performedSets,
  summarise,
  unplannedSets,
  type LoggedSet,
} from "~/core/log/index.ts";
import { plannedSets, volumeOf, unrollContextOf } from "~/core/unroll/index.ts";
import type { Slot } from "~/core/plan/index.ts";
import { formatClock, formatDay } from "~/format/numbers.ts";
import { formatCorrectionError, formatReconsiderError } from "~/format/corrections.ts";
import { formatPlanNextError } from "~/format/next-session.ts";
import { formatLoggedSet } from "~/format/exposure.ts";
import { EXTENSION_NAMES } from "~/format/prescription.ts";
import { formatSets } from "~/format/plan.ts";
import { formatRir, JOINT_NAMES, SIDE_NAMES } from "~/format/training.ts";
import { approachAmong, volumePolicyOf } from "~/core/person/index.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { planNext, proposalsFor } from "~/server/coaching/next-session.server.ts";
import { authorsOf, correct } from "~/server/coaching/corrections.server.ts";
import { changedSince, reconsider } from "~/server/coaching/reconsider.server.ts";
import { getGym } from "~/server/db/gyms.server.ts";
import { listApproaches } from "~/server/db/approaches.server.ts";
import { briefHistory } from "~/server/db/briefs.server.ts";
import { planFromSession } from "~/server/db/plans.server.ts";
import { commandsAfter } from "~/server/db/commands.server.ts";
import { getSessionLog } from "~/server/db/session-logs.server.ts";
import { rulingOn, rulingsOn } from "~/server/db/rulings.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/review.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { VolumeBars } from "../components/bench/bench-panel.tsx";
import { FieldErrors, PlainInput } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Page, Section, Tag } from "../components/page.tsx";
import { ChangedSince } from "../components/review/changed-since.tsx";
import { CorrectSet } from "../components/review/correct-set.tsx";
import { Corrections } from "../components/review/corrections.tsx";
import { nameOfLine, SlotProposals } from "../components/slot-proposals.tsx";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const sessionLog = orNotFound(await getSessionLog(scope, idParam<"sessionLog">(params.runId)));
  const [commands, { slots }, rulings, next, changed, authors, gym, approaches, briefs] =
    await Promise.all([
      commandsAfter(scope, sessionLog.id, 0),
      proposalsFor(scope, sessionLog),
      rulingsOn(scope, sessionLog.id),
      planFromSession(scope, sessionLog.id),
      changedSince(scope, sessionLog),
      authorsOf(scope, sessionLog.id),
      getGym(scope, sessionLog.gymId),
      listApproaches(scope),
      briefHistory(scope, sessionLog.personId, 1),
    ]);
  const timeZone = gym?.timeZone ?? "UTC";
  const approach = approachAmong(approaches, briefs[0]?.document.approach ?? null);
  const proposals = slots.map(({ lines, ...slot }) => ({
    ...slot,
    lines: lines.map((now) => ({ now, ruling: rulingOn(rulings, slot.slot.id, now.line) })),
  }));
  const since = changed && {
    position: changed.position,
    changed: changed.changed,
    open: changed.open,
  };
  return { sessionLog, commands, proposals, approach, next, since, authors, timeZone };
});

interface Refusal {
  readonly problem: { readonly at: NamedLine | null; readonly text: string };
  readonly typed: Readonly<Record<string, string>>;
}

export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const sessionLog = orNotFound(await getSessionLog(scope, idParam<"sessionLog">(params.runId)));
  const form = await readForm(request);
  const typed = Object.fromEntries(
    [...form].map(([name, value]) => [name, typeof value === "string" ? value : ""]),
  );
  const refuse = (text: string, at: NamedLine | null = null) =>
    data<Refusal>({ problem: { at, text }, typed }, { status: 400 });
  const correction = correctionFormCodec.safeParse(typed);
  if (correction.success) {
    const corrected = await correct(scope, sessionLog, correction.data);
    if (corrected.ok) throw redirect(`/runs/${sessionLog.id}`);
    return refuse(formatCorrectionError(corrected.error));
  }
  if (typed["intent"] === "reconsider") {
    const asked = reconsiderFormCodec.safeParse(typed);
    if (!asked.success) return refuse("The decisions were not understood; load the page again.");
    const { position, reason } = asked.data;
    const choiceOf = (at: NamedLine) => {
      const choice = typed[fieldOf("choice", at)];
      return choice === "take" || choice === "leave" ? choice : null;
    };
    const done = await reconsider(scope, sessionLog, position, choiceOf, reason);
    if (done.ok) throw redirect(`/runs/${sessionLog.id}`);
    return refuse(formatReconsiderError(done.error));
  }
  if (typed["intent"] !== undefined) {
    return refuse(correction.error.issues[0]?.message ?? "This was not understood.");
  }
  const { slots } = await proposalsFor(scope, sessionLog);
  const read = readDecisions(
    form,
    slots.flatMap(({ slot, lines }) =>
      lines.filter((l) => l.isDecided).map(({ line }) => ({ slotId: slot.id, line })),
    ),
  );
  const on = plannedDayField(dayAt(scope.now, "UTC")).safeParse(form.get("day"));
  if (!on.success)
    return refuse(on.error.issues[0]?.message ?? "Expected a date for the next session.");
  if (read === null) return refuse("The decisions were not understood; load the page again.");
  const decisions: Decision[] = [];
  for (const { choice, load, reason, ...at } of read) {
    if (choice === null) continue;
    if (choice === "accept") {
      decisions.push({ ...at, kind: "accept" });
      continue;
    }
    const unit = slots.find((p) => p.slot.id === at.slotId)?.station?.loading.unit ?? "kg";
    const reading = parseMass(load, unit);
    if (!reading.ok) return refuse(`“${reading.error.text}” is not a load; write like 82.5.`, at);
    decisions.push({ ...at, kind: "overrule", reading: reading.value, reason });
  }
  const planned = await planNext(scope, sessionLog, on.data, decisions);
  if (planned.ok) throw redirect(`/plans/${planned.value}`);
  return refuse(
    formatPlanNextError(planned.error),
    "slotId" in planned.error ? planned.error : null,
  );
});

export default function Review({ loaderData, actionData }: Route.ComponentProps) {
  const { sessionLog, commands, proposals, approach, next, since, authors, timeZone } = loaderData;
  const log = foldCommands(commands);
  const summary = summarise(sessionLog.document, log);
  const { find } = useCatalogue();
  const context = unrollContextOf(
    proposals.flatMap((p) => (p.station === null ? [] : [p.station])),
    find,
  );
  const policy = volumePolicyOf(approach.stances);
  const planned = volumeOf(plannedSets(sessionLog.document, context), policy);
  const done = volumeOf(performedSets(sessionLog.document, log, find), policy);
  const doneSets = summary.reduce((sum, s) => sum + s.doneSets, 0);
  const plannedCount = summary.reduce((sum, s) => sum + s.plannedSets, 0);
  const pains = painsOf(log);
  const sessionNotes = notesOf(log, null);
  const unplanned = unplannedSets(sessionLog.document, log);
  const unitOf = (slot: Slot) =>
    proposals.find((p) => p.slot.id === slot.id)?.station?.loading.unit ?? sessionLog.personUnit;
  const isSettled = sessionLog.settledAt !== null;
  const problem = actionData?.problem ?? null;
  const isCorrecting = actionData?.typed["intent"] !== undefined;
  const corrections = correctionsIn(commands);
  const isEnded = sessionLog.endedAt !== null;
  const waiting = proposals.flatMap((p) => p.lines).filter(({ now }) => now.mustRule).length;
  return (
    <Page
      wide
      title={`${sessionLog.title} · ${sessionLog.personName}`}
      lead={
        <>
          <Link to={`/people/${sessionLog.personId}`}>{sessionLog.personName}</Link> ·{" "}
          {formatDay(sessionLog.day)}
          {sessionLog.endedAt === null
            ? " · still running"
            : ` · ${formatClock((sessionLog.endedAt - sessionLog.startedAt) / 1000)} from start to end`}
        </>
      }
      actions={
        sessionLog.endedAt === null ? (
          <Button
            component={Link}
            to={`/floor/${sessionLog.id}`}
            variant="contained"
            color="secondary"
          >
            Back to the floor
          </Button>
        ) : undefined
      }
    >
      {conflictsOf(log).length > 0 ? (
        <Box role="alert" sx={{ border: 2, borderColor: "kravo.warn", p: 1.5, mb: 2 }}>
          Two devices logged the same set differently.{" "}
          <Link to={`/floor/${sessionLog.id}`}>Say on the floor view which holds.</Link>
        </Box>
      ) : null}
      {problem !== null && problem.at === null && since === null && isCorrecting ? (
        <FieldErrors id="correction-error" errors={[problem.text]} />
      ) : null}
      {since === null ? null : (
        <ChangedSince
          position={since.position}
          changed={since.changed}
          open={since.open}
          nameOf={(slot, line) =>
            nameOfLine(find(slot.movement)?.name ?? slot.movement, slot, line)
          }
          errors={problem === null ? undefined : [problem.text]}
        />
      )}
      {sessionLog.endedAt === null ? null : (
        <Section
          title="Next time"
          aside={
            isSettled ? (
              <Tag>decided</Tag>
            ) : (
              <Tag tone="strong">
                {waiting === 0 ? "ready to plan" : `${waiting} need your decision`}
              </Tag>
            )
          }
        >
          <Form method="post">
            {proposals.map(({ slot, station, lines, outcomes }) => (
              <SlotProposals
                key={slot.id}
                slot={slot}
                name={find(slot.movement)?.name ?? slot.movement}
                station={station}
                lines={lines}
                outcomes={outcomes}
                typed={actionData?.typed ?? null}
                problem={
                  problem?.at?.slotId === slot.id ? { ...problem.at, text: problem.text } : null
                }
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
                    defaultValue={actionData?.typed["day"] ?? nextDay(sessionLog.day)}
                  />
                </Box>
                <Button type="submit" variant="contained" color="secondary">
                  Plan next session
                </Button>
                <FieldErrors
                  id="plan-next-error"
                  errors={
                    problem !== null && problem.at === null && !isCorrecting
                      ? [problem.text]
                      : undefined
                  }
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
            {summary.map(({ slot, loggedSets, doneSets: own, plannedSets: asked, skipped }) => (
              <tr key={slot.id}>
                <th scope="row">{find(slot.movement)?.name ?? slot.movement}</th>
                <td>{formatSets(slot, find)}</td>
                <Box component="td" sx={{ "& .opened": { mt: 0 } }}>
                  {loggedSets.length === 0
                    ? skipped === null
                      ? "nothing logged"
                      : `skipped: ${skipped}`
                    : null}
                  {loggedSets.map((logged) =>
                    isEnded ? (
                      <CorrectSet
                        key={logged.commandId}
                        logged={logged}
                        done={logged.loggedSet[loggedField(logged.loggedSet)]}
                        unit={logged.loggedSet.reading?.unit ?? unitOf(slot)}
                      >
                        <UnplannedLine slot={slot} loggedSet={logged.loggedSet} />
                      </CorrectSet>
                    ) : (
                      <div key={logged.commandId}>
                        <UnplannedLine slot={slot} loggedSet={logged.loggedSet} />
                      </div>
                    ),
                  )}
                  {loggedSets.length > 0 && own < asked ? (
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
                </Box>
              </tr>
            ))}
          </Ledger>
          {unplanned.length === 0 ? null : (
            <Typography sx={{ mt: 1 }}>
              Also logged, on sets that the plan no longer holds:{" "}
              {unplanned.map(formatLoggedSet).join(", ")}
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
          {isEnded || corrections.length > 0 ? (
            <Box sx={{ mt: 4 }}>
              <Corrections
                corrections={corrections}
                nameOf={(id) => {
                  const slot = summary.find((s) => s.slot.id === id)?.slot;
                  return slot === undefined ? null : (find(slot.movement)?.name ?? slot.movement);
                }}
                authors={authors}
                timeZone={timeZone}
                isEnded={isEnded}
              />
            </Box>
          ) : null}
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

/** "100 kg × 8, left, drop, 2 left" */
function UnplannedLine({
  slot,
  loggedSet,
}: {
  readonly slot: Slot;
  readonly loggedSet: LoggedSet;
}) {
  return (
    <Box component="span" sx={{ whiteSpace: "nowrap" }}>
      <span className="figure">{formatLoggedSet(loggedSet)}</span>{" "}
      <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
        {loggedSet.key.side === "both" ? "" : `${SIDE_NAMES[loggedSet.key.side]}, `}
        {extensionName(slot, loggedSet.key.extensionId)}
        {formatRir(loggedSet.rir)}
      </Typography>
    </Box>
  );
}

/** A week later is what most plans repeat in; any other day can be chosen. */
function nextDay(day: Day): Day {
  return addDays(day, 7);
}

/** "drop, " for an extension that extends a set, by the extension's kind. */
function extensionName(slot: Slot, id: Id<"extension"> | null): string {
  if (id === null) return "";
  const extension = slot.sets.flatMap((set) => set.extensions).find((e) => e.id === id);
  return extension === undefined ? "extension, " : `${EXTENSION_NAMES[extension.kind]}, `;
}
