import { Link } from "react-router";
import { instant } from "~/core/kernel/index.ts";
import { formatChange } from "~/format/changes.ts";
import { formatInstant } from "~/format/numbers.ts";
import { changesBefore, CHANGES_SHOWN } from "~/server/db/changes.server.ts";
import { listGyms } from "~/server/db/gyms.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/changes.ts";
import { Ledger } from "../components/ledger.tsx";
import { Empty, Page } from "../components/page.tsx";

export const loader = reading(async (scope, { request }: Route.LoaderArgs) => {
  const asked = Number(new URL(request.url).searchParams.get("before"));
  const before = Number.isSafeInteger(asked) && asked > 0 ? instant(asked) : instant(scope.now + 1);
  const [changes, gyms] = await Promise.all([changesBefore(scope, before), listGyms(scope)]);
  const timeZone = gyms[0]?.timeZone ?? "UTC";
  return {
    changes: changes.map(({ at, ...change }) => ({ ...change, when: formatInstant(at, timeZone) })),
    older: changes.length < CHANGES_SHOWN ? null : (changes.at(-1)?.at ?? null),
  };
});

/** Who changed what, the latest first. */
export default function Changes({ loaderData: { changes, older } }: Route.ComponentProps) {
  return (
    <Page title="Changes" lead="Who planned, changed and decided what. Sets are in their sessions.">
      {changes.length === 0 ? (
        <Empty>Nothing was changed yet.</Empty>
      ) : (
        <Ledger label="Changes" head={["When", "Who", "What", "Client"]}>
          {changes.map(({ when, by, client, ...change }, i) => (
            <tr key={i}>
              <td>{when}</td>
              <th scope="row">{by ?? "Kravo"}</th>
              <td>{formatChange(change)}</td>
              <td>
                {client === null ? "" : <Link to={`/people/${client.id}`}>{client.name}</Link>}
              </td>
            </tr>
          ))}
        </Ledger>
      )}
      {older === null ? null : (
        <p>
          <Link to={`/changes?before=${older}`}>Older changes</Link>
        </p>
      )}
    </Page>
  );
}
