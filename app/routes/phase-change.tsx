import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, data, redirect, useNavigation } from "react-router";
import { changePhaseCodec } from "~/codec/change-phase.ts";
import type { MovementRef } from "~/core/kernel/index.ts";
import { GOALS } from "~/core/person/index.ts";
import { inOrder, lastDayOf, type Phase, type PhaseDay } from "~/core/phase/index.ts";
import { isPreparatory, linesOf, slotsOf, type Slot } from "~/core/plan/index.ts";
import { WEEK_KINDS } from "~/core/progress/index.ts";
import { GOAL_NAMES } from "~/format/brief.ts";
import { formatAmount, formatShortDay } from "~/format/numbers.ts";
import { WEEK_KIND_NAMES, WEEKDAYS } from "~/format/phase.ts";
import { formatChangeProblem } from "~/format/replan.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { editPhase, variationsIn } from "~/server/coaching/edit-phase.server.ts";
import { listApproaches } from "~/server/db/approaches.server.ts";
import { listGyms } from "~/server/db/gyms.server.ts";
import { getPhase } from "~/server/db/phases.server.ts";
import { listPlansOf } from "~/server/db/plans.server.ts";
import { listTemplates } from "~/server/db/templates.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/phase-change.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { FieldErrors, Labelled, PlainInput, Select } from "../components/field.tsx";
import { Page, Section } from "../components/page.tsx";
import plain from "../theme/plain.module.css";

/** Of how many of a client's latest sessions a day can be made. */
const LATEST = 12;

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  const [gyms, approaches, templates, plans, variations] = await Promise.all([
    listGyms(scope),
    listApproaches(scope),
    listTemplates(scope),
    listPlansOf(scope, phase.personId, LATEST),
    variationsIn(scope, phase),
  ]);
  return {
    id: phase.id,
    name: phase.name,
    revision: phase.revision,
    personName: phase.personName,
    document: phase.document,
    variations,
    gyms: gyms.map(({ id, name }) => ({ id, name })),
    approaches: approaches.map(({ ref, name }) => ({ ref, name })),
    sources: [
      ...templates
        .filter(({ isPutAway }) => !isPutAway)
        .map(({ id, name }) => ({ value: `template:${id}`, text: `Template: ${name}` })),
      ...plans.map(({ id, title, day }) => ({
        value: `plan:${id}`,
        text: `${title}, ${formatShortDay(day)}`,
      })),
    ],
  };
});

export const action = writing(async (scope, { params, request }: Route.ActionArgs) => {
  const phase = orNotFound(await getPhase(scope, idParam<"phase">(params.phaseId)));
  const asked = changePhaseCodec.safeParse(Object.fromEntries(await readForm(request)));
  if (!asked.success)
    return data(
      { problem: asked.error.issues[0]?.message ?? "This was not understood." },
      { status: 400 },
    );
  const done = await editPhase(scope, phase, asked.data);
  if (done.ok) throw redirect(`/phases/${phase.id}/change`);
  return data({ problem: formatChangeProblem(done.error) }, { status: 400 });
});

/** Everything of a phase that is no single cell: what for, its weeks, its days, and which exercises when. */
export default function ChangePhase({ loaderData, actionData }: Route.ComponentProps) {
  const { id, name, personName, document, revision } = loaderData;
  const isBusy = useNavigation().state !== "idle";
  const of = { revision, isBusy };
  return (
    <Page
      wide
      title={`Change ${name}`}
      lead={
        <>
          <Link to={`/phases/${id}`}>{personName}’s phase</Link> · what was trained stays; sessions
          that are planned follow
        </>
      }
    >
      {actionData === undefined ? null : (
        <FieldErrors id="change-error" errors={[actionData.problem]} />
      )}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) minmax(0,2fr)" },
          columnGap: 5,
        }}
      >
        <Aim {...loaderData} of={of} />
        <Weeks document={document} of={of} />
      </Box>
      <Days {...loaderData} of={of} />
      <Exercises document={document} variations={loaderData.variations} of={of} />
    </Page>
  );
}

