import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect, useState } from "react";
import {
  Form,
  Link,
  data,
  redirect,
  useFetcher,
  useNavigate,
  useNavigation,
  useSubmit,
} from "react-router";
import { eventFormCodec, EVENT_KINDS, seasonActionCodec } from "~/codec/event.ts";
import {
  addDays,
  dayAt,
  daysBetween,
  isDay,
  isId,
  type Day,
  type Id,
} from "~/core/kernel/index.ts";
import { movedBy } from "~/core/phase/index.ts";
import { formatDay } from "~/format/numbers.ts";
import { EVENT_KIND_NAMES, formatDays, formatMoveError, formatMoves } from "~/format/season.ts";
import { movePhase, seasonOf } from "~/server/coaching/season.server.ts";
import { addEvent, moveEvent, removeEvent } from "~/server/db/events.server.ts";
import { listGyms } from "~/server/db/gyms.server.ts";
import { listPeople } from "~/server/db/people.server.ts";
import { isJson, readForm, readJson } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/season.ts";
import { DayInput } from "../components/day-input.tsx";
import { ClientChoice } from "../components/clients/client-choice.tsx";
import { useTurns } from "../components/in-turn.ts";
import { FieldErrors, Labelled, PlainInput, Select } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Empty, Page, Section } from "../components/page.tsx";
import { Calendar, type ShownEvent, type ShownRow } from "../components/season/calendar.tsx";
import styles from "../components/season/season.module.css";
import { useMoving } from "../components/season/use-moving.ts";

/** The calendar begins this long before today, so that what has just ended is seen. */
const BEFORE = 70;

export const loader = reading(async (scope, { request }: Route.LoaderArgs) => {
  const search = new URL(request.url).searchParams;
  const gyms = await listGyms(scope);
  const today = dayAt(scope.now, gyms[0]?.timeZone ?? "UTC");
  const asked = search.get("from") ?? "";
  const person = search.get("person") ?? "";
  const only = isId<"person">(person) ? person : null;
  const [season, people] = await Promise.all([
    seasonOf(scope, isDay(asked) ? asked : addDays(today, -BEFORE), only),
    listPeople(scope),
  ]);
  return {
    season,
    today,
    only,
    people: people.map(({ id, name }) => ({ id, name })),
    gyms: gyms.map(({ id, name }) => ({ id, name })),
  };
});

export const action = writing(async (scope, { request }: Route.ActionArgs) => {
  const refuse = (problem: string, status = 400) => data({ problem }, { status });
  if (isJson(request)) {
    const asked = seasonActionCodec.safeParse(await readJson(request));
    if (!asked.success) return refuse("This was not understood.");
    const gone = "This event is gone.";
    switch (asked.data.intent) {
      case "movePhase": {
        const { phase, days, shown } = asked.data;
        const moved = await movePhase(scope, phase, days, shown);
        if (moved.ok) return { problem: null };
        return refuse(
          formatMoveError(moved.error, () => "A phase"),
          409,
        );
      }
      case "moveEvent": {
        const { event, starts, ends } = asked.data;
        if (ends < starts) return refuse("The last day comes before the first.");
        return (await moveEvent(scope, event, starts, ends))
          ? { problem: null }
          : refuse(gone, 409);
      }
      case "removeEvent":
        return (await removeEvent(scope, asked.data.event)) ? { problem: null } : refuse(gone, 409);
    }
  }
  const form = eventFormCodec(dayAt(scope.now, "UTC")).safeParse(
    Object.fromEntries(await readForm(request)),
  );
  if (!form.success) return refuse(form.error.issues[0]?.message ?? "This was not understood.");
  if (!(await addEvent(scope, form.data))) return refuse("This client or gym is gone.");
  throw redirect(new URL(request.url).pathname + new URL(request.url).search);
});

