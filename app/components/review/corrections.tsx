import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form } from "react-router";
import { type Id, instant } from "~/core/kernel/index.ts";
import type { Correction } from "~/core/log/index.ts";
import { formatCorrection } from "~/format/corrections.ts";
import { formatInstant } from "~/format/numbers.ts";
import { Disclosure } from "../disclosure.tsx";
import { Labelled, PlainInput } from "../field.tsx";
import { Section } from "../page.tsx";

interface Authored {
  readonly commandId: string;
  readonly name: string;
  readonly at: number;
}

function exerciseOf(correction: Correction, nameOf: (slot: Id<"slot">) => string | null): string {
  const loggedSet =
    "after" in correction ? correction.after : "before" in correction ? correction.before : null;
  const name = loggedSet && nameOf(loggedSet.slotId);
  return name === null ? "" : `${name}: `;
}

/** What was corrected after the session had ended, by whom and why, and the way to reopen it. */
export function Corrections({
  corrections,
  nameOf,
  authors,
  timeZone,
  isEnded,
}: {
  readonly corrections: readonly Correction[];
  readonly nameOf: (slot: Id<"slot">) => string | null;
  readonly authors: readonly Authored[];
  readonly timeZone: string;
  readonly isEnded: boolean;
}) {
  return (
    <Section title="Corrections">
      {corrections.length === 0 ? (
        <Typography sx={{ py: 1.5, color: "text.secondary" }}>
          Nothing was corrected since the session ended.
        </Typography>
      ) : (
        <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0 }}>
          {corrections.map((correction) => {
            const author = authors.find((a) => a.commandId === correction.commandId);
            return (
              <Box
                component="li"
                key={correction.commandId}
                sx={{ py: 1, borderBottom: 1, borderColor: "divider" }}
              >
                <Typography>
                  {exerciseOf(correction, nameOf)}
                  {formatCorrection(correction)}
                </Typography>
                <Typography variant="body2" sx={{ color: "text.secondary" }}>
                  {author === undefined
                    ? ""
                    : `${author.name}, ${formatInstant(instant(author.at), timeZone)}`}
                  {correction.why === null ? "" : ` · “${correction.why}”`}
                </Typography>
              </Box>
            );
          })}
        </Box>
      )}
      {isEnded ? (
        <Disclosure dense summary="Reopen the session">
          <Form method="post">
            <Box sx={{ maxWidth: 520, pt: 1 }}>
              <Labelled
                id="reopen-why"
                label="Why"
                hint="The floor view takes sets again. What was decided from this session is looked at again."
              >
                <PlainInput id="reopen-why" name="why" maxLength={500} required />
              </Labelled>
              <Button type="submit" name="intent" value="reopen" variant="outlined">
                Reopen
              </Button>
            </Box>
          </Form>
        </Disclosure>
      ) : null}
    </Section>
  );
}
