import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import { redirect } from "react-router";
import { personFormCodec } from "~/codec/person.ts";
import { listCoaches } from "~/server/db/coaches.server.ts";
import { addPerson } from "~/server/db/people.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/person-new.ts";
import { Page } from "../components/page.tsx";
import { PersonFields } from "../components/person-form.tsx";

const NOBODY = {
  name: "",
  goal: "",
  level: "beginner",
  unit: "kg",
  notes: "",
  coach: null,
} as const;

export const loader = reading(async (scope) => ({ coaches: await listCoaches(scope) }));

export const action = writing(async (scope, { request }: Route.ActionArgs) => {
  const schema = personFormCodec(await listCoaches(scope));
  const submission = parseWithZod(await readForm(request), { schema });
  if (submission.status !== "success") return refused(submission.reply());
  throw redirect(`/people/${await addPerson(scope, submission.value)}`);
});

export default function NewPerson({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <Page title="Add a client">
      <Box sx={{ maxWidth: 640 }}>
        <PersonFields
          lastResult={actionData ?? null}
          person={NOBODY}
          revision={0}
          other={null}
          coaches={loaderData.coaches}
          submit="Add"
        />
      </Box>
    </Page>
  );
}
