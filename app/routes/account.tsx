import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, redirect, useSearchParams } from "react-router";
import { accountCodec } from "~/codec/account.ts";
import { COMMON_PASSWORD, formatOwnPasswordError } from "~/format/account.ts";
import { formatInstant } from "~/format/numbers.ts";
import { hashChosen } from "~/server/auth/chosen-password.server.ts";
import { withOwnPassword } from "~/server/auth/own-password.server.ts";
import { reachingDatabase, signedInOf, tokenOf } from "~/server/auth/session.server.ts";
import { requestOf } from "~/server/context.server.ts";
import {
  accountOf,
  changePassword,
  closeSignIns,
  openSignIns,
} from "~/server/db/accounts.server.ts";
import { listGyms } from "~/server/db/gyms.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/account.ts";
import { FieldErrors, NewPasswordInput, TextInput } from "../components/field.tsx";
import { Ledger } from "../components/ledger.tsx";
import { Page, Section, Tag } from "../components/page.tsx";
import { Press } from "../components/press.tsx";

export const loader = reading(async (scope, { request, context }: Route.LoaderArgs) => {
  const own = requestOf(context);
  const { userId, studioName, role } = signedInOf(context);
  const token = (await tokenOf(own, request)) ?? "";
  const [account, signIns, gyms] = await Promise.all([
    accountOf(own.db, userId),
    openSignIns(own.db, userId, token, own.now),
    listGyms(scope),
  ]);
  const timeZone = gyms[0]?.timeZone ?? "UTC";
  return {
    name: account.displayName,
    email: account.email,
    studioName,
    role,
    signIns: signIns.map(({ since, device, ...rest }) => ({
      ...rest,
      device: device === "" ? "Unknown device" : device,
      since: formatInstant(since, timeZone),
    })),
  };
});

export async function action({ request, context }: Route.ActionArgs) {
  const own = requestOf(context);
  const { userId, studioName } = signedInOf(context);
  const submission = parseWithZod(await readForm(request), { schema: accountCodec });
  const hidden = { hideFields: ["current", "password"] };
  if (submission.status !== "success") return refused(submission.reply(hidden));
  const form = submission.value;
  return reachingDatabase(async () => {
    const token = await tokenOf(own, request);
    switch (form.intent) {
      case "signOut":
        await closeSignIns(own.db, userId, { key: form.key });
        throw redirect("/account");
      case "signOutElsewhere":
        await closeSignIns(own.db, userId, { allBut: token });
        throw redirect("/account?signed-out");
      case "password": {
        const wrong = (errors: Record<string, string[]>) =>
          refused(submission.reply({ ...hidden, fieldErrors: errors }));
        const account = await withOwnPassword(own, userId, form.current);
        if (!account.ok) return wrong({ current: [formatOwnPasswordError(account.error)] });
        const hash = await hashChosen(form.password, { ...account.value, studioName });
        if (hash === null) return wrong({ password: [COMMON_PASSWORD] });
        await changePassword(own.db, userId, hash, token);
        throw redirect("/account?changed");
      }
    }
  });
}

/** One's own account: password, and where one is signed in. */
export default function Account({ loaderData, actionData }: Route.ComponentProps) {
  const { name, email, studioName, role, signIns } = loaderData;
  const [search] = useSearchParams();
  const [form, fields] = useForm<{ current: string; password: string }>({
    id: "password",
    lastResult: actionData ?? null,
  });
  const said = search.has("changed")
    ? "Your password is changed, and every other device is signed out."
    : search.has("signed-out")
      ? "Every other device is signed out."
      : null;
  return (
    <Page
      title="Account"
      lead={`${name}, ${email} · ${role === "owner" ? "owner of" : "coach at"} ${studioName}`}
    >
      {said === null ? null : (
        <Typography role="status" sx={{ mb: 2, fontWeight: 650 }}>
          {said}
        </Typography>
      )}
      <Section title="Password">
        <Form method="post" {...getFormProps(form)}>
          <Box sx={{ maxWidth: 420, pt: 1.5 }}>
            <FieldErrors id={form.errorId} errors={form.errors} />
            <input type="hidden" name="intent" value="password" />
            <TextInput
              field={fields.current}
              label="Current password"
              type="password"
              autoComplete="current-password"
            />
            <NewPasswordInput field={fields.password} label="New password" />
            <Button type="submit" variant="contained">
              Change password
            </Button>
          </Box>
        </Form>
      </Section>
      <Section
        title="Signed in"
        aside={
          signIns.length < 2 ? null : (
            <Press
              says="Sign out everywhere else"
              fields={{ intent: "signOutElsewhere" }}
              variant="text"
            />
          )
        }
      >
        <Ledger label="Signed in" head={["Device", "Since", ""]}>
          {signIns.map(({ key, device, since, isThis }) => (
            <tr key={key}>
              <th scope="row">
                {device} {isThis ? <Tag>this one</Tag> : null}
              </th>
              <td>{since}</td>
              <td>
                {isThis ? null : (
                  <Press
                    says="Sign out"
                    about={`Sign out ${device}, since ${since}`}
                    fields={{ intent: "signOut", key }}
                  />
                )}
              </td>
            </tr>
          ))}
        </Ledger>
      </Section>
      <Section title="Forgotten">
        <Typography sx={{ pt: 1.5, maxWidth: 640 }}>
          If you forget your password, whoever runs this server makes a link for a new one. Nothing
          is sent by e-mail.
        </Typography>
      </Section>
    </Page>
  );
}
