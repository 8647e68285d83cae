import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { redirect } from "react-router";
import { revisionField } from "~/codec/person.ts";
import { allLoads } from "~/core/gym/index.ts";
import { formatAmount } from "~/format/numbers.ts";
import { describeLoading, readingMeaning } from "~/format/station.ts";
import { formatRecipe } from "~/format/training.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import {
  archiveStation,
  changeStation,
  stationHead,
  type StationHead,
} from "~/server/db/gyms.server.ts";
import type { Scope } from "~/server/db/scope.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/station.ts";
import { ArchiveForm } from "../components/archive-form.tsx";
import { Page, Section } from "../components/page.tsx";
import { stationCodec, stationDefaults, StationFields } from "../components/station-form.tsx";

async function stationIn(scope: Scope, params: Route.LoaderArgs["params"]): Promise<StationHead> {
  const head = orNotFound(await stationHead(scope, idParam<"station">(params.stationId)));
  return orNotFound(head.gymId === idParam<"gym">(params.gymId) ? head : null);
}

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  return { head: await stationIn(scope, params) };
});

export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const station = await stationIn(scope, params);
  const form = await readForm(request);
  const intent = form.get("intent");
  if (intent === "archive" || intent === "restore") {
    await archiveStation(scope, station.id, intent === "archive");
    throw redirect(`/gyms/${station.gymId}/stations/${station.id}`);
  }
  const submission = parseWithZod(form, { schema: stationCodec });
  const version = revisionField.safeParse(form.get("version"));
  if (submission.status !== "success" || !version.success) {
    return refused({ reply: submission.reply(), current: null });
  }
  const changed = await changeStation(scope, station.id, version.data, submission.value);
  if (changed.ok) throw redirect(`/gyms/${station.gymId}`);
  if (changed.error.code === "missing") throw orNotFound(null);
  const { current } = changed.error;
  return {
    reply: submission.reply({
      formErrors: [
        `Someone else saved this equipment in the meantime as “${current.name}”: ${describeLoading(current.loading)}. Yours is still in the form; saving again keeps yours as the next version.`,
      ],
    }),
    current,
  };
});

export default function StationPage({ loaderData: { head }, actionData }: Route.ComponentProps) {
  const { station } = head;
  const loads = station === null ? [] : allLoads(station.loading);
  return (
    <Page
      title={head.name}
      lead={station === null ? "Enter again how it is loaded" : readingMeaning(station.loading)}
    >
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) minmax(0,1fr)" },
          columnGap: 6,
        }}
      >
        <Section title="Loading">
          <Box sx={{ pt: 2 }}>
            {station?.isAssumed === true ? (
              <Typography sx={{ mb: 2, pl: 1.5, borderLeft: 4, borderColor: "kravo.warn" }}>
                These loads are assumed. Correct them by the machine and save; saving as they are
                says that they are right.
              </Typography>
            ) : null}
            <StationFields
              key={head.version}
              lastResult={actionData?.reply ?? null}
              defaults={{ ...stationDefaults(station), name: head.name }}
              version={actionData?.current?.version ?? head.version}
              submit="Save as the next version"
            />
            <Typography variant="body2" sx={{ mt: 4, mb: 1, color: "text.secondary" }}>
              {head.isArchived
                ? "Archived: it is offered nowhere, and sessions that use it ask for other equipment."
                : "Gone from the gym? What was logged here stays comparable; sessions that use it ask for other equipment."}
            </Typography>
            <ArchiveForm name="this equipment" isArchived={head.isArchived} />
          </Box>
        </Section>
        <Section title={`${loads.length} loads available`}>
          <Box
            sx={{ columns: 2, columnGap: 3, maxHeight: 640, overflowY: "auto", pt: 1 }}
            tabIndex={0}
            role="region"
            aria-label="Loads available"
          >
            {loads.map(({ reading, recipe }) => (
              <Box
                key={reading.thousandths}
                sx={{
                  display: "flex",
                  gap: 1.5,
                  breakInside: "avoid",
                  borderBottom: 1,
                  borderColor: "divider",
                  py: 0.25,
                }}
              >
                <Typography
                  variant="figure"
                  component="span"
                  sx={{ minWidth: 48, textAlign: "right" }}
                >
                  {formatAmount(reading)}
                </Typography>
                <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
                  {formatRecipe(recipe)}
                </Typography>
              </Box>
            ))}
          </Box>
        </Section>
      </Box>
    </Page>
  );
}
