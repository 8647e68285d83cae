import { redirect } from "react-router";
import { signOut } from "~/server/auth/session.server.ts";
import type { Route } from "./+types/sign-out.ts";

export function loader() {
  throw redirect("/");
}

export function action({ request, context }: Route.ActionArgs) {
  return signOut(context, request);
}