export default function SeasonPage({ loaderData, actionData }: Route.ComponentProps) {
  const { season, today, only, people, gyms } = loaderData;
  const fetcher = useFetcher<{ readonly problem: string | null }>();
  const removing = useTurns<Id<"event">, unknown>({
    bodyOf: (event) => ({ intent: "removeEvent", event }),
    answered: () => true,
  });
  const submit = useSubmit();
  const navigate = useNavigate();
  const [isSent, setSent] = useState(false);
  const all = season.rows.flatMap((row) => row.phases);
  const nameOf = (id: Id<"phase">) => all.find((own) => own.id === id)?.name ?? "Another phase";
  const confirm = () => {
    if (shown === null || shown.problem !== null || isSent) return;
    void fetcher.submit(JSON.stringify(shown.does), {
      method: "post",
      encType: "application/json",
    });
    setSent(true);
  };
  const moving = useMoving(confirm);
  const isIdle = fetcher.state === "idle";
  useEffect(() => {
    // It stands where it goes until the calendar says so itself; where it was refused it goes back.
    if (!isSent || !isIdle || fetcher.data === undefined) return;
    setSent(false);
    moving.let();
  }, [isSent, isIdle, fetcher.data, moving]);
  const shown = whatMoves(moving.moving, season.rows, season.events, nameOf);
  const problem = shown?.problem ?? fetcher.data?.problem ?? null;
  const rows = season.rows.filter(
    (row) => only !== null || row.phases.length + row.events.length > 0,
  );
  const bare = season.rows.length - rows.length;
  const to = (days: number) =>
    `?${new URLSearchParams({ from: addDays(season.from, days), ...(only === null ? {} : { person: only }) })}`;
  return (
    <Page
      wide
      title="Season"
      lead={`${formatDay(season.from)} to ${formatDay(season.to)}`}
      actions={
        <Box sx={{ display: "flex", gap: 1, alignItems: "end", flexWrap: "wrap" }}>
          <Box sx={{ minWidth: 180 }}>
            <ClientChoice
              key={only}
              id="whose"
              label="Whose season"
              people={people}
              chosen={only}
              none="All clients"
              onChoose={(person) =>
                void submit(new URLSearchParams({ from: season.from, person: person ?? "" }), {
                  method: "get",
                })
              }
            />
          </Box>
          <Button component={Link} to={to(-91)} variant="outlined">
            Earlier
          </Button>
          <Button component={Link} to={to(91)} variant="outlined">
            Later
          </Button>
          <Button component={Link} to="/phases/new" variant="outlined">
            Plan a phase
          </Button>
        </Box>
      }
    >
      {rows.length === 0 && season.events.length === 0 ? (
        <Empty>
          No phase lies in this year. <Link to="/phases/new">Plan a phase</Link>, or add an event
          below.
        </Empty>
      ) : (
        <Calendar
          from={season.from}
          today={today}
          rows={rows}
          everybody={season.events}
          moving={moving}
          movedTo={shown?.movedTo ?? NOTHING}
          onOpen={(phase) => void navigate(`/phases/${phase.id}`)}
          nameAt={(row) => <Link to={`/season?person=${row.person.id}`}>{row.person.name}</Link>}
        />
      )}
      {bare === 0 || rows.length === 0 ? null : (
        <p className={styles.small}>
          {bare} {bare === 1 ? "client has" : "clients have"} nothing in this year.
        </p>
      )}
      <section className={styles.bar} aria-label="What moves" aria-live="polite">
        {shown === null ? (
          <span className={styles.told}>
            {problem === null ? (
              <span className={styles.small}>
                Drag, or focus and use the arrow keys. What moves along is shown before it moves. A
                phase that has begun stays; its weeks are changed on its page. Marks under a bar are
                light, lighter and test weeks.
              </span>
            ) : (
              <span role="alert" className={styles.problem}>
                ▸ {problem}
              </span>
            )}
          </span>
        ) : (
          <>
            <span className={styles.told}>
              {problem === null ? (
                <>
                  <strong>{shown.own}</strong> <span className={styles.small}>{shown.along}</span>
                </>
              ) : (
                <span role="alert" className={styles.problem}>
                  ▸ {problem}
                </span>
              )}
            </span>
            <Button
              variant="contained"
              disabled={shown.problem !== null || isSent}
              onClick={confirm}
            >
              Move · Enter
            </Button>
            <Button onClick={moving.let}>Leave it · Esc</Button>
          </>
        )}
      </section>
      <Box sx={{ mt: 4, display: "grid", gridTemplateColumns: { lg: "1fr 1fr" }, columnGap: 5 }}>
        <Events rows={season.rows} everybody={season.events} onRemove={removing.act} />
        <AddEvent
          people={people}
          gyms={gyms}
          only={only}
          today={today}
          problem={actionData?.problem ?? null}
        />
      </Box>
    </Page>
  );
}

const NOTHING: ReadonlyMap<string, number> = new Map();

/** What a move that is not confirmed yet comes to: what it says, what moves by how much, and what is sent. */
interface Shown {
  readonly own: string;
  readonly along: string;
  readonly problem: string | null;
  readonly movedTo: ReadonlyMap<string, number>;
  readonly does: object;
}

