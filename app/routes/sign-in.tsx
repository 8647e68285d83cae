import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link, redirect } from "react-router";
import { innerPath, signInCodec } from "~/codec/account.ts";
import { formatClock } from "~/format/numbers.ts";
import { passwordFits } from "~/server/auth/password.server.ts";
import { reachingDatabase, signedInOrNull, signInAs } from "~/server/auth/session.server.ts";
import { requestOf } from "~/server/context.server.ts";
import { findCredentials, recordFailedSignIn, signInWait } from "~/server/db/accounts.server.ts";
import type { Route } from "./+types/sign-in.ts";
import { Doorway } from "../components/doorway.tsx";
import { FieldErrors, TextInput } from "../components/field.tsx";

export async function loader({ request, context }: Route.LoaderArgs) {
  if ((await signedInOrNull(request, context)) !== null) throw redirect("/");
  return {
    isDemo: requestOf(context).environment.KRAVO_DEMO === "1",
    to: new URL(request.url).searchParams.get("to"),
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const { db, now, address } = requestOf(context);
  const submission = parseWithZod(await request.formData(), { schema: signInCodec });
  if (submission.status !== "success") return submission.reply({ hideFields: ["password"] });
  const { email, password, to } = submission.value;
  return reachingDatabase(async () => {
    const subject = { email, address };
    const wait = await signInWait(db, subject, now);
    if (wait > 0) {
      return submission.reply({
        hideFields: ["password"],
        formErrors: [`Too many failed tries. Try again in ${formatClock(wait)} minutes.`],
      });
    }
    const account = await findCredentials(db, email);
    if (!(await passwordFits(account?.passwordHash ?? null, password)) || account === null) {
      await recordFailedSignIn(db, subject, now);
      return submission.reply({
        hideFields: ["password"],
        formErrors: ["No account has this e-mail address with this password."],
      });
    }
    return signInAs(context, account, innerPath(to));
  });
}

export default function SignIn({ loaderData, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm({
    id: "sign-in",
    lastResult: actionData ?? null,
    onValidate: ({ formData }) => parseWithZod(formData, { schema: signInCodec }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
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
      <Typography sx={{ mt: 3 }}>
        New here? <Link to="/register">Register a studio</Link>
      </Typography>
      {loaderData.isDemo ? (
        <Box sx={{ mt: 3, p: 2, border: "1px dashed", borderColor: "kravo.edge" }}>
          <Typography variant="overline">Demo</Typography>
          <Typography>coach@kravo.example, password “leg day demo”</Typography>
        </Box>
      ) : null}
    </Doorway>
  );
}
