import { parseWithZod } from "@conform-to/zod/v4";
import { redirect } from "react-router";
import { movementFormCodec } from "~/codec/movement.ts";
import { revisionField } from "~/codec/person.ts";
import { idParam, orNotFound } from "~/server/auth/session.server.ts";
import {
  catalogueFor,
  changeMovement,
  listOwnMovements,
  type OwnMovement,
} from "~/server/db/movements.server.ts";
import type { Scope } from "~/server/db/scope.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { reading, writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/movement.ts";
import { MovementForm } from "../components/movement-form.tsx";
import { Page } from "../components/page.tsx";

async function ownAt(scope: Scope, params: Route.LoaderArgs["params"]): Promise<OwnMovement> {
  const id = idParam<"movement">(params.movementId);
  return orNotFound((await listOwnMovements(scope)).find((m) => m.id === id) ?? null);
}

export const loader = reading(async (scope, { params }: Route.LoaderArgs) => {
  return { movement: await ownAt(scope, params) };
});

export const action = writing(async (scope, { request, params }: Route.ActionArgs) => {
  const own = await ownAt(scope, params);
  const { find } = await catalogueFor(scope);
  const form = await readForm(request);
  const schema = movementFormCodec((ref) => find(ref) !== null, own.ref, own.setUp);
  const submission = parseWithZod(form, { schema });
  const revision = revisionField.safeParse(form.get("revision"));
  if (submission.status !== "success" || !revision.success) return refused(submission.reply());
  const saved = await changeMovement(scope, own.id, revision.data, submission.value);
  if (saved.ok) throw redirect("/movements");
  return submission.reply({
    formErrors: [
      "Someone else saved this exercise in the meantime. Yours is still in the form; open the page in another tab to compare.",
    ],
  });
});

export default function MovementPage({
  loaderData: { movement },
  actionData,
}: Route.ComponentProps) {
  return (
    <Page
      title={movement.name}
      lead="Your own exercise. What was logged stays with it when it changes."
    >
      <MovementForm
        key={movement.revision}
        movement={movement}
        self={movement.ref}
        revision={movement.revision}
        lastResult={actionData ?? null}
        submit="Save"
      />
    </Page>
  );
}
