import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Button from "@mui/material/Button";
import { Form, redirect } from "react-router";
import { resetPasswordCodec } from "~/codec/account.ts";
import { COMMON_PASSWORD, TOO_MANY_TRIES } from "~/format/account.ts";
import { hashChosen } from "~/server/auth/chosen-password.server.ts";
import { reachingDatabase } from "~/server/auth/session.server.ts";
import { requestOf } from "~/server/context.server.ts";
import { accountOf, resetPassword } from "~/server/db/accounts.server.ts";
import { grantOf } from "~/server/db/grants.server.ts";
import { countTry } from "~/server/db/tries.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import type { Route } from "./+types/new-password.ts";
import { Doorway } from "../components/doorway.tsx";
import { FieldErrors, NewPasswordInput } from "../components/field.tsx";
import { useLinkToken } from "../components/use-link-token.ts";

const CLOSED = "This link was used or is older than an hour. Ask whoever runs the server again.";

export async function action({ request, context }: Route.ActionArgs) {
  const { db, now, address } = requestOf(context);
  const submission = parseWithZod(await readForm(request), { schema: resetPasswordCodec });
  const refuse = (reply: Parameters<typeof submission.reply>[0]) =>
    refused(submission.reply({ ...reply, hideFields: ["password"] }));
  if (submission.status !== "success") return refuse({});
  const { token, password } = submission.value;
  return reachingDatabase(async () => {
    const limit = { subject: `link:${address}`, free: 30, then: "window" } as const;
    const { waitSeconds } = await countTry(db, [limit], now);
    if (waitSeconds > 0) return refuse({ formErrors: [TOO_MANY_TRIES] });
    const grant = await grantOf(db, "password", token, now);
    if (grant?.subject == null) return refuse({ formErrors: [CLOSED] });
    const account = await accountOf(db, grant.subject);
    const passwordHash = await hashChosen(password, { ...account, studioName: grant.studioName });
    if (passwordHash === null) return refuse({ fieldErrors: { password: [COMMON_PASSWORD] } });
    const isReset = await resetPassword(db, token, passwordHash, now);
    if (!isReset) return refuse({ formErrors: [CLOSED] });
    throw redirect("/sign-in");
  });
}

/** Where the link for a forgotten password leads. */
export default function NewPassword({ actionData }: Route.ComponentProps) {
  const token = useLinkToken();
  const [form, fields] = useForm<{ token: string; password: string }>({
    id: "new-password",
    lastResult: actionData ?? null,
  });
  return (
    <Doorway title="New password">
      <Form method="post" {...getFormProps(form)}>
        <FieldErrors id={form.errorId} errors={form.errors} />
        <FieldErrors id={fields.token.errorId} errors={fields.token.errors} />
        <input type="hidden" name="token" value={token} />
        <NewPasswordInput field={fields.password} label="New password" />
        <Button type="submit" variant="contained" size="large" fullWidth>
          Set password
        </Button>
      </Form>
    </Doorway>
  );
}
