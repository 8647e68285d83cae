import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect, useRef, useState } from "react";
import { Form, Link, useSubmit } from "react-router";
import {
  CLIENTS_A_PAGE,
  clientListCodec,
  type ClientListAsked,
  type ClientOrder,
} from "~/codec/client-list.ts";
import type { Day } from "~/core/kernel/index.ts";
import {
  formatDaysAway,
  formatOverdue,
  formatTrend,
  formatTrendWhole,
} from "~/format/client-list.ts";
import { formatDay, plural } from "~/format/numbers.ts";
import { LEVEL_NAMES } from "~/format/training.ts";
import { clientPage, type ListedClient } from "~/server/db/client-list.server.ts";
import { listCoaches } from "~/server/db/coaches.server.ts";
import { studioDay } from "~/server/db/gyms.server.ts";
import { listPeople } from "~/server/db/people.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/people.ts";
import { ArchiveForm } from "../components/archive-form.tsx";
import { Disclosure } from "../components/disclosure.tsx";
import { PlainInput } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Empty, Page, Tag } from "../components/page.tsx";
import styles from "../components/clients/clients.module.css";

export const loader = reading(async (scope, { request }: Route.LoaderArgs) => {
  const asked = clientListCodec.parse(Object.fromEntries(new URL(request.url).searchParams));
  const today = await studioDay(scope);
  const [listed, archived, coaches] = await Promise.all([
    clientPage(scope, asked, today),
    listPeople(scope, "archived"),
    listCoaches(scope),
  ]);
  return { ...listed, asked: { ...asked, page: listed.page }, archived, coaches, today };
});

/** The address of the list as it is asked for; what is usual is left out. */
function addressOf({ search, order, show, page }: ClientListAsked): string {
  const query = new URLSearchParams({
    ...(search === "" ? {} : { search }),
    ...(order === "name" ? {} : { order }),
    ...(show === "all" ? {} : { show }),
    ...(page === 1 ? {} : { page: String(page) }),
  });
  return `/people${query.size === 0 ? "" : `?${query.toString()}`}`;
}

const ORDERS: readonly (readonly [ClientOrder, string])[] = [
  ["name", "Client"],
  ["trend", "Strength"],
  ["last", "Last session"],
  ["next", "Next session"],
];

export default function People({
  loaderData: { clients, found, all, asked, archived, coaches, today },
}: Route.ComponentProps) {
  const hasOthers = coaches.length > 1;
  const isAsked = asked.search !== "" || asked.show !== "all";
  const heads = ORDERS.map(([order, name]) => (
    <Link
      key={order}
      to={addressOf({ ...asked, order, page: 1 })}
      title={`Sort by ${name.toLowerCase()}`}
      className={styles.order}
      preventScrollReset
    >
      {name}
    </Link>
  ));
  const [client, trend, last, next] = heads;
  return (
    <Page
      title="Clients"
      lead={plural(all, "client")}
      actions={
        <Button component={Link} to="/people/new" variant={all === 0 ? "contained" : "outlined"}>
          Add a client
        </Button>
      }
    >
      {all === 0 ? (
        <Empty>No clients yet. Add the first one, then plan their first session.</Empty>
      ) : (
        <>
          <Asked asked={asked} hasOthers={hasOthers} />
          {clients.length === 0 ? (
            <Empty>
              {asked.show === "overdue" && asked.search === ""
                ? "Nobody is overdue."
                : "No client matches."}{" "}
              <Link to="/people">Show all</Link>
            </Empty>
          ) : (
            <Ledger
              label="Clients"
              sorted={asked.order === "name" ? 0 : ORDERS.findIndex(([o]) => o === asked.order) + 1}
              wideOnly={hasOthers ? [1, 2, 5, 6] : [1, 2, 5]}
              head={[client, "Goal", trend, last, next, ...(hasOthers ? ["Coach"] : []), ""]}
            >
              {clients.map((listed) => (
                <Row
                  key={listed.person.id}
                  listed={listed}
                  today={today}
                  coach={
                    hasOthers
                      ? (coaches.find(({ id }) => id === listed.person.coach)?.name ?? "–")
                      : null
                  }
                />
              ))}
            </Ledger>
          )}
          <Pages asked={asked} found={found} isAsked={isAsked} />
        </>
      )}
      {archived.length === 0 ? null : (
        <Disclosure dense summary={`${archived.length} archived`}>
          {archived.map(({ id, name }) => (
            <Box key={id} sx={{ display: "flex", gap: 2, alignItems: "center", py: 0.5 }}>
              <Link to={`/people/${id}`}>{name}</Link>
              <ArchiveForm name={name} isArchived at={`/people/${id}/edit`} />
            </Box>
          ))}
        </Disclosure>
      )}
    </Page>
  );
}