interface Of {
  readonly revision: number;
  readonly isBusy: boolean;
}

/** A form that does one thing to the phase as it is shown. */
function Deed({
  intent,
  of,
  children,
  hidden = {},
  sx,
}: {
  readonly intent: string;
  readonly of: Of;
  readonly hidden?: Readonly<Record<string, string | number>>;
  readonly children: React.ReactNode;
  readonly sx?: React.ComponentProps<typeof Box>["sx"];
}) {
  return (
    <Box component={Form} {...{ method: "post" }} {...(sx === undefined ? {} : { sx })}>
      <input type="hidden" name="intent" value={intent} />
      <input type="hidden" name="baseRevision" value={of.revision} />
      {Object.entries(hidden).map(([field, value]) => (
        <input key={field} type="hidden" name={field} value={value} />
      ))}
      {children}
    </Box>
  );
}

function Aim({
  name,
  document,
  approaches,
  of,
}: Route.ComponentProps["loaderData"] & { readonly of: Of }) {
  return (
    <Section title="What for">
      <Deed intent="aim" of={of} key={of.revision} sx={{ pt: 1.5 }}>
        <Labelled id="name" label="Name">
          <PlainInput id="name" name="name" defaultValue={name} maxLength={80} required />
        </Labelled>
        <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", columnGap: 2 }}>
          <Labelled id="goal" label="Goal">
            <Select id="goal" name="goal" defaultValue={document.goal}>
              {GOALS.map((goal) => (
                <option key={goal} value={goal}>
                  {GOAL_NAMES[goal]}
                </option>
              ))}
            </Select>
          </Labelled>
          <Labelled id="approach" label="Training approach">
            <Select id="approach" name="approach" defaultValue={document.approach ?? ""}>
              <option value="">The client’s own</option>
              {approaches.map(({ ref, name: text }) => (
                <option key={ref} value={ref}>
                  {text}
                </option>
              ))}
            </Select>
          </Labelled>
        </Box>
        <Labelled id="success" label="Success means">
          <PlainInput id="success" name="success" defaultValue={document.success} maxLength={300} />
        </Labelled>
        <Labelled id="notes" label="Notes">
          <textarea
            id="notes"
            name="notes"
            rows={3}
            defaultValue={document.notes}
            maxLength={2000}
            className={plain.frame}
            style={{ padding: 8 }}
          />
        </Labelled>
        <Button type="submit" variant="outlined" disabled={of.isBusy}>
          Save
        </Button>
      </Deed>
    </Section>
  );
}

function Weeks({ document, of }: { readonly document: Phase; readonly of: Of }) {
  return (
    <Section
      title="Weeks"
      aside={<Typography variant="figure">{document.weeks.length}</Typography>}
    >
      {document.weeks.map((week, i) => (
        <Box
          key={`${of.revision} ${i}`}
          sx={{
            display: "flex",
            gap: 1,
            alignItems: "end",
            py: 0.75,
            borderBottom: 1,
            borderColor: "divider",
          }}
        >
          <Box sx={{ width: 74, flexShrink: 0 }}>
            <Typography variant="figure" component="div" sx={{ fontSize: "1.3rem" }}>
              {i + 1}
            </Typography>
            <Typography variant="body2" sx={{ color: "text.secondary" }}>
              to {formatShortDay(lastDayOf(document, i + 1))}
            </Typography>
          </Box>
          <Deed
            intent="week"
            of={of}
            hidden={{ week: i + 1 }}
            sx={{
              flexGrow: 1,
              display: "grid",
              gridTemplateColumns: "110px 64px 64px 72px minmax(0,1fr) auto",
              gap: 1,
              alignItems: "end",
            }}
          >
            <Select name="kind" aria-label={`Kind of week ${i + 1}`} defaultValue={week.kind}>
              {WEEK_KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {WEEK_KIND_NAMES[kind]}
                </option>
              ))}
            </Select>
            <Small name="sets" label="Sets ±" value={week.sets} of={i + 1} />
            <Small name="effort" label="RIR ±" value={week.effort} of={i + 1} />
            <Small name="load" label="Load %" value={Math.round(week.load * 100)} of={i + 1} />
            <label>
              <Typography variant="overline" sx={{ display: "block", lineHeight: 1.2 }}>
                Note
              </Typography>
              <PlainInput name="note" defaultValue={week.note} maxLength={200} />
            </label>
            <Button type="submit" size="small" variant="outlined" disabled={of.isBusy}>
              Save
            </Button>
          </Deed>
          <Deed intent="addWeek" of={of} hidden={{ after: i + 1 }}>
            <Button
              type="submit"
              size="small"
              sx={{ whiteSpace: "nowrap" }}
              disabled={of.isBusy}
              aria-label={`Add a week after week ${i + 1}`}
            >
              Add after
            </Button>
          </Deed>
          <Deed intent="removeWeek" of={of} hidden={{ week: i + 1 }}>
            <Button
              type="submit"
              size="small"
              disabled={of.isBusy || document.weeks.length === 1}
              aria-label={`Take week ${i + 1} out`}
            >
              Out
            </Button>
          </Deed>
        </Box>
      ))}
    </Section>
  );
}

