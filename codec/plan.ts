import { z } from "zod";
import { planSchema, type SessionPlan } from "~/core/plan/index.ts";

/** A plan document, of whichever version it was stored in. */
export const planCodec: z.ZodType<SessionPlan> = z
  .unknown()
  .transform(upgradedPlan)
  .pipe(planSchema);

type Json = Readonly<Record<string, unknown>>;

/**
 * The document in the newest version; what is no document stays as it is, for the schema to refuse. Version 2
 * has lines: sets equal in role, load rule and target are one, as are the drops at one place of their chains.
 * Their ids are those of the first of each, so that a document is upgraded alike however often it is read, and
 * its copies in other weeks have the same lines.
 */
function upgradedPlan(document: unknown): unknown {
  if (!isJson(document) || document["schemaVersion"] !== 1) return document;
  const blocks = each(renamed(document["blocks"]), (block) => ({
    ...block,
    ...(isJson(block["slot"]) ? { slot: inLines(block["slot"]) } : {}),
    ...("members" in block ? { members: each(block["members"], inLines) } : {}),
  }));
  return { ...document, schemaVersion: 2, blocks };
}

/** A slot's sets with their lines, and its rule by its new name. */
function inLines(slot: Json): Json {
  const lines = new Map<string, unknown>();
  const lineOf = (key: string, own: unknown) => {
    if (!lines.has(key)) lines.set(key, own);
    return lines.get(key);
  };
  const sets = each(slot["sets"], (set) => {
    const key = JSON.stringify([set["role"], set["load"], set["target"]]);
    let place = 0;
    const extensions = each(set["extensions"], (part) => {
      if (part["kind"] !== "drop") return part;
      place += 1;
      return { ...part, line: lineOf(`${key}/${place}`, part["lineageId"]) };
    });
    return { ...set, line: lineOf(key, set["lineageId"]), extensions };
  });
  const rule = slot["progression"];
  const progression = isJson(rule) && rule["kind"] === "hold" ? { kind: "keepLoad" } : rule;
  return { ...slot, sets, progression, lines: [] };
}

/** Every `lineId` as the lineage that it was; what people named themselves keeps its name. */
function renamed(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(renamed);
  if (!isJson(value)) return value;
  return Object.fromEntries(
    Object.entries(value).map(([name, inner]) =>
      name === "setUp" ? [name, inner] : [name === "lineId" ? "lineageId" : name, renamed(inner)],
    ),
  );
}

function isJson(value: unknown): value is Json {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

/** A list with every object in it changed; what is none stays, for the schema to refuse. */
function each(value: unknown, change: (entry: Json) => Json): unknown {
  if (!Array.isArray(value)) return value;
  return value.map((entry: unknown) => (isJson(entry) ? change(entry) : entry));
}