/** Search and filter; searching while one types. */
function Asked({
  asked,
  hasOthers,
}: {
  readonly asked: ClientListAsked;
  readonly hasOthers: boolean;
}) {
  const submit = useSubmit();
  const field = useRef<HTMLInputElement>(null);
  const [text, setText] = useState(asked.search);
  useEffect(() => {
    // What is typed is ahead of what was asked; another way here is followed.
    if (document.activeElement !== field.current) setText(asked.search);
  }, [asked.search]);
  const shows = [
    ["all", "All"],
    ["overdue", "Overdue"],
    ...(hasOthers ? ([["mine", "Mine"]] as const) : []),
  ] as const;
  return (
    <div className={styles.asked}>
      <Form
        method="get"
        role="search"
        onChange={(event) => {
          void submit(event.currentTarget, { replace: true, preventScrollReset: true });
        }}
      >
        <PlainInput
          ref={field}
          type="search"
          name="search"
          maxLength={100}
          value={text}
          onChange={(event) => setText(event.target.value)}
          placeholder="Search by name or goal"
          aria-label="Search clients"
          autoComplete="off"
        />
        {asked.order === "name" ? null : <input type="hidden" name="order" value={asked.order} />}
        {asked.show === "all" ? null : <input type="hidden" name="show" value={asked.show} />}
      </Form>
      <nav aria-label="Which clients" className={styles.shows}>
        {shows.map(([show, name]) => (
          <Link
            key={show}
            to={addressOf({ ...asked, show, page: 1 })}
            aria-current={asked.show === show ? "true" : undefined}
            preventScrollReset
          >
            {name}
          </Link>
        ))}
      </nav>
    </div>
  );
}

function Row({
  listed: { person, last, next, overdue, trend },
  today,
  coach,
}: {
  readonly listed: ListedClient;
  readonly today: Day;
  readonly coach: string | null;
}) {
  return (
    <tr>
      <th scope="row">
        <Link to={`/people/${person.id}`}>{person.name}</Link>
      </th>
      <td className="wide">
        {person.goal === "" ? LEVEL_NAMES[person.level] : person.goal}
        {person.goal === "" ? null : (
          <span className={styles.soft}> · {LEVEL_NAMES[person.level].toLowerCase()}</span>
        )}
      </td>
      <td className="wide figure">
        {trend === null ? (
          <span className={styles.soft} title="Too few sessions in the last 8 weeks">
            –
          </span>
        ) : (
          <span title={formatTrendWhole(trend)} aria-label={formatTrendWhole(trend)} role="img">
            {formatTrend(trend)}
          </span>
        )}
      </td>
      <td>
        {last === null ? (
          <span className={styles.soft}>none yet</span>
        ) : (
          <OnDay day={last} today={today} />
        )}
      </td>
      <td>
        {overdue === null ? null : (
          <span className={styles.missed} title={formatOverdue(overdue, last)}>
            <Tag tone="strong">overdue</Tag>{" "}
          </span>
        )}
        {next === null ? (
          <Link
            to={`/plans/new?person=${person.id}`}
            aria-label={`Plan a session for ${person.name}`}
          >
            Plan one
          </Link>
        ) : (
          <OnDay day={next} today={today} />
        )}
      </td>
      {coach === null ? null : <td className="wide">{coach}</td>}
      <td className="wide">
        {next === null ? null : (
          <Link
            to={`/plans/new?person=${person.id}`}
            aria-label={`Plan a session for ${person.name}`}
          >
            Plan
          </Link>
        )}
      </td>
    </tr>
  );
}

function OnDay({ day, today }: { readonly day: Day; readonly today: Day }) {
  return (
    <span title={formatDay(day)} className={styles.day}>
      {formatDaysAway(today, day)}
    </span>
  );
}

/** Where in the list one is, and the way to its other pages. */
function Pages({
  asked,
  found,
  isAsked,
}: {
  readonly asked: ClientListAsked;
  readonly found: number;
  readonly isAsked: boolean;
}) {
  const pages = Math.ceil(found / CLIENTS_A_PAGE);
  if (pages <= 1)
    return isAsked && found > 0 ? (
      <p className={styles.pages}>{plural(found, "client")} found</p>
    ) : null;
  const first = (asked.page - 1) * CLIENTS_A_PAGE + 1;
  return (
    <nav aria-label="Pages of clients" className={styles.pages}>
      <span>
        {first} to {Math.min(found, first + CLIENTS_A_PAGE - 1)} of {found}
      </span>
      {asked.page > 1 ? (
        <Link to={addressOf({ ...asked, page: asked.page - 1 })}>Previous</Link>
      ) : null}
      {asked.page < pages ? (
        <Link to={addressOf({ ...asked, page: asked.page + 1 })}>Next</Link>
      ) : null}
    </nav>
  );
}
