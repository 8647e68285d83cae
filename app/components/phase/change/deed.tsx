import Box from "@mui/material/Box";
import { Form } from "react-router";

/** What every form of the page sends, and whether one is on its way. */
export interface Of {
  readonly revision: number;
  readonly isBusy: boolean;
}

/** A form that does one thing to the phase as it is shown. */
export function Deed({
  intent,
  of,
  children,
  hidden = {},
  sx,
}: {
  readonly intent: string;
  readonly of: Of;
  readonly hidden?: Readonly<Record<string, string | number>>;
  readonly children: React.ReactNode;
  readonly sx?: React.ComponentProps<typeof Box>["sx"];
}) {
  return (
    <Box component={Form} {...{ method: "post" }} {...(sx === undefined ? {} : { sx })}>
      <input type="hidden" name="intent" value={intent} />
      <input type="hidden" name="baseRevision" value={of.revision} />
      {Object.entries(hidden).map(([field, value]) => (
        <input key={field} type="hidden" name={field} value={value} />
      ))}
      {children}
    </Box>
  );
}
