import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link, data, redirect, type ShouldRevalidateFunctionArgs } from "react-router";
import { fieldOf, readDecisions, type NamedLine } from "~/codec/decisions.ts";
import { correctionFormCodec, reconsiderFormCodec } from "~/codec/correction.ts";
import { plannedDayField } from "~/codec/days.ts";
import { dayAt } from "~/core/kernel/index.ts";
import { reviewOf } from "~/core/log/index.ts";
import { linesToRule } from "~/core/progress/index.ts";
import { type Slot } from "~/core/plan/index.ts";
import { formatClock, formatDay } from "~/format/numbers.ts";
import { formatCorrectionError, formatReconsiderError } from "~/format/corrections.ts";
import { formatPlannedAndDone } from "~/format/exposure.ts";
import { formatCheckIn } from "~/format/set-record.ts";
import { formatPlanNextError } from "~/format/next-session.ts";
import { approachAmong, volumePolicyOf } from "~/core/person/index.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { planNext, proposalsFor } from "~/server/coaching/next-session.server.ts";
import { authorsOf, correct } from "~/server/coaching/corrections.server.ts";
import { changedSince, reconsider } from "~/server/coaching/reconsider.server.ts";
import { getGym } from "~/server/db/gyms.server.ts";
import { listApproaches } from "~/server/db/approaches.server.ts";
import { planFromSession } from "~/server/db/plans.server.ts";
import { nextDay } from "~/server/coaching/decide.server.ts";
import { commandsAfter } from "~/server/db/commands.server.ts";
import { getSessionLog } from "~/server/db/session-logs.server.ts";
import { rulingOn, rulingsOn } from "~/server/db/rulings.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/review.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { VolumeBars } from "../components/review/volume-bars.tsx";
import { FieldErrors } from "../components/field.tsx";
import { Page } from "../components/page.tsx";
import { ChangedSince } from "../components/review/changed-since.tsx";
import { NextTime } from "../components/review/next-time.tsx";
import { PlannedAndDone } from "../components/review/planned-and-done.tsx";
import { Corrections } from "../components/review/corrections.tsx";
import { nameOfLine } from "../components/slot-proposals.tsx";
import { useMuscles } from "../components/wording.ts";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const sessionLog = orNotFound(await getSessionLog(scope, idParam<"sessionLog">(params.runId)));
  const [
    commands,
    { slots, context, approach: chosen, written, next: nextInPhase },
    rulings,
    next,
    changed,
    authors,
    gym,
    approaches,
  ] = await Promise.all([
    commandsAfter(scope, sessionLog.id, 0),
    proposalsFor(scope, sessionLog),
    rulingsOn(scope, sessionLog.id),
    planFromSession(scope, sessionLog.id),
    changedSince(scope, sessionLog),
    authorsOf(scope, sessionLog.id),
    getGym(scope, sessionLog.gymId),
    listApproaches(scope),
  ]);
  const timeZone = gym?.timeZone ?? "UTC";
  const approach = approachAmong(approaches, chosen);
  const proposals = slots.map(({ lines, ...slot }) => ({
    ...slot,
    written: written.get(slot.slot.id) ?? "",
    lines: lines.map((now) => ({ now, ruling: rulingOn(rulings, slot.slot.id, now.line) })),
  }));
  const since = changed && {
    position: changed.position,
    changed: changed.changed,
    open: changed.open,
  };
  const waiting = linesToRule(slots);
  const policy = volumePolicyOf(approach.stances);
  return {
    sessionLog,
    review: reviewOf(sessionLog.document, commands, context, policy),
    proposals,
    waiting,
    next,
    upcoming: nextInPhase && {
      phase: nextInPhase.phase.id,
      name: nextInPhase.phase.name,
      week: nextInPhase.week,
      kind: nextInPhase.phase.document.weeks[nextInPhase.week - 1]?.kind ?? "normal",
      on: nextInPhase.on,
    },
    on: nextDay(sessionLog, { next: nextInPhase }, dayAt(scope.now, timeZone)),
    since,
    authors,
    timeZone,
  };
});

