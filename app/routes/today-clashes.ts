import { clashesToday } from "~/server/coaching/today.server.ts";
import { reading } from "~/server/http/handlers.server.ts";

/** Equipment that is wanted twice today: asked for once Today is shown, since every session is laid out for it. */
export const loader = reading(async (scope) => ({ clashes: await clashesToday(scope) }));
