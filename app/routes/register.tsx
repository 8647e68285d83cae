import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link } from "react-router";
import { registerCodec } from "~/codec/account.ts";
import { COMMON_PASSWORD } from "~/format/account.ts";
import { hashPassword } from "~/server/auth/password.server.ts";
import { reachingDatabase, signInAs } from "~/server/auth/session.server.ts";
import { requestOf } from "~/server/context.server.ts";
import { isCommonPassword } from "~/server/auth/common-passwords.server.ts";
import { register } from "~/server/db/accounts.server.ts";
import { countTry } from "~/server/db/tries.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import type { Route } from "./+types/register.ts";
import { Doorway } from "../components/doorway.tsx";
import { FieldErrors, NewPasswordInput, TextInput } from "../components/field.tsx";

export function loader({ context }: Route.LoaderArgs) {
  return { isOpen: requestOf(context).environment.REGISTERING === "open" };
}

export async function action({ request, context }: Route.ActionArgs) {
  const { db, now, address, environment } = requestOf(context);
  const submission = parseWithZod(await readForm(request), { schema: registerCodec });
  const refuse = (reply: Parameters<typeof submission.reply>[0]) =>
    refused(submission.reply({ ...reply, hideFields: ["password"] }));
  if (environment.REGISTERING === "closed") {
    return refuse({ formErrors: ["Registering is closed on this server; ask whoever runs it."] });
  }
  if (submission.status !== "success") return refuse({});
  const { password, ...form } = submission.value;
  if (await isCommonPassword(password, form)) {
    return refuse({
      fieldErrors: {
        password: [COMMON_PASSWORD],
      },
    });
  }
  return reachingDatabase(async () => {
    // Counted before the costly hash, and kept: also registering that succeeds is rare.
    const limit = { subject: `register:${address}`, free: environment.REGISTRATIONS_PER_HOUR };
    const { waitSeconds } = await countTry(db, [{ ...limit, then: "window" }], now, HOUR_MS);
    if (waitSeconds > 0) {
      return refuse({
        formErrors: [
          `Too many studios were registered from here. Try again in ${Math.ceil(waitSeconds / 60)} minutes.`,
        ],
      });
    }
    const passwordHash = await hashPassword(password);
    const registered = await register(db, { ...form, passwordHash }, now);
    if (!registered.ok) {
      return refuse({
        fieldErrors: { email: ["This address has an account already; sign in instead."] },
      });
    }
    return signInAs(context, request, registered.value, "/gyms");
  });
}

const HOUR_MS = 60 * 60_000;

export default function Register({ loaderData, actionData }: Route.ComponentProps) {
  const [form, fields] = useForm({
    id: "register",
    lastResult: actionData ?? null,
    onValidate: ({ formData }) => parseWithZod(formData, { schema: registerCodec }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  if (!loaderData.isOpen) {
    return (
      <Doorway title="Register a studio">
        <Typography>
          Registering is closed on this server; ask whoever runs it for an account, or{" "}
          <Link to="/sign-in">sign in</Link>.
        </Typography>
      </Doorway>
    );
  }
  return (
    <Doorway title="Register a studio">
      <Form method="post" {...getFormProps(form)}>
        <FieldErrors id={form.errorId} errors={form.errors} />
        <TextInput field={fields.displayName} label="Your name" autoComplete="name" />
        <TextInput field={fields.studioName} label="Studio" autoComplete="organization" />
        <TextInput field={fields.email} label="E-mail" type="email" autoComplete="username" />
        <NewPasswordInput field={fields.password} />
        <Button type="submit" variant="contained" size="large" fullWidth>
          Register
        </Button>
      </Form>
      <Typography sx={{ mt: 3 }}>
        Registered already? <Link to="/sign-in">Sign in</Link>
      </Typography>
    </Doorway>
  );
}
