/** A stored record that cannot be read, as it is named to people. */
export interface SetApartRecord {
  readonly what: string;
  readonly name: string;
  readonly why: string;
}

/** "Equipment “Dumbbells” (present: expected at most 150)" */
export function formatSetApart({ what, name, why }: SetApartRecord): string {
  const kind = what.slice(0, 1).toUpperCase() + what.slice(1);
  return `${kind}${name === "" ? "" : ` “${name}”`} (${why})`;
}