function Small({
  name,
  label,
  value,
  of,
}: {
  readonly name: string;
  readonly label: string;
  readonly value: number;
  readonly of: number;
}) {
  return (
    <label>
      <Typography variant="overline" sx={{ display: "block", lineHeight: 1.2 }}>
        {label}
      </Typography>
      <PlainInput
        name={name}
        aria-label={`${label} of week ${of}`}
        inputMode="numeric"
        defaultValue={value}
        maxLength={4}
      />
    </label>
  );
}

function Days({
  document,
  gyms,
  sources,
  of,
}: Route.ComponentProps["loaderData"] & { readonly of: Of }) {
  const free = WEEKDAYS.map((text, i) => ({ text, weekday: i + 1 })).filter(
    ({ weekday }) => !document.days.some((day) => day.weekday === weekday),
  );
  const gymField = (own?: string) => (
    <Select name="gymId" aria-label="Gym" defaultValue={own}>
      {gyms.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </Select>
  );
  return (
    <Section title="Days">
      {inOrder(document).map((day) => (
        <Box
          key={`${of.revision} ${day.id}`}
          sx={{
            display: "flex",
            gap: 1,
            alignItems: "end",
            py: 1,
            borderBottom: 1,
            borderColor: "divider",
          }}
        >
          <Deed
            intent="day"
            of={of}
            hidden={{ day: day.id }}
            sx={{
              flexGrow: 1,
              display: "grid",
              gridTemplateColumns: "1fr 2fr 90px 1.4fr auto",
              gap: 1,
              alignItems: "end",
            }}
          >
            <Select name="weekday" aria-label="Weekday" defaultValue={day.weekday}>
              {WEEKDAYS.map((text, i) => (
                <option key={text} value={i + 1}>
                  {text}
                </option>
              ))}
            </Select>
            <PlainInput
              name="title"
              aria-label="Title"
              defaultValue={day.title}
              maxLength={80}
              required
            />
            <PlainInput
              name="startTime"
              aria-label="Time"
              placeholder="17:30"
              defaultValue={day.startTime ?? ""}
              maxLength={5}
            />
            {gymField(day.gymId)}
            <Button type="submit" size="small" variant="outlined" disabled={of.isBusy}>
              Save
            </Button>
          </Deed>
          <Deed intent="removeDay" of={of} hidden={{ day: day.id }}>
            <Button
              type="submit"
              size="small"
              disabled={of.isBusy || document.days.length === 1}
              aria-label={`Drop ${day.title}`}
            >
              Drop
            </Button>
          </Deed>
        </Box>
      ))}
      {free.length === 0 || sources.length === 0 ? null : (
        <Deed
          intent="addDay"
          of={of}
          sx={{
            display: "grid",
            gridTemplateColumns: "1fr 2fr 1.4fr auto",
            gap: 1,
            alignItems: "end",
            py: 1,
          }}
        >
          <Select name="weekday" aria-label="Weekday of the new day">
            {free.map(({ text, weekday }) => (
              <option key={weekday} value={weekday}>
                {text}
              </option>
            ))}
          </Select>
          <Select name="source" aria-label="Session of the new day">
            {sources.map(({ value, text }) => (
              <option key={value} value={value}>
                {text}
              </option>
            ))}
          </Select>
          {gymField(document.days[0]?.gymId)}
          <Button type="submit" size="small" variant="outlined" disabled={of.isBusy}>
            Add day
          </Button>
        </Deed>
      )}
    </Section>
  );
}

function Exercises({
  document,
  variations,
  of,
}: {
  readonly document: Phase;
  readonly variations: Readonly<Record<string, readonly MovementRef[]>>;
  readonly of: Of;
}) {
  return (
    <Section title="Exercises by week">
      {inOrder(document).map((day) => (
        <Box key={day.id} component="section" aria-label={day.title} sx={{ py: 1 }}>
          <Typography component="h3" variant="h3">
            {WEEKDAYS[day.weekday - 1]} · {day.title}
          </Typography>
          {slotsOf(day.session).map((slot) => (
            <ExerciseWeeks
              key={`${of.revision} ${slot.lineageId}`}
              document={document}
              day={day}
              slot={slot}
              variations={variations[slot.lineageId] ?? []}
              of={of}
            />
          ))}
        </Box>
      ))}
    </Section>
  );
}

function ExerciseWeeks({
  document,
  day,
  slot,
  variations,
  of,
}: {
  readonly document: Phase;
  readonly day: PhaseDay;
  readonly slot: Slot;
  readonly variations: readonly MovementRef[];
  readonly of: Of;
}) {
  const { find } = useCatalogue();
  const name = (ref: MovementRef) => find(ref)?.name ?? ref;
  const { lineageId: lineage } = slot;
  const isOf = (own: { readonly day: string; readonly lineage: string }) =>
    own.day === day.id && own.lineage === lineage;
  const spans = document.spans.filter(isOf);
  const rotation = document.rotations.find(
    (own) => own.day === day.id && own.members.includes(lineage),
  );
  const keep = document.keeps.find(isOf);
  const hidden = { day: day.id, lineage };
  const own = name(slot.movement);
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) 0.8fr 1.4fr 0.65fr 1.25fr" },
        gap: 2,
        alignItems: "center",
        py: 0.75,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <div>
        <strong>{own}</strong>
        <Typography variant="body2" sx={{ color: "text.secondary" }}>
          {rotation === undefined
            ? spans.length === 0
              ? "every week"
              : `weeks ${spans.map(({ from, to }) => (from === to ? from : `${from}–${to}`)).join(", ")}`
            : `takes turns, ${rotation.every === 1 ? "week by week" : `${rotation.every} weeks each`}`}
        </Typography>
      </div>
      <Deed
        intent="spans"
        of={of}
        hidden={hidden}
        sx={{ display: "flex", gap: 0.75, alignItems: "center" }}
      >
        Weeks
        <Box sx={{ width: 52 }}>
          <PlainInput
            name="from"
            aria-label={`${own} from week`}
            inputMode="numeric"
            defaultValue={spans[0]?.from ?? 1}
            maxLength={2}
          />
        </Box>
        to
        <Box sx={{ width: 52 }}>
          <PlainInput
            name="to"
            aria-label={`${own} to week`}
            inputMode="numeric"
            defaultValue={spans.at(-1)?.to ?? document.weeks.length}
            maxLength={2}
          />
        </Box>
        <Button type="submit" size="small" disabled={of.isBusy}>
          Set
        </Button>
      </Deed>
      {rotation === undefined || variations.length > 0 ? (
        <Box sx={{ display: "flex", gap: 0.75, alignItems: "center" }}>
          {variations.length === 0 ? (
            <Typography variant="body2" sx={{ color: "text.secondary" }}>
              no variation here
            </Typography>
          ) : (
            <Deed
              intent="turns"
              of={of}
              hidden={hidden}
              sx={{ display: "flex", gap: 0.75, alignItems: "center", flexGrow: 1, minWidth: 0 }}
            >
              <span style={{ whiteSpace: "nowrap" }}>Turns with</span>
              <Select name="movement" aria-label={`${own} takes turns with`}>
                {variations.map((ref) => (
                  <option key={ref} value={ref}>
                    {name(ref)}
                  </option>
                ))}
              </Select>
              every
              <Box sx={{ width: 46, flexShrink: 0 }}>
                <PlainInput
                  name="every"
                  aria-label={`${own} takes turns every so many weeks`}
                  inputMode="numeric"
                  defaultValue={rotation?.every ?? 2}
                  maxLength={2}
                />
              </Box>
              <Button type="submit" size="small" disabled={of.isBusy}>
                Set
              </Button>
            </Deed>
          )}
          {rotation === undefined ? null : (
            <Deed intent="endTurns" of={of} hidden={hidden}>
              <Button type="submit" size="small" disabled={of.isBusy}>
                End turns
              </Button>
            </Deed>
          )}
        </Box>
      ) : (
        <span />
      )}
      <Deed
        intent="keep"
        of={of}
        hidden={hidden}
        sx={{ display: "flex", gap: 0.75, alignItems: "center" }}
      >
        Keep
        <Box sx={{ width: 46 }}>
          <PlainInput
            name="phases"
            aria-label={`${own} is kept for so many phases`}
            inputMode="numeric"
            placeholder="–"
            defaultValue={keep?.phases ?? ""}
            maxLength={2}
          />
        </Box>
        phases
        <Button type="submit" size="small" disabled={of.isBusy}>
          Set
        </Button>
      </Deed>
      <StatedTarget document={document} slot={slot} name={own} hidden={hidden} of={of} />
    </Box>
  );
}

