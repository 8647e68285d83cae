import Button from "@mui/material/Button";
import { Form } from "react-router";

/** One small button that posts what it says: a form of hidden fields to this page, or to `at`. */
export function Press({
  says,
  about,
  fields,
  at,
  variant = "outlined",
}: {
  readonly says: string;
  /** Tells it from others that say the same; read out instead of `says`. */
  readonly about?: string;
  readonly fields: Readonly<Record<string, string>>;
  readonly at?: string;
  readonly variant?: "text" | "outlined" | "contained";
}) {
  return (
    <Form
      method="post"
      {...(at === undefined ? {} : { action: at })}
      style={{ display: "inline-block" }}
    >
      {Object.entries(fields).map(([name, value]) => (
        <input key={name} type="hidden" name={name} value={value} />
      ))}
      <Button
        type="submit"
        size="small"
        variant={variant}
        sx={{ whiteSpace: "nowrap" }}
        {...(about === undefined ? {} : { "aria-label": about })}
      >
        {says}
      </Button>
    </Form>
  );
}
