import { z } from "zod";
import { idField, kind } from "../../kernel/index.ts";

/** The order in which the blocks of the session are taken; one that it does not name keeps its place behind those before it. */
export const definition = kind("reorder", {
  order: z.array(idField("block")).max(120).readonly(),
});

export const subject = () => "reorder";
