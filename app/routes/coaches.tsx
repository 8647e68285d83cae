import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { data, Form, redirect } from "react-router";
import { coachesCodec } from "~/codec/account.ts";
import { formatOwnPasswordError } from "~/format/account.ts";
import { formatInstant } from "~/format/numbers.ts";
import { withOwnPassword } from "~/server/auth/own-password.server.ts";
import { ownerOf, signedInOf } from "~/server/auth/session.server.ts";
import { requestOf } from "~/server/context.server.ts";
import { listMembers, setMembership } from "~/server/db/coaches.server.ts";
import { deleteStudio } from "~/server/db/delete-studio.server.ts";
import { makeGrant, openInvitations, revokeGrant } from "~/server/db/grants.server.ts";
import { listGyms } from "~/server/db/gyms.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/coaches.ts";
import { Disclosure } from "../components/disclosure.tsx";
import { FieldErrors, PlainInput, TextInput } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Empty, Page, Section, Tag } from "../components/page.tsx";
import { Press } from "../components/press.tsx";

export const loader = reading(async (scope, { context }: Route.LoaderArgs) => {
  const { role, studioName, userId } = signedInOf(context);
  const [members, invitations, gyms] = await Promise.all([
    listMembers(scope),
    openInvitations(scope),
    listGyms(scope),
  ]);
  const timeZone = gyms[0]?.timeZone ?? "UTC";
  return {
    studioName,
    isOwner: role === "owner",
    members: members.map((member) => ({ ...member, isSelf: member.id === userId })),
    invitations: invitations.map(({ id, expiresAt }) => ({
      id,
      until: formatInstant(expiresAt, timeZone),
    })),
  };
});

export const action = writing(async (scope, { request, context }: Route.ActionArgs) => {
  const { userId, studioName } = ownerOf(context);
  const { db, now, environment } = requestOf(context);
  const submission = parseWithZod(await readForm(request), { schema: coachesCodec });
  const hidden = { hideFields: ["current"] };
  if (submission.status !== "success") return refused(submission.reply(hidden));
  const form = submission.value;
  switch (form.intent) {
    case "invite": {
      const token = await makeGrant(scope, "invitation", null);
      return data({ link: `${environment.PUBLIC_ORIGIN}/join#${token}` });
    }
    case "revoke":
      await revokeGrant(scope, form.grant);
      throw redirect("/coaches");
    case "remove":
    case "restore":
      await setMembership(scope, form.coach, form.intent === "restore");
      throw redirect("/coaches");
    case "deleteStudio": {
      const wrong = (fieldErrors: Record<string, string[]>) =>
        refused(submission.reply({ ...hidden, fieldErrors }));
      // Labels are written in capitals, so that their case says nothing.
      if (form.studioName.trim().toLowerCase() !== studioName.toLowerCase())
        return wrong({ studioName: [`Expected “${studioName}”, as the studio is called.`] });
      const account = await withOwnPassword({ db, now }, userId, form.current);
      if (!account.ok) return wrong({ current: [formatOwnPasswordError(account.error)] });
      await deleteStudio(db, scope.studioId);
      throw redirect("/sign-in");
    }
  }
});

/** Who coaches in the studio; inviting, removing and deleting are the owner's. */
export default function Coaches({ loaderData, actionData }: Route.ComponentProps) {
  const { studioName, isOwner, members, invitations } = loaderData;
  const link = actionData !== undefined && "link" in actionData ? actionData.link : null;
  const reply = actionData !== undefined && !("link" in actionData) ? actionData : null;
  const [form, fields] = useForm<{ studioName: string; current: string }>({
    id: "delete-studio",
    lastResult: reply,
  });
  return (
    <Page title="Coaches" lead={`Everybody here sees every client of ${studioName}.`}>
      <Section title="In the studio">
        <Ledger label="Coaches" head={["Coach", "E-mail", "Role", ""]}>
          {members.map(({ id, name, email, role, hasLeft, isSelf }) => (
            <tr key={id}>
              <th scope="row">
                {name} {isSelf ? <Tag>you</Tag> : null} {hasLeft ? <Tag>left</Tag> : null}
              </th>
              <td>{email}</td>
              <td>{role === "owner" ? "Owner" : "Coach"}</td>
              <td>
                {!isOwner || role === "owner" ? null : (
                  <Press
                    says={hasLeft ? "Restore" : "Remove"}
                    about={`${hasLeft ? "Restore" : "Remove"} ${name}`}
                    fields={{ intent: hasLeft ? "restore" : "remove", coach: id }}
                  />
                )}
              </td>
            </tr>
          ))}
        </Ledger>
      </Section>
      {isOwner ? (
        <>
          <Section
            title="Invitations"
            aside={
              <Press says="Invite a coach" fields={{ intent: "invite" }} variant="contained" />
            }
          >
            {link === null ? null : (
              <Box role="status" sx={{ py: 1.5, maxWidth: 720 }}>
                <Typography sx={{ mb: 1 }}>
                  Give this link to one coach. It works once, for a week, and is shown only now.
                </Typography>
                <PlainInput
                  readOnly
                  value={link}
                  aria-label="Invitation link"
                  onFocus={(event) => event.target.select()}
                />
              </Box>
            )}
            {invitations.length === 0 && link === null ? (
              <Empty>Nobody is invited. A second coach joins by a link that you give them.</Empty>
            ) : (
              <Ledger label="Invitations" head={["Invitation", ""]}>
                {invitations.map(({ id, until }) => (
                  <tr key={id}>
                    <td>works until {until}</td>
                    <td>
                      <Press
                        says="Revoke"
                        about={`Revoke the invitation until ${until}`}
                        fields={{ intent: "revoke", grant: id }}
                      />
                    </td>
                  </tr>
                ))}
              </Ledger>
            )}
          </Section>
          <Section title="Delete the studio">
            <Box sx={{ pt: 1 }}>
              <Disclosure summary="Delete every client, plan, log and account of this studio">
                <Form method="post" {...getFormProps(form)}>
                  <Box sx={{ maxWidth: 420, pt: 1 }}>
                    <Typography sx={{ mb: 1.5 }}>
                      This cannot be taken back. What devices still hold is not taken in any more.
                    </Typography>
                    <FieldErrors id={form.errorId} errors={form.errors} />
                    <input type="hidden" name="intent" value="deleteStudio" />
                    <TextInput field={fields.studioName} label={`To be sure, type ${studioName}`} />
                    <TextInput
                      field={fields.current}
                      label="Current password"
                      type="password"
                      autoComplete="current-password"
                    />
                    <Button type="submit" variant="outlined">
                      Delete the studio
                    </Button>
                  </Box>
                </Form>
              </Disclosure>
            </Box>
          </Section>
        </>
      ) : (
        <Typography>Inviting and removing coaches is the owner’s.</Typography>
      )}
    </Page>
  );
}
