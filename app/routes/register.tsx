import { getFormProps, useForm } from "@conform-to/react";
import { parseWithZod } from "@conform-to/zod/v4";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link } from "react-router";
import { registerCodec } from "~/codec/account.ts";
import { hashPassword } from "~/server/auth/password.server.ts";
import { reachingDatabase, signInAs } from "~/server/auth/session.server.ts";
import { requestOf } from "~/server/context.server.ts";
import { register } from "~/server/db/accounts.server.ts";
import type { Route } from "./+types/register.ts";
import { Doorway } from "../components/doorway.tsx";
import { FieldErrors, TextInput } from "../components/field.tsx";

export async function action({ request, context }: Route.ActionArgs) {
  const { db, now } = requestOf(context);
  const submission = parseWithZod(await request.formData(), { schema: registerCodec });
  if (submission.status !== "success") return submission.reply({ hideFields: ["password"] });
  const { password, ...form } = submission.value;
  const passwordHash = await hashPassword(password);
  return reachingDatabase(async () => {
    const registered = await register(db, { ...form, passwordHash }, now);
    if (!registered.ok) {
      return submission.reply({
        hideFields: ["password"],
        fieldErrors: { email: ["This address has an account already; sign in instead."] },
      });
    }
    return signInAs(context, registered.value, "/gyms");
  });
}

export default function Register({ actionData }: Route.ComponentProps) {
  const [form, fields] = useForm({
    id: "register",
    lastResult: actionData ?? null,
    onValidate: ({ formData }) => parseWithZod(formData, { schema: registerCodec }),
    shouldValidate: "onSubmit",
    shouldRevalidate: "onInput",
  });
  return (
    <Doorway title="Register a studio">
      <Form method="post" {...getFormProps(form)}>
        <FieldErrors id={form.errorId} errors={form.errors} />
        <TextInput field={fields.displayName} label="Your name" autoComplete="name" />
        <TextInput field={fields.studioName} label="Studio" autoComplete="organization" />
        <TextInput field={fields.email} label="E-mail" type="email" autoComplete="username" />
        <TextInput
          field={fields.password}
          label="Password"
          type="password"
          autoComplete="new-password"
          hint="At least 10 characters. A few unrelated words are good."
        />
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
