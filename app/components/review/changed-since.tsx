import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Form, Link } from "react-router";
import type { Id, Day } from "~/core/kernel/index.ts";
import type { Slot } from "~/core/plan/index.ts";
import type { LineProposal, ShownProposal } from "~/core/progress/index.ts";
import { fieldOf } from "~/codec/decisions.ts";
import { formatDay } from "~/format/numbers.ts";
import { formatStep } from "~/format/progression.ts";
import { formatReason } from "~/format/reasons.ts";
import { FieldErrors, Labelled, PlainInput } from "../field.tsx";
import { Section, Tag } from "../page.tsx";
import { useMuscles } from "../wording.ts";

export interface ChangedSinceProps {
  readonly position: number;
  readonly changed: readonly {
    readonly slot: Slot;
    readonly ruling: { readonly shown: ShownProposal };
    readonly now: LineProposal;
  }[];
  readonly open: { readonly id: Id<"plan">; readonly title: string; readonly day: Day } | null;
  readonly nameOf: (slot: Slot, line: LineProposal["line"]) => string;
  readonly errors: readonly string[] | undefined;
}

/** The session was corrected after it was ruled on: what Kravo would propose now, and the coach's word on it. */
export function ChangedSince({ position, changed, open, nameOf, errors }: ChangedSinceProps) {
  const muscles = useMuscles();
  return (
    <Section title="Changed since you decided" aside={<Tag tone="strong">look again</Tag>}>
      <Form method="post">
        <input type="hidden" name="position" value={position} />
        <Typography sx={{ py: 1.5 }}>
          {changed.length === 0 ? (
            "The log of this session changed after you decided. No proposal changes by it."
          ) : (
            <>
              The log of this session changed after you decided, and with it{" "}
              {changed.length === 1 ? "one proposal" : `${changed.length} proposals`}.{" "}
              {open === null ? (
                "The session planned from it was begun already, so it stays as it is."
              ) : (
                <>
                  Planned from it: <Link to={`/plans/${open.id}`}>{open.title}</Link>,{" "}
                  {formatDay(open.day)}.
                </>
              )}
            </>
          )}
        </Typography>
        {changed.map(({ slot, ruling, now }) => (
          <Box
            key={now.line}
            component="section"
            aria-label={`Changed: ${nameOf(slot, now.line)}`}
            sx={{
              display: "grid",
              gridTemplateColumns: { md: "minmax(0,1.2fr) minmax(0,2fr) minmax(0,1.2fr)" },
              columnGap: 3,
              rowGap: 1,
              py: 1.5,
              borderTop: 1,
              borderColor: "divider",
            }}
          >
            <div>
              <Typography sx={{ fontWeight: 650 }}>{nameOf(slot, now.line)}</Typography>
              <Typography variant="figure" component="p" sx={{ fontSize: "1.5rem" }}>
                {formatStep(ruling.shown)} → {formatStep(now)}
              </Typography>
            </div>
            <Box component="ul" sx={{ m: 0, pl: 2.25 }}>
              {now.because.map((reason, i) => (
                <li key={i}>{formatReason(reason, muscles)}</li>
              ))}
            </Box>
            <Box role="radiogroup" aria-label={`Decision for ${nameOf(slot, now.line)}`}>
              {(open === null || now.reading === null
                ? ([["leave", "Leave it as planned"]] as const)
                : ([
                    ["take", "Put it into the planned session"],
                    ["leave", "Leave it as planned"],
                  ] as const)
              ).map(([value, text]) => (
                <Box
                  component="label"
                  key={value}
                  sx={{ display: "flex", gap: 0.75, alignItems: "center", minHeight: 32 }}
                >
                  <input
                    type="radio"
                    name={fieldOf("choice", { slotId: slot.id, line: now.line })}
                    value={value}
                  />{" "}
                  {text}
                </Box>
              ))}
            </Box>
          </Box>
        ))}
        {changed.length === 0 ? null : (
          <Box sx={{ maxWidth: 520 }}>
            <Labelled id="reconsider-reason" label="Reason, where something is left as planned">
              <PlainInput id="reconsider-reason" name="reason" maxLength={500} />
            </Labelled>
          </Box>
        )}
        <FieldErrors id="reconsider-error" errors={errors} />
        <Button type="submit" name="intent" value="reconsider" variant="contained">
          {changed.length === 0 ? "Noted" : "Decide"}
        </Button>
      </Form>
    </Section>
  );
}