function whatMoves(
  moving: ReturnType<typeof useMoving>["moving"],
  rows: readonly ShownRow[],
  everybody: readonly ShownEvent[],
  nameOf: (id: Id<"phase">) => string,
): Shown | null {
  if (moving === null) return null;
  const { id, days } = moving;
  const event = [...everybody, ...rows.flatMap((row) => row.events)].find((own) => own.id === id);
  if (event !== undefined) {
    const [starts, ends] = [addDays(event.starts, days), addDays(event.ends, days)];
    return {
      own: `Move ${event.name} to ${formatDays(starts, ends)}`,
      along: "Phases stay; replan one whose test or show moves.",
      problem: null,
      movedTo: new Map([[id, days]]),
      does: { intent: "moveEvent", event: event.id, starts, ends },
    };
  }
  const row = rows.find((own) => own.phases.some((phase) => phase.id === id));
  const phase = row?.phases.find((own) => own.id === id);
  if (row === undefined || phase === undefined) return null;
  const moved = movedBy(row.phases, phase.id, days);
  if (!moved.ok)
    return {
      own: "",
      along: "",
      problem: formatMoveError(moved.error, nameOf),
      movedTo: new Map([[id, days]]),
      does: {},
    };
  return {
    ...formatMoves(moved.moves, nameOf),
    problem: null,
    movedTo: new Map(moved.moves.map((own) => [own.id, daysBetween(own.from, own.to)])),
    does: {
      intent: "movePhase",
      phase: phase.id,
      days,
      shown: moved.moves.map((own) => ({ id: own.id, to: own.to })),
    },
  };
}

function Events({
  rows,
  everybody,
  onRemove,
}: {
  readonly rows: readonly ShownRow[];
  readonly everybody: readonly ShownEvent[];
  readonly onRemove: (event: Id<"event">) => void;
}) {
  const all = [
    ...everybody.map((event) => ({ who: "Everybody", event })),
    ...rows.flatMap((row) => row.events.map((event) => ({ who: row.person.name, event }))),
  ].toSorted((a, b) => (a.event.starts < b.event.starts ? -1 : 1));
  return (
    <Section title="Events">
      {all.length === 0 ? (
        <Empty>No show, test, holiday or journey is noted.</Empty>
      ) : (
        <Ledger label="Events" head={["Days", "Who", "Event", ""]}>
          {all.map(({ who, event }) => (
            <tr key={event.id}>
              <td className="figure">{formatDays(event.starts, event.ends)}</td>
              <th scope="row">{who}</th>
              <td>
                {EVENT_KIND_NAMES[event.kind]}: {event.name}
              </td>
              <td>
                <Button
                  size="small"
                  onClick={() => onRemove(event.id)}
                  aria-label={`Remove ${event.name}`}
                >
                  Remove
                </Button>
              </td>
            </tr>
          ))}
        </Ledger>
      )}
    </Section>
  );
}

function AddEvent({
  people,
  gyms,
  only,
  today,
  problem,
}: {
  readonly people: readonly { readonly id: Id<"person">; readonly name: string }[];
  readonly gyms: readonly { readonly id: Id<"gym">; readonly name: string }[];
  readonly only: Id<"person"> | null;
  readonly today: Day;
  readonly problem: string | null;
}) {
  const isBusy = useNavigation().state !== "idle";
  const [kind, setKind] = useState<string>("show");
  return (
    <Section title="Add an event">
      <Form method="post">
        <Box
          sx={{ display: "grid", gridTemplateColumns: { sm: "1fr 1fr" }, columnGap: 2, pt: 1.5 }}
        >
          <Labelled id="event-kind" label="Kind">
            <Select
              id="event-kind"
              name="kind"
              value={kind}
              onChange={(event) => setKind(event.target.value)}
            >
              {EVENT_KINDS.map((own) => (
                <option key={own} value={own}>
                  {EVENT_KIND_NAMES[own]}
                </option>
              ))}
            </Select>
          </Labelled>
          <Labelled id="event-name" label="Name">
            <PlainInput id="event-name" name="name" maxLength={80} required />
          </Labelled>
          <Labelled id="event-person" label="Who">
            <ClientChoice
              id="event-person"
              name="personId"
              people={people}
              chosen={only}
              none="Everybody"
            />
          </Labelled>
          {kind === "travel" ? (
            <Labelled id="event-gym" label="Gym there">
              <Select id="event-gym" name="gymId">
                <option value="">Not known</option>
                {gyms.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </Select>
            </Labelled>
          ) : (
            <span />
          )}
          <Labelled id="event-starts" label="First day">
            <DayInput id="event-starts" name="starts" defaultValue={today} required />
          </Labelled>
          <Labelled id="event-ends" label="Last day, if not the same">
            <DayInput id="event-ends" name="ends" />
          </Labelled>
        </Box>
        <FieldErrors id="event-error" errors={problem === null ? undefined : [problem]} />
        <Button type="submit" variant="outlined" disabled={isBusy}>
          Add event
        </Button>
      </Form>
    </Section>
  );
}
