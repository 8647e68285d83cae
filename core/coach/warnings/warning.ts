import { z } from "zod";
import {
  amountOf,
  JOINTS,
  kind,
  kindsOf,
  massField,
  movementField,
  REGIONS,
  unionOf,
  type FamilyOf,
} from "../../kernel/index.ts";
import { dayField } from "../../phase/index.ts";

const times = z.int().min(0).max(1000);
const part = z.number().min(-10).max(10);
const sets = z.number().min(0).max(1000);

/**
 * What goes wrong over weeks and no single session shows, the gravest first; the only list. Shares are changes over
 * the time looked at. Source: our rules, docs/arithmetic.md § Warnings over weeks.
 */
export const WARNINGS = {
  painStays: {
    definition: kind("painStays", {
      joint: z.enum(JOINTS),
      times,
      of: times,
      from: z.number(),
      to: z.number(),
    }),
  },
  targetSlips: {
    definition: kind("targetSlips", {
      movement: movementField,
      reading: massField,
      reps: times,
      week: times,
      /** The week in which it is met if every target before it is; null where the phase ends before. */
      arrives: times.nullable(),
      /** The chance that it is met by its week; null where too little was trained to say. */
      chance: z.number().min(0).max(1).nullable(),
    }),
  },
  weakerThanLighter: {
    definition: kind("weakerThanLighter", { weight: part, strength: part, weeks: times }),
  },
  heavierNotStronger: {
    definition: kind("heavierNotStronger", { weight: part, strength: part, weeks: times }),
  },
  sideDrift: {
    definition: kind("sideDrift", {
      movement: movementField,
      weaker: z.enum(["left", "right"]),
      from: part,
      to: part,
    }),
  },
  limitNoBreak: { definition: kind("limitNoBreak", { weeks: times, sets }) },
  prioritySkipped: {
    definition: kind("prioritySkipped", { region: z.enum(REGIONS), times, of: times }),
  },
  priorityLate: { definition: kind("priorityLate", { region: z.enum(REGIONS), times, of: times }) },
  /** The general warm-up, and whatever else prepares. */
  warmUpSkipped: { definition: kind("warmUpSkipped", { times, of: times }) },
  skippedAgain: { definition: kind("skippedAgain", { movement: movementField, times, of: times }) },
  outOfRange: {
    definition: kind("outOfRange", {
      region: z.enum(REGIONS),
      side: z.enum(["below", "above"]),
      weeks: times,
      sets,
      low: sets,
      high: sets,
      whose: z.enum(["client", "approach", "view"]),
    }),
  },
  sameForLong: {
    definition: kind("sameForLong", { movement: movementField, since: dayField, sessions: times }),
  },
} as const;
export type Warning = FamilyOf<typeof WARNINGS>;
/** Something that was meant to be trained, and was skipped or came late again and again. */
export type Neglect = Extract<
  Warning,
  { kind: "prioritySkipped" | "priorityLate" | "skippedAgain" }
>;
export type WarningKind = Warning["kind"];
export const WARNING_KINDS = kindsOf(WARNINGS);
export const warningField = unionOf(WARNINGS);

/** Names a warning of a client from one working out to the next. */
export function warningSubject(warning: Warning): string {
  switch (warning.kind) {
    case "painStays":
      return `${warning.kind} ${warning.joint}`;
    case "prioritySkipped":
    case "priorityLate":
    case "outOfRange":
      return `${warning.kind} ${warning.region}`;
    case "targetSlips":
      return `${warning.kind} ${warning.movement} ${amountOf(warning.reading)}x${warning.reps} ${warning.week}`;
    case "sideDrift":
    case "skippedAgain":
    case "sameForLong":
      return `${warning.kind} ${warning.movement}`;
    case "weakerThanLighter":
    case "heavierNotStronger":
    case "limitNoBreak":
    case "warmUpSkipped":
      return warning.kind;
  }
}

export function isNeglect(warning: Warning): warning is Neglect {
  return (
    warning.kind === "prioritySkipped" ||
    warning.kind === "priorityLate" ||
    warning.kind === "skippedAgain"
  );
}

/** The gravest first. */
export function byGravity(a: Warning, b: Warning): number {
  return WARNING_KINDS.indexOf(a.kind) - WARNING_KINDS.indexOf(b.kind);
}
