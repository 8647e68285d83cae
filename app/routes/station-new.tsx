import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import { redirect } from "react-router";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import { addStation, getGym } from "~/server/db/gyms.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/station-new.ts";
import { Page } from "../components/page.tsx";
import { stationCodec, stationDefaults, StationFields } from "../components/station-form.tsx";

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  return { gym: orNotFound(await getGym(scope, idParam<"gym">(params.gymId))) };
});

export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const gym = orNotFound(await getGym(scope, idParam<"gym">(params.gymId)));
  const submission = parseWithZod(await readForm(request), { schema: stationCodec });
  if (submission.status !== "success") return refused(submission.reply());
  await addStation(scope, gym.id, submission.value);
  throw redirect(`/gyms/${gym.id}`);
});

const DEFAULTS = stationDefaults(null);

export default function NewStation({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <Page title="Add equipment" lead={loaderData.gym.name}>
      <Box sx={{ maxWidth: 680 }}>
        <StationFields
          lastResult={actionData ?? null}
          defaults={DEFAULTS}
          version={0}
          submit="Add"
        />
      </Box>
    </Page>
  );
}
