import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Disclosure } from "../disclosure.tsx";
import type { UnreadableRow } from "./log-store.ts";

/** Entries of this device that no store takes: what they say can be read and copied; all others went on. */
export function UnreadableNotice({
  rows,
  onForget,
}: {
  readonly rows: readonly UnreadableRow[];
  readonly onForget: (id: string) => void;
}) {
  if (rows.length === 0) return null;
  return (
    <Box role="alert" sx={{ border: 2, borderColor: "kravo.warn", p: 1.5, mb: 1.5 }}>
      <Typography sx={{ fontWeight: 650 }}>
        {rows.length === 1 ? "One entry" : `${rows.length} entries`} on this device cannot be stored
        and {rows.length === 1 ? "was" : "were"} set apart. All other sets are kept and sent.
      </Typography>
      {rows.map(({ id, text }) => (
        <Disclosure
          key={id}
          dense
          summary={`Read it: ${text.slice(0, 60)}${text.length > 60 ? " …" : ""}`}
        >
          <Typography
            sx={{
              whiteSpace: "pre-wrap",
              overflowWrap: "anywhere",
              maxHeight: 240,
              overflowY: "auto",
            }}
          >
            {text}
          </Typography>
          <Button variant="outlined" sx={{ mt: 1, minHeight: 44 }} onClick={() => onForget(id)}>
            Delete it from this device
          </Button>
        </Disclosure>
      ))}
    </Box>
  );
}
