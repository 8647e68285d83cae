import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, useSearchParams } from "react-router";
import { bodyWeightOf } from "~/core/person/index.ts";
import { lastKey, seriesOf } from "~/core/log/index.ts";
import {
  EQUATIONS,
  EQUATION_SOURCES,
  strengthTable,
  type StrengthRecord,
  strengthRecordsOf,
} from "~/core/progress/index.ts";
import { formatDay, formatAmount } from "~/format/numbers.ts";
import { EQUATION_NAMES, formatKnown } from "~/format/strength.ts";
import { formatRir } from "~/format/training.ts";
import { readingMeaning } from "~/format/station.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { historyOf } from "~/server/coaching/history.server.ts";
import { listStations, studioDay } from "~/server/db/gyms.server.ts";
import { listMeasurements } from "~/server/db/measurements.server.ts";
import { strengthRules } from "~/server/db/strength-rules.server.ts";
import { getPerson } from "~/server/db/people.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/strength.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { Labelled, Select } from "../components/field.tsx";
import { Empty, Page } from "../components/page.tsx";

export const loader = reading(async (scope, { params, request }: Route.LoaderArgs) => {
  const person = orNotFound(await getPerson(scope, idParam<"person">(params.personId)));
  const asked = new URL(request.url).searchParams.get("equation");
  const [history, measurements, stations, { rules }] = await Promise.all([
    historyOf(scope, person.id),
    listMeasurements(scope, person.id),
    listStations(scope, undefined, "all"),
    strengthRules(scope),
  ]);
  const equation = EQUATIONS.find((e) => e === asked) ?? rules.equation;
  const bodyWeight = bodyWeightOf(measurements, await studioDay(scope));
  const strengthRecords = strengthRecordsOf(seriesOf(history), bodyWeight, { ...rules, equation });
  return { person, equation, bodyWeight, strengthRecords, stations };
});

/** What a person can be expected to lift for reps and reserve, by movement and station; to look at and to print. */
export default function Strength({ loaderData }: Route.ComponentProps) {
  const { person, equation, bodyWeight, strengthRecords, stations } = loaderData;
  const { find } = useCatalogue();
  const [search] = useSearchParams();
  const nameOf = (known: StrengthRecord) => {
    const station = stations.find((s) => s.id === known.station);
    return `${find(known.movement)?.name ?? known.movement}, ${station?.name ?? "equipment that is gone"}`;
  };
  const all = Object.values(strengthRecords).sort(
    (a, b) =>
      Number(b.maximum !== null) - Number(a.maximum !== null) || (nameOf(a) < nameOf(b) ? -1 : 1),
  );
  const known = all.find((k) => lastKey(k.movement, k.station) === search.get("at")) ?? all[0];
  const station = stations.find((s) => s.id === known?.station);
  return (
    <Page
      title={`Rep-max table: ${person.name}`}
      heading="Rep-max table"
      lead={
        <>
          <Link to={`/people/${person.id}`}>{person.name}</Link> · from logged sets; an estimate,
          not a test
        </>
      }
      actions={
        <Button variant="outlined" className="not-printed" onClick={() => window.print()}>
          Print
        </Button>
      }
    >
      {known === undefined || station === undefined ? (
        <Empty>
          Nothing is logged yet. A set of at most 15 reps with its RIR gives an estimate.
        </Empty>
      ) : (
        <>
          <Form className="not-printed" onChange={(event) => event.currentTarget.requestSubmit()}>
            <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
              <Box sx={{ flexGrow: 1, maxWidth: 460 }}>
                <Labelled id="at" label="Exercise and equipment">
                  <Select id="at" name="at" defaultValue={lastKey(known.movement, known.station)}>
                    {all.map((k) => (
                      <option
                        key={lastKey(k.movement, k.station)}
                        value={lastKey(k.movement, k.station)}
                      >
                        {nameOf(k)}
                        {k.maximum === null ? " (no estimate)" : ""}
                      </option>
                    ))}
                  </Select>
                </Labelled>
              </Box>
              <Labelled id="equation" label="Equation">
                <Select id="equation" name="equation" defaultValue={equation}>
                  {EQUATIONS.map((e) => (
                    <option key={e} value={e}>
                      {EQUATION_NAMES[e]}
                    </option>
                  ))}
                </Select>
              </Labelled>
            </Box>
          </Form>
          <Typography variant="h2">{nameOf(known)}</Typography>
          <Typography sx={{ mb: 1 }}>
            {formatKnown(known) ?? "Nothing can be estimated yet"} · last trained{" "}
            {formatDay(known.lastDay)}
          </Typography>
          <TableOf known={known} loaderData={loaderData} />
          <Typography variant="body2" sx={{ color: "text.secondary", mt: 2, maxWidth: 720 }}>
            Each cell is the nearest load available ({station.loading.unit}
            {", "}
            {readingMeaning(station.loading)}). {EQUATION_SOURCES[equation]}.{" "}
            {known.curve.sets === 0
              ? "The curve is the general one: no session has two sets to compare."
              : `The curve leans on ${known.curve.sets} sets of this client; fewer sets lean more on the general one.`}{" "}
            {bodyWeight === null ? "Body weight is not recorded. " : ""}Far from the reps that were
            done it is less sure; stricter repetitions need less, by the{" "}
            <Link to="/strength-rules">rule of the studio</Link>.
          </Typography>
        </>
      )}
    </Page>
  );
}

function TableOf({
  known,
  loaderData: { stations, bodyWeight, equation },
}: {
  readonly known: StrengthRecord;
  readonly loaderData: Route.ComponentProps["loaderData"];
}) {
  const station = stations.find((s) => s.id === known.station);
  if (station === undefined) return null;
  const rows = strengthTable(known, station.loading, bodyWeight, equation);
  if (rows.length === 0) return null;
  return (
    <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label="Loads">
      <Box
        component="table"
        sx={{
          borderCollapse: "collapse",
          fontFamily: (t) => t.typography.figure.fontFamily,
          fontVariantNumeric: "tabular-nums",
          fontSize: "1.15rem",
          "& th, & td": {
            px: 2,
            py: 0.4,
            textAlign: "right",
            borderBottom: 1,
            borderColor: "divider",
          },
          "& tbody tr:nth-of-type(5n) > *": { borderColor: "kravo.ink" },
        }}
      >
        <thead>
          <tr>
            <th scope="col">Reps</th>
            {([0, 1, 2, 3, 4] as const).map((left) => (
              <th key={left} scope="col">
                {formatRir(left)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i}>
              <th scope="row">{i + 1}</th>
              {row.map((cell, left) => (
                <td key={left} title={cell === null ? "" : rangeOf(cell.total)}>
                  {cell?.made == null ? "–" : formatAmount(cell.made.reading)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}

const rangeOf = (total: {
  low: Parameters<typeof formatAmount>[0];
  high: Parameters<typeof formatAmount>[0];
}) => `total ${formatAmount(total.low)} to ${formatAmount(total.high)} ${total.low.unit}`;
