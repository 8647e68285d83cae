import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link } from "react-router";
import { z } from "zod";
import { plannedDayField } from "~/codec/days.ts";
import { dayAt, parseMass, type Day } from "~/core/kernel/index.ts";
import { formatSetsDone } from "~/format/exposure.ts";
import { formatAmount, formatDay, formatMass } from "~/format/numbers.ts";
import { formatArrival, formatArrivalBecause, formatNoProjection } from "~/format/when.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { whenFor } from "~/server/coaching/when.server.ts";
import { getPerson } from "~/server/db/people.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/when.ts";
import { DayInput } from "../components/day-input.tsx";
import { useCatalogue } from "../components/catalogue.ts";
import { FieldErrors, Labelled, PlainInput, Select } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Empty, Page } from "../components/page.tsx";

/** What the address asks; what cannot be read counts as not asked, but for the load, which is answered. */
const asked = (today: Day) =>
  z.object({
    at: z.string().max(200).catch(""),
    load: z.string().max(20).catch(""),
    by: plannedDayField(today).nullable().catch(null),
  });

export const loader = reading(async (scope, { params, request }: Route.LoaderArgs) => {
  const person = orNotFound(await getPerson(scope, idParam<"person">(params.personId)));
  const query = asked(dayAt(scope.now, "UTC")).parse(
    Object.fromEntries(new URL(request.url).searchParams),
  );
  const { exercises, ask } = await whenFor(scope, person.id);
  const chosen = exercises.find(({ key }) => key === query.at) ?? exercises[0] ?? null;
  const load =
    chosen === null || query.load.trim() === ""
      ? null
      : parseMass(query.load, chosen.station.loading.unit);
  return {
    person,
    query,
    chosen: chosen?.key ?? null,
    isLoad: load === null || load.ok,
    answer: chosen === null || !load?.ok ? null : ask(chosen, load.value, query.by),
    askable: exercises.map(({ key, slot, station, last }) => ({
      key,
      movement: slot.movement,
      station: station.name,
      unit: station.loading.unit,
      last,
    })),
  };
});

/** "When 140?": when a load of an exercise will be trained, at this client's rate and in the steps that there are. */
export default function WhenPage({ loaderData }: Route.ComponentProps) {
  const { person, query, chosen, isLoad, answer, askable } = loaderData;
  const { find } = useCatalogue();
  const own = askable.find(({ key }) => key === chosen);
  return (
    <Page
      title={`Project a load: ${person.name}`}
      heading="Project a load"
      lead={
        <>
          <Link to={`/people/${person.id}`}>{person.name}</Link> · at the rate so far and in the
          steps the equipment makes; a projection, not a promise
        </>
      }
    >
      {own === undefined ? (
        <Empty>Nothing is logged yet. Four sessions of an exercise give a rate.</Empty>
      ) : (
        <>
          <Form>
            <Box
              sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "end", maxWidth: 900 }}
            >
              <Box sx={{ flexGrow: 1, minWidth: 260 }}>
                <Labelled id="at" label="Exercise">
                  <Select id="at" name="at" defaultValue={own.key}>
                    {askable.map(({ key, movement, station }) => (
                      <option key={key} value={key}>
                        {find(movement)?.name ?? movement}, {station}
                      </option>
                    ))}
                  </Select>
                </Labelled>
              </Box>
              <Box sx={{ width: 130 }}>
                <Labelled id="load" label={`Load, ${own.unit}`}>
                  <PlainInput
                    id="load"
                    name="load"
                    inputMode="decimal"
                    defaultValue={query.load}
                    aria-invalid={!isLoad}
                    aria-describedby={isLoad ? undefined : "load-error"}
                  />
                </Labelled>
              </Box>
              <Box sx={{ width: 190 }}>
                <Labelled id="by" label="Load by a date (optional)">
                  <DayInput id="by" name="by" defaultValue={query.by ?? ""} />
                </Labelled>
              </Box>
              <Button type="submit" variant="contained" sx={{ mb: 2 }}>
                Ask
              </Button>
            </Box>
            <FieldErrors
              id="load-error"
              errors={
                isLoad ? undefined : [`“${query.load}” is no load. Expected a number, such as 140.`]
              }
            />
          </Form>
          <Typography sx={{ my: 2, color: "text.secondary" }}>
            Last: {formatSetsDone(own.last.sets)}, {formatDay(own.last.day)}
          </Typography>
          {answer === null ? null : answer.answer.ok ? (
            <>
              <Typography variant="figure" component="p" sx={{ fontSize: "2.2rem", mb: 1 }}>
                {formatMass(answer.answer.value.reading)}:{" "}
                {formatArrival(answer.answer.value, answer.from)}
              </Typography>
              <Box component="ul" sx={{ m: 0, mb: 3, pl: 2.25, maxWidth: "75ch" }}>
                {formatArrivalBecause(answer.answer.value, answer.from).map((text) => (
                  <li key={text}>{text}</li>
                ))}
              </Box>
              <Box sx={{ maxWidth: 460 }}>
                <Ledger label="Likely loads" head={["By", "Likely load"]}>
                  {answer.ahead.map(({ day, reading: likely }) => (
                    <tr key={day}>
                      <th scope="row" className="figure">
                        {formatDay(day)}
                      </th>
                      <td className="figure">
                        {formatAmount(likely)} {likely.unit}
                      </td>
                    </tr>
                  ))}
                </Ledger>
              </Box>
            </>
          ) : (
            <Typography sx={{ fontSize: "1.15rem", maxWidth: "65ch" }}>
              {formatNoProjection(answer.answer.error)}
            </Typography>
          )}
        </>
      )}
    </Page>
  );
}
