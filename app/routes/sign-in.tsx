import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, redirect } from "react-router";
import type { z } from "zod";
import { innerPath, signInCodec } from "~/codec/account.ts";
import { formatClock } from "~/format/numbers.ts";
import { passwordFits } from "~/server/auth/password.server.ts";
import {
  deviceOf,
  reachingDatabase,
  signedInOrNull,
  signInAs,
} from "~/server/auth/session.server.ts";
import { requestOf } from "~/server/context.server.ts";
import { findCredentials, isKnownDevice } from "~/server/db/accounts.server.ts";
import { countTry, type Limit } from "~/server/db/tries.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import type { Route } from "./+types/sign-in.ts";
import { Doorway } from "../components/doorway.tsx";
import { FieldErrors, TextInput } from "../components/field.tsx";

export async function loader({ request, context }: Route.LoaderArgs) {
  if ((await signedInOrNull(request, context)) !== null) throw redirect("/");
  const { KRAVO_DEMO, REGISTERING } = requestOf(context).environment;
  return {
    isDemo: KRAVO_DEMO === "1",
    canRegister: REGISTERING === "open",
    to: new URL(request.url).searchParams.get("to"),
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const { db, now, address, log } = requestOf(context);
  const submission = parseWithZod(await readForm(request), { schema: signInCodec });
  if (submission.status !== "success") {
    return refused(submission.reply({ hideFields: ["password"] }));
  }
  const { email, password, to } = submission.value;
  const refuse = (text: string) =>
    refused(submission.reply({ hideFields: ["password"], formErrors: [text] }));
  return reachingDatabase(async () => {
    const device = await deviceOf(context, request);
    const isKnown = device !== null && (await isKnownDevice(db, email, device));
    const counted = await countTry(db, signInLimits(email, address, isKnown ? device : null), now);
    if (counted.waitSeconds > 0) {
      return refuse(
        `Too many failed tries from here. Try again in ${formatClock(counted.waitSeconds)} minutes; the account is not locked elsewhere.`,
      );
    }
    const account = await findCredentials(db, email);
    const fits = await passwordFits(account?.passwordHash ?? null, password);
    log.info({ event: "signIn", fits });
    if (!fits || account === null) {
      return refuse("No account has this e-mail address with this password.");
    }
    await counted.takeBack();
    return signInAs(context, request, account, innerPath(to));
  });
}

/**
 * A device on which the account's owner signed in before is counted by itself, so that a stranger's tries do
 * not reach it. Others are counted by where they come from, and all strangers of one account together.
 */
function signInLimits(email: string, address: string, device: string | null): readonly Limit[] {
  if (device !== null) {
    return [{ subject: `device:${email}|${device}`, free: 5, then: "doubling" }];
  }
  return [
    { subject: `pair:${email}|${address}`, free: 5, then: "doubling" },
    { subject: `address:${address}`, free: 30, then: "window" },
    { subject: `strangers:${email}`, free: 25, then: "window" },
  ];
}

export default function SignIn({ loaderData, actionData }: Route.ComponentProps) {
  // Nothing is checked here but by the server: the first page anybody loads does without the schema library.
  const [form, fields] = useForm<z.input<typeof signInCodec>>({
    id: "sign-in",
    lastResult: actionData ?? null,
  });
  return (
    <Doorway title="Sign in">
      <Form method="post" {...getFormProps(form)}>
        <FieldErrors id={form.errorId} errors={form.errors} />
        <input type="hidden" name="to" value={loaderData.to ?? "/"} />
        <TextInput field={fields.email} label="E-mail" type="email" autoComplete="username" />
        <TextInput
          field={fields.password}
          label="Password"
          type="password"
          autoComplete="current-password"
        />
        <Button type="submit" variant="contained" size="large" fullWidth>
          Sign in
        </Button>
      </Form>
      {loaderData.canRegister ? (
        <Typography sx={{ mt: 3 }}>
          New here? <Link to="/register">Register a studio</Link>
        </Typography>
      ) : null}
      {loaderData.isDemo ? (
        <Box sx={{ mt: 3, p: 2, border: "1px dashed", borderColor: "kravo.edge" }}>
          <Typography variant="overline">Demo</Typography>
          <Typography>coach@kravo.example, password “leg day demo”</Typography>
        </Box>
      ) : null}
    </Doorway>
  );
}
