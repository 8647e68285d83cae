import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { GOALS, type ApproachRef } from "~/core/person/index.ts";
import type { Phase } from "~/core/phase/index.ts";
import { GOAL_NAMES } from "~/format/brief.ts";
import plain from "../../../theme/plain.module.css";
import { Labelled, PlainInput, Select } from "../../field.tsx";
import { Section } from "../../page.tsx";
import { Deed, type Of } from "./deed.tsx";

/** What a phase is for, and by which approach. */
export function Aim({
  name,
  document,
  approaches,
  of,
}: {
  readonly name: string;
  readonly document: Phase;
  readonly approaches: readonly { readonly ref: ApproachRef; readonly name: string }[];
  readonly of: Of;
}) {
  return (
    <Section title="What for">
      <Deed intent="aim" of={of} key={of.revision} sx={{ pt: 1.5 }}>
        <Labelled id="name" label="Name">
          <PlainInput id="name" name="name" defaultValue={name} maxLength={80} required />
        </Labelled>
        <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", columnGap: 2 }}>
          <Labelled id="goal" label="Goal">
            <Select id="goal" name="goal" defaultValue={document.goal}>
              {GOALS.map((goal) => (
                <option key={goal} value={goal}>
                  {GOAL_NAMES[goal]}
                </option>
              ))}
            </Select>
          </Labelled>
          <Labelled id="approach" label="Training approach">
            <Select id="approach" name="approach" defaultValue={document.approach ?? ""}>
              <option value="">The client’s own</option>
              {approaches.map(({ ref, name: text }) => (
                <option key={ref} value={ref}>
                  {text}
                </option>
              ))}
            </Select>
          </Labelled>
        </Box>
        <Labelled id="success" label="Success means">
          <PlainInput id="success" name="success" defaultValue={document.success} maxLength={300} />
        </Labelled>
        <Labelled id="notes" label="Notes">
          <textarea
            id="notes"
            name="notes"
            rows={3}
            defaultValue={document.notes}
            maxLength={2000}
            className={plain.frame}
            style={{ padding: 8 }}
          />
        </Labelled>
        <Button type="submit" variant="outlined" disabled={of.isBusy}>
          Save
        </Button>
      </Deed>
    </Section>
  );
}