/** Also after a refusal: what changed meanwhile is shown, and it is that which is decided about next. */
export function shouldRevalidate({
  actionStatus,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs): boolean {
  return actionStatus !== undefined || defaultShouldRevalidate;
}

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
  const on = plannedDayField(dayAt(scope.now, "UTC")).safeParse(form.get("day"));
  if (!on.success)
    return refuse(on.error.issues[0]?.message ?? "Expected a date for the next session.");
  const proposals = await proposalsFor(scope, sessionLog);
  const read = readDecisions(form, proposals.slots);
  const planned = read.ok
    ? await planNext(scope, sessionLog, proposals, on.data, read.value)
    : read;
  if (planned.ok) throw redirect(`/plans/${planned.value}`);
  return refuse(
    formatPlanNextError(planned.error),
    "slotId" in planned.error ? planned.error : null,
  );
});

export default function Review({ loaderData, actionData }: Route.ComponentProps) {
  const muscles = useMuscles();
  const { sessionLog, review, proposals, waiting, upcoming, on, next, since, authors, timeZone } =
    loaderData;
  const { find } = useCatalogue();
  const unitOf = (slot: Slot) =>
    proposals.find((p) => p.slot.id === slot.id)?.station?.loading.unit ?? sessionLog.personUnit;
  const problem = actionData?.problem ?? null;
  const isCorrecting = actionData?.typed["intent"] !== undefined;
  const isEnded = sessionLog.endedAt !== null;
  const nameOf = (slot: Slot) => find(slot.movement)?.name ?? slot.movement;
  return (
    <Page
      wide
      title={`${sessionLog.title} · ${sessionLog.personName}`}
      heading={sessionLog.title}
      lead={
        <>
          <Link to={`/people/${sessionLog.personId}`}>{sessionLog.personName}</Link> ·{" "}
          {formatDay(sessionLog.day)}
          {sessionLog.endedAt === null
            ? " · still running"
            : ` · ${formatClock((sessionLog.endedAt - sessionLog.startedAt) / 1000)} from start to end`}
          {review.checkIn === null ? null : ` · ${formatCheckIn(review.checkIn)}`}
        </>
      }
      actions={
        isEnded ? undefined : (
          <Button
            component={Link}
            to={`/floor/${sessionLog.id}`}
            variant="contained"
            color="secondary"
          >
            Back to the floor
          </Button>
        )
      }
    >
      {review.conflicts.length > 0 ? (
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
          nameOf={(slot, line) => nameOfLine(nameOf(slot), slot, line)}
          errors={problem === null ? undefined : [problem.text]}
        />
      )}
      {isEnded ? (
        <NextTime
          day={on}
          upcoming={upcoming}
          personAt={`/people/${sessionLog.personId}`}
          proposals={proposals}
          waiting={waiting}
          isSettled={sessionLog.settledAt !== null}
          next={next}
          typed={actionData?.typed ?? null}
          problem={isCorrecting ? null : problem}
        />
      ) : null}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) 300px" },
          columnGap: 5,
        }}
      >
        <PlannedAndDone review={review} unitOf={unitOf} isEnded={isEnded}>
          {isEnded || review.corrections.length > 0 ? (
            <Box sx={{ mt: 4 }}>
              <Corrections
                corrections={review.corrections}
                nameOf={(id) => {
                  const found = review.slots.find(({ slot }) => slot.id === id);
                  return found === undefined ? null : nameOf(found.slot);
                }}
                authors={authors}
                timeZone={timeZone}
                isEnded={isEnded}
              />
            </Box>
          ) : null}
        </PlannedAndDone>
        <Box sx={{ pt: 1 }}>
          <VolumeBars title="Hard sets done" volume={review.volume} />
          {review.most === null ? null : (
            <Typography variant="body2" sx={{ mt: 1 }}>
              {formatPlannedAndDone(review.most, muscles)}
            </Typography>
          )}
        </Box>
      </Box>
    </Page>
  );
}
