import { data } from "react-router";
import { z } from "zod";
import { idOf } from "~/core/kernel/index.ts";
import { stringify } from "uuid";

/** What a record is, for people. */
export type RecordKind =
  | "warning"
  | "approach"
  | "brief"
  | "client"
  | "event"
  | "exercise"
  | "set-up of an exercise"
  | "gym"
  | "log entry"
  | "measurement"
  | "phase"
  | "ruling"
  | "equipment"
  | "session"
  | "set-aside finding"
  | "strength rules"
  | "template"
  | "phaseTemplate"
  | "waiting decision"
  | "word on comparing";

/** A stored record that cannot be read: it is left out where lists stand, and named. Nothing of it is lost. */
export interface SetApart {
  readonly what: RecordKind;
  readonly id: string;
  readonly name: string;
  /** What its reader expected and did not find. */
  readonly why: string;
  /** Where it can be entered anew, if it can. */
  readonly mendAt: string | null;
}

type Row = Record<string, unknown>;

/** Whatever keeps what its reading left out; a scope does. */
export interface Reader {
  readonly setApart: SetApart[];
}

/** Every row that can be read; the others are set apart with the reader, so that one of them stops nothing. */
export function readEach<T>(
  reader: Reader,
  what: RecordKind,
  rows: readonly Row[],
  read: (row: Row) => T,
): readonly T[] {
  return rows.flatMap((row) => {
    try {
      return [read(row)];
    } catch (error) {
      reader.setApart.push(apart(what, row, error));
      return [];
    }
  });
}

/** A row that a page is about. Where it cannot be read the page says which record it is, and no other suffers. */
export function readOne<T>(reader: Reader, what: RecordKind, row: Row, read: (row: Row) => T): T {
  try {
    return read(row);
  } catch (error) {
    const found = apart(what, row, error);
    reader.setApart.push(found);
    throw data({ code: "unreadable", ...found }, { status: 500 });
  }
}

function apart(what: RecordKind, row: Row, error: unknown): SetApart {
  const named = [row["name"], row["title"], row["person_name"]].find((n) => typeof n === "string");
  const [gym, station] = [idText(row["gym_id"]), idText(row["station_id"])];
  return {
    what,
    id: idText(row["id"]),
    name: typeof named === "string" ? named : "",
    why: reason(error),
    mendAt: what === "equipment" ? `/gyms/${gym}/stations/${station}` : null,
  };
}

function idText(id: unknown): string {
  return id instanceof Uint8Array && id.length === 16 ? idOf(stringify(id)) : "";
}

/** Where the reader stumbled, without the value, which may be personal. */
function reason(error: unknown): string {
  if (error instanceof z.ZodError) {
    const [issue] = error.issues;
    return issue === undefined ? "unreadable" : `${issue.path.join(".")}: ${issue.message}`;
  }
  return error instanceof SyntaxError ? "not JSON" : "unreadable";
}
