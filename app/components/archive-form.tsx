import Button from "@mui/material/Button";
import { Form } from "react-router";

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
    <Form
      method="post"
      {...(at === undefined ? {} : { action: at })}
      style={{ display: "inline-block" }}
    >
      <input type="hidden" name="intent" value={isArchived ? "restore" : "archive"} />
      <Button type="submit" size="small" variant="outlined">
        {isArchived ? "Restore" : "Archive"} {name}
      </Button>
    </Form>
  );
}
