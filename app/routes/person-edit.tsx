import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, redirect } from "react-router";
import { eraseCodec, personFormCodec, revisionField } from "~/codec/person.ts";
import { formatOwnPasswordError } from "~/format/account.ts";
import { withOwnPassword } from "~/server/auth/own-password.server.ts";
import { idParam, orNotFound, ownerOf, signedInOf } from "~/server/auth/session.server.ts";
import { requestOf } from "~/server/context.server.ts";
import { listCoaches } from "~/server/db/coaches.server.ts";
import { archivePerson, changePerson, erasePerson, getPerson } from "~/server/db/people.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/person-edit.ts";
import { ArchiveForm } from "../components/archive-form.tsx";
import { FieldErrors, Labelled, PlainInput } from "../components/field.tsx";
import { Page, Section } from "../components/page.tsx";
import { PersonFields } from "../components/person-form.tsx";

export const loader = reading(async (scope, { params, context }: Route.LoaderArgs) => {
  const person = orNotFound(await getPerson(scope, idParam<"person">(params.personId)));
  return {
    person,
    coaches: await listCoaches(scope),
    isOwner: signedInOf(context).role === "owner",
  };
});

export const action = writing(async (scope, { request, params, context }: Route.ActionArgs) => {
  const id = idParam<"person">(params.personId);
  orNotFound(await getPerson(scope, id));
  const form = await readForm(request);
  const intent = form.get("intent");
  if (intent === "archive" || intent === "restore") {
    await archivePerson(scope, id, intent === "archive");
    throw redirect(`/people/${id}`);
  }
  if (intent === "erase") {
    const { userId } = ownerOf(context);
    const { db, now } = requestOf(context);
    const asked = eraseCodec.safeParse(Object.fromEntries(form));
    const no = (problem: string) => refused({ kind: "notErased" as const, problem });
    if (!asked.success) return no(asked.error.issues[0]?.message ?? "");
    const account = await withOwnPassword({ db, now }, userId, asked.data.current);
    if (!account.ok) return no(formatOwnPasswordError(account.error));
    await erasePerson(scope, id);
    throw redirect("/people");
  }
  const submission = parseWithZod(form, { schema: personFormCodec(await listCoaches(scope)) });
  const revision = revisionField.safeParse(form.get("revision"));
  if (submission.status !== "success" || !revision.success) {
    return refused({ kind: "reply" as const, reply: submission.reply(), other: null });
  }
  const changed = await changePerson(scope, id, revision.data, submission.value);
  if (changed.ok) throw redirect(`/people/${id}`);
  if (changed.error.code === "missing") throw orNotFound(null);
  return {
    kind: "reply" as const,
    reply: submission.reply({
      formErrors: [
        "Someone else saved this client in the meantime. Their values stand at the fields that differ; yours are still in the form. Saving again keeps yours.",
      ],
    }),
    other: changed.error.current,
  };
});

/** Name, goal, level, units and notes of a client; archiving and erasing. */
export default function EditPerson({ loaderData, actionData }: Route.ComponentProps) {
  const { person, coaches, isOwner } = loaderData;
  const result = actionData?.kind === "reply" ? actionData : null;
  const other = result?.other ?? null;
  return (
    <Page
      title={`Edit ${person.name}`}
      heading="Edit client"
      lead={<Link to={`/people/${person.id}`}>{person.name}</Link>}
    >
      <Box sx={{ maxWidth: 640 }}>
        <PersonFields
          key={`${person.revision}`}
          lastResult={result?.reply ?? null}
          person={person}
          revision={other?.revision ?? person.revision}
          other={other}
          coaches={coaches}
          submit="Save"
        />
      </Box>
      <Box sx={{ mt: 5 }}>
        <Section title="Archive">
          <Typography sx={{ py: 2, maxWidth: "65ch" }}>
            {person.isArchived
              ? "Archived: hidden from Today and every list. Nothing is lost."
              : "Hides this client from Today and every list. Nothing is lost, and it can be undone."}
          </Typography>
          <ArchiveForm name={person.name} isArchived={person.isArchived} />
        </Section>
      </Box>
      <Section title="Erase">
        {isOwner ? (
          <Form method="post">
            <Typography sx={{ py: 2, maxWidth: "65ch" }}>
              Removes {person.name} with every plan and every logged set, for good. A device that
              still holds unsent sets is refused afterwards.
            </Typography>
            <Box sx={{ maxWidth: 320 }}>
              <Labelled id="erase-password" label="Current password">
                <PlainInput
                  id="erase-password"
                  name="current"
                  type="password"
                  autoComplete="current-password"
                  required
                />
              </Labelled>
            </Box>
            <Box component="label" sx={{ display: "block", mb: 1.5 }}>
              <input type="checkbox" name="confirm" value="erase" required /> I understand that this
              cannot be undone.
            </Box>
            <FieldErrors
              id="erase-error"
              errors={actionData?.kind === "notErased" ? [actionData.problem] : undefined}
            />
            <Button type="submit" name="intent" value="erase" variant="outlined" color="error">
              Erase {person.name}
            </Button>
          </Form>
        ) : (
          <Typography sx={{ py: 2 }}>Only the owner of the studio can erase a client.</Typography>
        )}
      </Section>
    </Page>
  );
}
