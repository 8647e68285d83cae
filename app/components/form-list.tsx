import type { FormMetadata } from "@conform-to/react";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";

type AnyForm = Pick<FormMetadata, "insert" | "remove">;

/** Rows of a list in a form: each with a button that takes it out, and one below that adds another. */
export function FormList<Row extends { readonly key: string | undefined }>({
  form,
  name,
  rows,
  columns,
  one,
  add,
  fresh,
  children,
}: {
  readonly form: AnyForm;
  readonly name: string;
  readonly rows: readonly Row[];
  /** The grid's columns beside the button, on a desk. */
  readonly columns: string;
  /** What one row is called, for the button that takes it out. */
  readonly one: string;
  readonly add: string;
  readonly fresh: Readonly<Record<string, string>>;
  readonly children: (row: Row, index: number) => React.ReactNode;
}) {
  return (
    <>
      {rows.map((row, i) => (
        <Box
          key={row.key}
          sx={{
            display: "grid",
            columnGap: 1.5,
            alignItems: "start",
            gridTemplateColumns: { xs: "1fr 1fr", md: `${columns} auto` },
          }}
        >
          {children(row, i)}
          <Button
            type="submit"
            {...form.remove.getButtonProps({ name, index: i } as never)}
            size="small"
            aria-label={`Remove ${one} ${i + 1}`}
            sx={{ alignSelf: "center" }}
          >
            ✕
          </Button>
        </Box>
      ))}
      <Button
        type="submit"
        {...form.insert.getButtonProps({ name, defaultValue: fresh } as never)}
        size="small"
        variant="outlined"
      >
        {add}
      </Button>
    </>
  );
}
