import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { ComponentProps } from "react";
import { Form, Link } from "react-router";
import type { NamedLine } from "~/codec/decisions.ts";
import type { Day, Id } from "~/core/kernel/index.ts";
import type { WeekKind } from "~/core/progress/index.ts";
import { WEEK_NAMES } from "~/format/phase.ts";
import { DayInput } from "../day-input.tsx";
import { useCatalogue } from "../catalogue.ts";
import { FieldErrors } from "../field.tsx";
import { Section, Tag } from "../page.tsx";
import { SlotProposals } from "../slot-proposals.tsx";

type Proposed = Pick<
  ComponentProps<typeof SlotProposals>,
  "slot" | "station" | "lines" | "records" | "outcomes" | "written"
>;

/** What is proposed for next time, line by line, and the button that plans it. */
export function NextTime({
  day,
  upcoming,
  personAt,
  proposals,
  waiting,
  isSettled,
  next,
  typed,
  problem,
}: {
  /** When the next session is planned unless another day is chosen. */
  readonly day: Day;
  /** The week of the phase that the next session is; null where there is none. */
  readonly upcoming: {
    readonly phase: Id<"phase">;
    readonly name: string;
    readonly week: number;
    readonly kind: WeekKind;
  } | null;
  /** Where the client's page is. */
  readonly personAt: string;
  readonly proposals: readonly Proposed[];
  /** How many lines the coach has to decide about. */
  readonly waiting: number;
  readonly isSettled: boolean;
  /** The session that was planned from this one; null where none is there. */
  readonly next: Id<"plan"> | null;
  readonly typed: Readonly<Record<string, string>> | null;
  readonly problem: { readonly at: NamedLine | null; readonly text: string } | null;
}) {
  const { find } = useCatalogue();
  return (
    <Section
      title="Next time"
      aside={
        isSettled ? (
          <Tag>decided</Tag>
        ) : (
          <Tag tone="strong">
            {waiting === 0 ? "ready to plan" : `${waiting} need your decision`}
          </Tag>
        )
      }
    >
      {upcoming === null ? null : (
        <Typography variant="body2" sx={{ color: "text.secondary", pt: 1 }}>
          Next is week {upcoming.week} of{" "}
          <Link to={`/phases/${upcoming.phase}`}>{upcoming.name}</Link>
          {upcoming.kind === "normal"
            ? ""
            : `, a ${WEEK_NAMES[upcoming.kind]} week: sets and loads are planned as its week has them`}
          .
        </Typography>
      )}
      <Form method="post">
        {proposals.map(({ slot, ...proposed }) => (
          <SlotProposals
            key={slot.id}
            slot={slot}
            personAt={personAt}
            {...proposed}
            name={find(slot.movement)?.name ?? slot.movement}
            typed={typed}
            problem={problem?.at?.slotId === slot.id ? { ...problem.at, text: problem.text } : null}
            isSettled={isSettled}
          />
        ))}
        {isSettled ? (
          <Typography sx={{ py: 2 }}>
            {next === null ? (
              "The next session was planned."
            ) : (
              <Link to={`/plans/${next}`}>Open the session that was planned from this one.</Link>
            )}
          </Typography>
        ) : (
          <Box sx={{ display: "flex", gap: 2, alignItems: "end", flexWrap: "wrap", pt: 2 }}>
            <Box>
              <Typography
                variant="overline"
                component="label"
                htmlFor="next-day"
                sx={{ display: "block" }}
              >
                On
              </Typography>
              <DayInput id="next-day" name="day" defaultValue={typed?.["day"] ?? day} />
            </Box>
            <Button type="submit" variant="contained" color="secondary">
              Plan next session
            </Button>
            <Typography variant="body2" sx={{ color: "text.secondary", pb: 1 }}>
              {acceptedText(proposals, waiting)}
            </Typography>
            <FieldErrors
              id="plan-next-error"
              errors={problem !== null && problem.at === null ? [problem.text] : undefined}
            />
          </Box>
        )}
      </Form>
    </Section>
  );
}

/** "2 need your decision; the other 4 are accepted unless you change them." */
function acceptedText(proposals: readonly Proposed[], waiting: number): string {
  const decided = proposals.flatMap(({ lines }) => lines).filter(({ now }) => now.isDecided).length;
  const others = decided - waiting;
  if (waiting === 0) return "All are accepted unless you change them.";
  const first = waiting === 1 ? "1 needs your decision" : `${waiting} need your decision`;
  return others === 0
    ? `${first}.`
    : `${first}; the other ${others === 1 ? "one is" : `${others} are`} accepted unless you change them.`;
}
