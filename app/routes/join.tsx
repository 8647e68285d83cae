import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link } from "react-router";
import { joinCodec } from "~/codec/account.ts";
import { COMMON_PASSWORD, TOO_MANY_TRIES } from "~/format/account.ts";
import { hashChosen } from "~/server/auth/chosen-password.server.ts";
import { reachingDatabase, signInAs } from "~/server/auth/session.server.ts";
import { requestOf } from "~/server/context.server.ts";
import { joinByInvitation } from "~/server/db/accounts.server.ts";
import { grantOf } from "~/server/db/grants.server.ts";
import { countTry } from "~/server/db/tries.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import type { Route } from "./+types/join.ts";
import { Doorway } from "../components/doorway.tsx";
import { FieldErrors, NewPasswordInput, TextInput } from "../components/field.tsx";
import { useLinkToken } from "../components/use-link-token.ts";

const CLOSED = "This invitation was used, revoked, or is older than a week. Ask for a new one.";

export async function action({ request, context }: Route.ActionArgs) {
  const { db, now, address } = requestOf(context);
  const submission = parseWithZod(await readForm(request), { schema: joinCodec });
  const refuse = (reply: Parameters<typeof submission.reply>[0]) =>
    refused(submission.reply({ ...reply, hideFields: ["password"] }));
  if (submission.status !== "success") return refuse({});
  const { token, password, ...user } = submission.value;
  return reachingDatabase(async () => {
    const limit = { subject: `link:${address}`, free: 30, then: "window" } as const;
    const { waitSeconds } = await countTry(db, [limit], now);
    if (waitSeconds > 0) return refuse({ formErrors: [TOO_MANY_TRIES] });
    const grant = await grantOf(db, "invitation", token, now);
    if (grant === null) return refuse({ formErrors: [CLOSED] });
    const passwordHash = await hashChosen(password, { ...user, studioName: grant.studioName });
    if (passwordHash === null) return refuse({ fieldErrors: { password: [COMMON_PASSWORD] } });
    const joined = await joinByInvitation(db, token, { ...user, passwordHash }, now);
    if (joined.ok) return signInAs(context, request, joined.value, "/");
    return joined.error.code === "closed"
      ? refuse({ formErrors: [CLOSED] })
      : refuse({
          fieldErrors: {
            email: ["This address has an account already. An account belongs to one studio."],
          },
        });
  });
}

/** Where an invitation leads: a coach makes an account in the studio that invited them. */
export default function Join({ actionData }: Route.ComponentProps) {
  const token = useLinkToken();
  const [form, fields] = useForm<{
    token: string;
    displayName: string;
    email: string;
    password: string;
  }>({ id: "join", lastResult: actionData ?? null });
  return (
    <Doorway title="Join a studio">
      <Form method="post" {...getFormProps(form)}>
        <FieldErrors id={form.errorId} errors={form.errors} />
        <FieldErrors id={fields.token.errorId} errors={fields.token.errors} />
        <input type="hidden" name="token" value={token} />
        <TextInput field={fields.displayName} label="Your name" autoComplete="name" />
        <TextInput field={fields.email} label="E-mail" type="email" autoComplete="username" />
        <NewPasswordInput field={fields.password} />
        <Button type="submit" variant="contained" size="large" fullWidth>
          Join
        </Button>
      </Form>
      <Typography sx={{ mt: 3 }}>
        You have an account? <Link to="/sign-in">Sign in</Link>
      </Typography>
    </Doorway>
  );
}