/** What the first work line of an exercise is to come to, and by which week. */
function StatedTarget({
  document,
  slot,
  name,
  hidden,
  of,
}: {
  readonly document: Phase;
  readonly slot: Slot;
  readonly name: string;
  readonly hidden: Readonly<Record<string, string>>;
  readonly of: Of;
}) {
  const line = linesOf(slot).find(({ sets: [{ role }] }) => !isPreparatory(role));
  if (line === undefined) return <span />;
  const [{ target }] = line.sets;
  const stated = document.targets.find((own) => own.day === hidden["day"] && own.line === line.id);
  return (
    <Deed
      intent="target"
      of={of}
      hidden={{ ...hidden, line: line.id }}
      sx={{ display: "flex", gap: 0.75, alignItems: "center" }}
    >
      Target
      <Box sx={{ width: 66 }}>
        <PlainInput
          name="load"
          aria-label={`Target load of ${name}`}
          inputMode="decimal"
          placeholder="load"
          defaultValue={stated === undefined ? "" : formatAmount(stated.reading)}
          maxLength={10}
        />
      </Box>
      ×
      <Box sx={{ width: 46 }}>
        <PlainInput
          name="reps"
          aria-label={`Target reps of ${name}`}
          inputMode="numeric"
          defaultValue={stated?.reps ?? (target.kind === "reps" ? target.min : 8)}
          maxLength={3}
        />
      </Box>
      <span style={{ whiteSpace: "nowrap" }}>by week</span>
      <Box sx={{ width: 46 }}>
        <PlainInput
          name="week"
          aria-label={`Target week of ${name}`}
          inputMode="numeric"
          defaultValue={stated?.week ?? document.weeks.length}
          maxLength={2}
        />
      </Box>
      <Button type="submit" size="small" disabled={of.isBusy}>
        Set
      </Button>
    </Deed>
  );
}
