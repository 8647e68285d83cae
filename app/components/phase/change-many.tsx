import Button from "@mui/material/Button";
import { useState } from "react";
import type { MovementRef } from "~/core/kernel/index.ts";
import { parseMany, type Sheet } from "~/core/phase/index.ts";
import { plural } from "~/format/numbers.ts";
import { formatManyError, namesOfRow } from "~/format/phase.ts";
import { useCatalogue } from "../catalogue.ts";
import { PlainInput } from "../field.tsx";
import styles from "./phase-sheet.module.css";
import { rowsOf, type Entry } from "./rows.ts";

/** One line into many cells: what it would change is shown before it does. */
export function ChangeMany({
  sheet,
  nameOf,
  onType,
}: {
  readonly sheet: Sheet;
  readonly nameOf: (movement: MovementRef) => string;
  readonly onType: (entries: readonly Entry[]) => void;
}) {
  const { find } = useCatalogue();
  const [typed, setTyped] = useState("");
  const rows = rowsOf(sheet);
  const read = parseMany(
    typed,
    rows.map((row) => ({ names: namesOfRow(row, find(row.movement)) })),
    sheet.weeks.length,
  );
  const entries = read.ok
    ? read.value.rows.flatMap((at) =>
        read.value.weeks.flatMap((week): readonly (Entry & { readonly name: string })[] => {
          const row = rows[at];
          const source = row?.cells[week - 1]?.source;
          if (row === undefined || (source !== "next" && source !== "projected")) return [];
          const { lineage, line, day, movement } = row;
          return [
            { day: day.id, lineage, line, week, text: read.value.text, name: nameOf(movement) },
          ];
        }),
      )
    : [];
  const names = [...new Set(entries.map(({ name }) => name))];
  return (
    <form
      className={styles.many}
      onSubmit={(event) => {
        event.preventDefault();
        if (entries.length === 0) return;
        onType(entries.map(({ name: _, ...entry }) => entry));
        setTyped("");
      }}
    >
      <label htmlFor="change-many" className={styles.small}>
        Change many
      </label>
      <PlainInput
        id="change-many"
        value={typed}
        maxLength={200}
        placeholder="all hinges -1 set in week 4"
        aria-describedby="change-many-told"
        onChange={(event) => setTyped(event.target.value)}
      />
      <Button type="submit" variant="outlined" size="small" disabled={entries.length === 0}>
        Change
      </Button>
      <span id="change-many-told" className={styles.small} aria-live="polite">
        {typed.trim() === ""
          ? ""
          : !read.ok
            ? formatManyError(read.error)
            : entries.length === 0
              ? "Nothing of that is still to come in those weeks."
              : `${plural(entries.length, "cell")}: ${names.join(", ")}`}
      </span>
    </form>
  );
}
