import { parseWithZod } from "@conform-to/zod/v4";
import { redirect } from "react-router";
import { movementFormCodec } from "~/codec/movement.ts";
import { isMovementRef, type MovementRef } from "~/core/kernel/index.ts";
import { addMovement, catalogueFor } from "~/server/db/movements.server.ts";
import { readForm, refused } from "~/server/http/body.server.ts";
import { writing } from "~/server/http/handlers.server.ts";
import type { Route } from "./+types/movement-new.ts";
import { useCatalogue } from "../components/catalogue.ts";
import { MovementForm } from "../components/movement-form.tsx";
import { Page } from "../components/page.tsx";

/** The movement that a new one is written from, when none is named. */
const PLAINEST: MovementRef = "shipped:goblet-squat";

const fromOf = (url: string): MovementRef | null => {
  const from = new URL(url).searchParams.get("from") ?? "";
  return isMovementRef(from) ? from : null;
};

export function loader({ request }: Route.LoaderArgs) {
  return { from: fromOf(request.url) };
}

export const action = writing(async (scope, { request }: Route.ActionArgs) => {
  const { find } = await catalogueFor(scope);
  const from = fromOf(request.url);
  const begun = find(from ?? PLAINEST)?.setUp ?? [];
  const schema = movementFormCodec((ref) => find(ref) !== null, null, begun);
  const submission = parseWithZod(await readForm(request), { schema });
  if (submission.status !== "success") return refused(submission.reply());
  await addMovement(scope, submission.value, from);
  throw redirect("/movements");
});

export default function NewMovement({ loaderData, actionData }: Route.ComponentProps) {
  const { find } = useCatalogue();
  const from = find(loaderData.from ?? PLAINEST) ?? find(PLAINEST);
  if (from === null) return null;
  return (
    <Page
      title="Add an exercise"
      lead={`Copied from ${from.name}, which stays as it is. Change what differs.`}
    >
      <MovementForm
        key={from.ref}
        movement={{ ...from, name: loaderData.from === null ? "" : `${from.name}, ours` }}
        self={null}
        revision={0}
        lastResult={actionData ?? null}
        submit="Add exercise"
      />
    </Page>
  );
}
