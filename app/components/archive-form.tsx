import { Press } from "./press.tsx";

/** Archives something, or restores it; by an address of its own where another page shows it. */
export function ArchiveForm({
  name,
  isArchived,
  at,
}: {
  readonly name: string;
  readonly isArchived: boolean;
  readonly at?: string;
}) {
  return (
    <Press
      says={`${isArchived ? "Restore" : "Archive"} ${name}`}
      fields={{ intent: isArchived ? "restore" : "archive" }}
      {...(at === undefined ? {} : { at })}
    />
  );
}
