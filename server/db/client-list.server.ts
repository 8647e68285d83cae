import { z } from "zod";
import { CLIENTS_A_PAGE, type ClientListAsked, type ClientOrder } from "~/codec/client-list.ts";
import { dayColumn } from "~/codec/rows.ts";
import type { StrengthTrend } from "~/core/coach/warnings/index.ts";
import { addDays, type Day } from "~/core/kernel/index.ts";
import { toBinary } from "./columns.server.ts";
import { personFrom, type Person } from "./people.server.ts";
import type { Row, Scope } from "./scope.server.ts";
import { readEach } from "./set-apart.server.ts";

/** A client as the list shows them. */
export interface ListedClient {
  readonly person: Person;
  /** The day of their last session; null where they have not trained yet. */
  readonly last: Day | null;
  /** Their next planned session that is not begun. */
  readonly next: Day | null;
  /** Since when they are overdue: a planned session that went by untrained, or the last one of long ago. */
  readonly overdue: Day | null;
  readonly trend: StrengthTrend | null;
}

/** Who has trained less lately than this, and has nothing planned, is overdue. */
const AWAY_FOR = 10;
/** A session that was missed longer ago than this is no longer waited for. */
const MISSED_WITHIN = 28;

/** One page of the clients who are not archived, with how many there are in all. */
export async function clientPage(
  scope: Scope,
  asked: ClientListAsked,
  today: Day,
): Promise<{
  readonly clients: readonly ListedClient[];
  readonly found: number;
  readonly all: number;
  readonly page: number;
}> {
  const from = (table: "plans" | "people") => scope.from(table);
  const plans = () => from("plans").whereRaw("plans.person_id = people.id");
  const runOf = () =>
    scope
      .from("runs")
      .whereRaw("runs.plan_id = plans.id")
      .whereNull("runs.discarded_at")
      .select(scope.raw("1"));
  const last = () => plans().whereExists(runOf()).max("plans.day");
  const untrained = () => plans().whereNull("plans.dropped_at").whereNotExists(runOf());
  const missed = () =>
    untrained()
      .whereBetween("plans.day", [addDays(today, -MISSED_WITHIN), addDays(today, -1)])
      .max("plans.day");
  const next = () => untrained().where("plans.day", ">=", today).min("plans.day");
  const pageAt = async (page: number) => {
    const query = from("people")
      .whereNull("people.archived_at")
      .select("people.*", scope.raw("count(*) over () as found"))
      .select({ last_day: last(), missed_day: missed(), next_day: next() });
    if (asked.search !== "") {
      const like = `%${asked.search.replace(/[\\%_]/g, "\\$&")}%`;
      query.where((either) => either.where("name", "like", like).orWhere("goal", "like", like));
    }
    if (asked.show === "mine" && scope.actor.kind === "user")
      query.where({ coach_id: toBinary(scope.actor.id) });
    if (asked.show === "overdue")
      query.havingRaw(
        `missed_day is not null and (last_day is null or missed_day > last_day)
          or next_day is null and last_day < ?`,
        [addDays(today, -AWAY_FOR)],
      );
    return (await query
      .orderByRaw(ORDERS[asked.order])
      .limit(CLIENTS_A_PAGE)
      .offset((page - 1) * CLIENTS_A_PAGE)) as Row[];
  };
  const [counted, asFound] = await Promise.all([
    from("people").whereNull("people.archived_at").count({ all: "*" }).first(),
    pageAt(asked.page),
  ]);
  // A page behind the last one is the first.
  const isBehind = asFound.length === 0 && asked.page > 1;
  const rows = isBehind ? await pageAt(1) : asFound;
  return {
    clients: readEach(scope, "client", rows, (row) => listedFrom(row, today)),
    found: z.number().parse(rows[0]?.["found"] ?? 0),
    all: z.number().parse(counted?.["all"]),
    page: isBehind ? 1 : asked.page,
  };
}

/** What lies furthest back stands first, and what is unknown last; then by name. */
const ORDERS: Readonly<Record<ClientOrder, string>> = {
  name: "name, id",
  trend: "trend_share is null, trend_share, name, id",
  last: "last_day is null, last_day, name, id",
  next: "next_day is null, next_day, name, id",
};

const dayOrNull = dayColumn.nullable();

function overdueSince(
  last: Day | null,
  missed: Day | null,
  next: Day | null,
  today: Day,
): Day | null {
  if (missed !== null && (last === null || missed > last)) return missed;
  return next === null && last !== null && last < addDays(today, -AWAY_FOR) ? last : null;
}

function listedFrom(row: Row, today: Day): ListedClient {
  const last = dayOrNull.parse(row["last_day"]);
  const missed = dayOrNull.parse(row["missed_day"]);
  const next = dayOrNull.parse(row["next_day"]);
  const share = z.number().nullable().parse(row["trend_share"]);
  return {
    person: personFrom(row),
    last,
    next,
    overdue: overdueSince(last, missed, next, today),
    trend:
      share === null
        ? null
        : {
            share,
            exercises: z.number().parse(row["trend_exercises"]),
            weeks: z.number().parse(row["trend_weeks"]),
          },
  };
}
