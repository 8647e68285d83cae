import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import { redirect } from "react-router";
import { personFormCodec } from "~/codec/person.ts";
import { scopeOf } from "~/server/auth/session.server.ts";
import { addPerson } from "~/server/db/people.server.ts";
import type { Route } from "./+types/person-new.ts";
import { Page } from "../components/page.tsx";
import { PersonFields } from "../components/person-form.tsx";

const NOBODY = { name: "", goal: "", level: "beginner", unit: "kg", notes: "" } as const;

export async function action({ request, context }: Route.ActionArgs) {
  const submission = parseWithZod(await request.formData(), { schema: personFormCodec });
  if (submission.status !== "success") return submission.reply();
  throw redirect(`/people/${await addPerson(scopeOf(context), submission.value)}`);
}

export default function NewPerson({ actionData }: Route.ComponentProps) {
  return (
    <Page title="Add a person">
      <Box sx={{ maxWidth: 640 }}>
        <PersonFields
          lastResult={actionData ?? null}
          person={NOBODY}
          revision={0}
          other={null}
          submit="Add"
        />
      </Box>
    </Page>
  );
}
