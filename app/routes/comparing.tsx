import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Form, Link, data, redirect, useSearchParams } from "react-router";
import { comparingFormCodec, withdrawComparingCodec } from "~/codec/comparing.ts";
import { lastKey, lastPlanned, OVERRULED } from "~/core/log/index.ts";
import { CONDITION_NAMES, formatCondition } from "~/format/comparing.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { historyOf } from "~/server/coaching/history.server.ts";
import { comparingOf, sayComparing, withdrawComparing } from "~/server/db/comparing.server.ts";
import { listStations } from "~/server/db/gyms.server.ts";
import { catalogueFor } from "~/server/db/movements.server.ts";
import { getPerson } from "~/server/db/people.server.ts";
import { readForm } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/comparing.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { FieldErrors, Labelled, PlainInput, Select } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Empty, Page, Section } from "../components/page.tsx";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  const person = orNotFound(await getPerson(scope, idParam<"person">(params.personId)));
  const [history, stations, said] = await Promise.all([
    historyOf(scope, person.id),
    listStations(scope, undefined, "all"),
    comparingOf(scope, person.id),
  ]);
  const nameOf = (id: string) => stations.find((station) => station.id === id)?.name ?? null;
  return {
    person,
    trained: [...lastPlanned(history).values()].map(({ slot: { movement, station } }) => ({
      key: lastKey(movement, station),
      movement,
      station: nameOf(station) ?? "equipment that is gone",
    })),
    said: said.map(({ station, ...one }) => ({
      ...one,
      station: station === null ? null : nameOf(station),
    })),
  };
});

export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const person = orNotFound(await getPerson(scope, idParam<"person">(params.personId)));
  const fields = Object.fromEntries(await readForm(request));
  const withdrawn = withdrawComparingCodec.safeParse(fields);
  if (withdrawn.success) {
    await withdrawComparing(scope, withdrawn.data.withdraw);
    throw redirect(`/people/${person.id}/comparing`);
  }
  const read = comparingFormCodec.safeParse(fields);
  const [stations, catalogue] = await Promise.all([
    listStations(scope, undefined, "all"),
    catalogueFor(scope),
  ]);
  const refuse = (problem: string) => data({ problem }, { status: 400 });
  if (!read.success) return refuse(read.error.issues[0]?.message ?? "This was not understood.");
  const exercise = catalogue.find(read.data.movement);
  if (exercise === null || !stations.some(({ id }) => id === read.data.station))
    return refuse("Choose an exercise and what does not matter.");
  const { parameter } = read.data;
  if (parameter !== null && !exercise.setUp.some(({ name }) => name === parameter))
    return refuse(`${exercise.name} has no set-up called “${parameter}”. Choose another.`);
  const { equipment, who, reason, station, ...said } = read.data;
  await sayComparing(
    scope,
    {
      ...said,
      station: equipment === "all" ? null : station,
      person: who === "all" ? null : person.id,
    },
    reason,
  );
  throw redirect(`/people/${person.id}/comparing`);
});

/** What a coach says does not matter when sessions of an exercise are compared. */
export default function ComparingPage({ loaderData, actionData }: Route.ComponentProps) {
  const { person, trained, said } = loaderData;
  const { find } = useCatalogue();
  const [search] = useSearchParams();
  const [at, setAt] = useState(search.get("at") ?? trained[0]?.key ?? "");
  const movement = trained.find(({ key }) => key === at)?.movement;
  const parameters = (movement === undefined ? null : find(movement))?.setUp ?? [];
  return (
    <Page
      title={`Comparing: ${person.name}`}
      heading="Comparing"
      lead={
        <>
          <Link to={`/people/${person.id}`}>{person.name}</Link> · what does not matter when
          sessions are compared
        </>
      }
    >
      <Section title="Does not matter">
        {said.length === 0 ? (
          <Empty>Everything counts: another stance, rest or tempo is another condition.</Empty>
        ) : (
          <Ledger label="What does not matter" head={["Exercise", "Condition", "For", "Why", ""]}>
            {said.map((one) => (
              <tr key={one.id}>
                <th scope="row">
                  {find(one.movement)?.name ?? one.movement}
                  <Typography variant="body2" sx={{ color: "text.secondary" }}>
                    {one.station ?? "all equipment"}
                  </Typography>
                </th>
                <td>{formatCondition(one)}</td>
                <td>{one.person === null ? "all clients" : person.name}</td>
                <td>{one.reason}</td>
                <td>
                  <Form method="post">
                    <Button type="submit" name="withdraw" value={one.id} size="small">
                      Count it again
                    </Button>
                  </Form>
                </td>
              </tr>
            ))}
          </Ledger>
        )}
      </Section>
      <Section title="Add">
        {trained.length === 0 ? (
          <Empty>Nothing is logged yet, so there is nothing to compare.</Empty>
        ) : (
          <Form method="post">
            <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", pt: 2 }}>
              <Box sx={{ flexGrow: 1, minWidth: 240 }}>
                <Labelled id="at" label="Exercise">
                  <Select id="at" name="at" value={at} onChange={(e) => setAt(e.target.value)}>
                    {trained.map(({ key, movement: ref, station }) => (
                      <option key={key} value={key}>
                        {find(ref)?.name ?? ref}, {station}
                      </option>
                    ))}
                  </Select>
                </Labelled>
              </Box>
              <Box sx={{ minWidth: 230 }}>
                <Labelled id="condition" label="Does not matter">
                  <Select id="condition" name="condition" defaultValue="rest">
                    {parameters.map(({ name }) => (
                      <option key={name} value={`setUp:${name}`}>
                        Set-up: {name.toLowerCase()}
                      </option>
                    ))}
                    {OVERRULED.filter((condition) => condition !== "setUp").map((condition) => (
                      <option key={condition} value={condition}>
                        {CONDITION_NAMES[condition]}
                      </option>
                    ))}
                  </Select>
                </Labelled>
              </Box>
              <Labelled id="equipment" label="On">
                <Select id="equipment" name="equipment" defaultValue="this">
                  <option value="this">this equipment</option>
                  <option value="all">all equipment</option>
                </Select>
              </Labelled>
              <Labelled id="who" label="For">
                <Select id="who" name="who" defaultValue="this">
                  <option value="this">{person.name}</option>
                  <option value="all">all clients</option>
                </Select>
              </Labelled>
            </Box>
            <Box sx={{ maxWidth: 640 }}>
              <Labelled id="reason" label="Why">
                <PlainInput id="reason" name="reason" maxLength={500} />
              </Labelled>
            </Box>
            <FieldErrors
              id="comparing-error"
              errors={actionData === undefined ? undefined : [actionData.problem]}
            />
            <Button type="submit" variant="contained">
              Leave it out
            </Button>
          </Form>
        )}
      </Section>
    </Page>
  );
}
