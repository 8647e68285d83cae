import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { plural } from "~/format/numbers.ts";
import { LEVEL_NAMES } from "~/format/training.ts";
import { listCoaches } from "~/server/db/coaches.server.ts";
import { listPeople } from "~/server/db/people.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/people.ts";
import { ArchiveForm } from "../components/archive-form.tsx";
import { Disclosure } from "../components/disclosure.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Empty, Page } from "../components/page.tsx";

export const loader = reading(async (scope) => {
  const [people, archived, coaches] = await Promise.all([
    listPeople(scope),
    listPeople(scope, "archived"),
    listCoaches(scope),
  ]);
  return { people, archived, coaches };
});

export default function People({
  loaderData: { people, archived, coaches },
}: Route.ComponentProps) {
  const hasOthers = coaches.length > 1;
  return (
    <Page
      title="Clients"
      lead={plural(people.length, "client")}
      actions={
        <Button component={Link} to="/people/new" variant="contained">
          Add a client
        </Button>
      }
    >
      {people.length === 0 ? (
        <Empty>No clients yet. Add the first one, then plan their first session.</Empty>
      ) : (
        <Ledger
          label="Clients"
          head={["Name", "Goal", "Level", ...(hasOthers ? ["Coach"] : []), "Units", ""]}
        >
          {people.map((person) => (
            <tr key={person.id}>
              <th scope="row">
                <Link to={`/people/${person.id}`}>{person.name}</Link>
              </th>
              <td>{person.goal}</td>
              <td>{LEVEL_NAMES[person.level]}</td>
              {hasOthers ? (
                <td>{coaches.find(({ id }) => id === person.coach)?.name ?? "–"}</td>
              ) : null}
              <td className="figure">{person.unit}</td>
              <td>
                <Link
                  to={`/plans/new?person=${person.id}`}
                  aria-label={`Plan a session for ${person.name}`}
                >
                  Plan a session
                </Link>
              </td>
            </tr>
          ))}
        </Ledger>
      )}
      {archived.length === 0 ? null : (
        <Disclosure dense summary={`${archived.length} archived`}>
          {archived.map(({ id, name }) => (
            <Box key={id} sx={{ display: "flex", gap: 2, alignItems: "center", py: 0.5 }}>
              <Link to={`/people/${id}`}>{name}</Link>
              <ArchiveForm name={name} isArchived at={`/people/${id}`} />
            </Box>
          ))}
        </Disclosure>
      )}
    </Page>
  );
}
