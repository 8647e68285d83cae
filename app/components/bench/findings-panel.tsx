import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Fragment, use, useMemo, useState } from "react";
import { Form } from "react-router";
import {
  canBeLeft,
  toldOnce,
  type Severity,
  type Finding,
  type Fix,
  type Judging,
  type Told,
} from "~/core/coach/index.ts";
import type { FindMovement } from "~/core/movement/index.ts";
import type { Day, Id, NewId } from "~/core/kernel/index.ts";
import {
  FAMILY_NAMES,
  formatFact,
  formatFix,
  formatTold,
  SEVERITY_NAMES,
} from "~/format/findings.ts";
import { formatShortDay, plural } from "~/format/numbers.ts";
import { Disclosure } from "../disclosure.tsx";
import { PlainInput, Select } from "../field.tsx";
import { steady } from "../steady.ts";
import { answersTo, nameOfSlotIn, useFirstAnswers, type FirstAnswer } from "./answers.ts";
import { JudgedContext } from "./bench-context.ts";
import bench from "./bench.module.css";
import { useMuscles } from "../wording.ts";

/** How each is coloured; a warning as every finding is. */
const SEVERITY_CLASSES: Readonly<Record<Severity, string>> = {
  serious: bench.serious,
  warning: "",
  note: bench.note,
};

export interface SetAside {
  readonly id: Id<"dismissal">;
  readonly key: string;
  readonly reason: string;
  readonly leftTo: Day | null;
}

interface FindingsPanelProps {
  readonly findings: readonly Finding[];
  readonly approachName: string;
  readonly setAside: readonly SetAside[];
  readonly newId: NewId;
  readonly plan: Id<"plan">;
  /** Moving to the other day changes both plans on the server, so nothing unsaved may be open. */
  readonly isSaved: boolean;
  readonly find: FindMovement;
  /** `judging` is the session that the fix was found for. */
  readonly onFix: (fix: Fix, judging: Judging) => void;
  readonly onSetAside: (finding: Finding, reason: string, leftTo: Day | null) => void;
  readonly onTakeBack: (id: Id<"dismissal">) => void;
}

type RowProps = Omit<FindingsPanelProps, "findings" | "setAside" | "onTakeBack">;

/** As many are shown before the rest is opened. */
const SHOWN = 5;

/** What was found about the session, gravest first, each with its numbers and the first thing that answers it. */
export function FindingsPanel({ findings, setAside, onTakeBack, ...row }: FindingsPanelProps) {
  const muscles = useMuscles();
  const reasons = new Map(setAside.map((d) => [d.key, d]));
  const open = toldOnce(findings.filter((f) => !reasons.has(f.key)));
  const aside = findings.flatMap((f) => {
    const dismissal = reasons.get(f.key);
    return dismissal === undefined ? [] : [{ finding: f, dismissal }];
  });
  const shown = open.slice(0, SHOWN);
  const first = useFirstAnswers(shown, row.newId, row.approachName, row.find);
  const rest = open.slice(SHOWN);
  return (
    <section className={bench.findings} aria-label="Findings">
      <h2>{open.length === 0 ? "No findings" : plural(open.length, "finding")}</h2>
      {shown.map((told) => (
        <FindingRow
          key={told[0].key}
          told={told}
          answer={first.get(told[0].key) ?? null}
          {...row}
        />
      ))}
      {rest.length === 0 ? null : (
        <Disclosure dense summary={`${rest.length} more`}>
          {rest.map((told) => (
            <FindingRow key={told[0].key} told={told} answer={null} {...row} />
          ))}
        </Disclosure>
      )}
      {aside.length === 0 ? null : (
        <Disclosure dense summary={`${aside.length} set aside`}>
          {aside.map(({ finding, dismissal }) => (
            <Box key={finding.key} sx={{ py: 1, borderBottom: 1, borderColor: "divider" }}>
              <Typography variant="body2">
                {formatFact(finding.fact, row.approachName, row.find, muscles)}
              </Typography>
              <Typography variant="body2" sx={{ fontWeight: 650 }}>
                {dismissal.leftTo === null
                  ? "Set aside"
                  : `Left for ${formatShortDay(dismissal.leftTo)}`}
                : {dismissal.reason}
              </Typography>
              <Button size="small" onClick={() => onTakeBack(dismissal.id)}>
                Restore
              </Button>
            </Box>
          ))}
        </Disclosure>
      )}
    </section>
  );
}

/** Moves an exercise to another session; both are saved in one go, and the page is loaded anew. */
function SpreadButton({
  plan,
  slot,
  to,
  text,
  isSaved,
}: {
  readonly plan: Id<"plan">;
  readonly slot: Id<"slot">;
  readonly to: Id<"plan">;
  readonly text: string;
  readonly isSaved: boolean;
}) {
  return (
    <Form method="post" action={`/plans/${plan}/move-slot`} reloadDocument>
      <input type="hidden" name="slot" value={slot} />
      <input type="hidden" name="to" value={to} />
      <Button type="submit" size="small" variant="outlined" disabled={!isSaved}>
        {isSaved ? text : `${text} (save first)`}
      </Button>
    </Form>
  );
}

const FindingRow = steady(function FindingRow({
  told,
  answer,
  ...row
}: RowProps & {
  readonly told: Told;
  /** What answers it first, seen while it is closed. */
  readonly answer: FirstAnswer | null;
}) {
  const muscles = useMuscles();
  const [first] = told;
  const [isOpen, setOpen] = useState(first.severity === "serious");
  return (
    <div className={`${bench.finding} ${SEVERITY_CLASSES[first.severity]}`}>
      <details open={isOpen} onToggle={(event) => setOpen(event.currentTarget.open)}>
        <summary
          title={`${SEVERITY_NAMES[first.severity]}, ${FAMILY_NAMES[first.family].toLowerCase()}`}
        >
          <span className={bench.findingKind}>{SEVERITY_NAMES[first.severity]}</span>{" "}
          {formatTold(told, row.approachName, row.find, muscles)}
        </summary>
        {isOpen
          ? told.map((finding) => (
              <Fragment key={finding.key}>
                {told.length === 1 ? null : (
                  <p className={bench.findingOne}>
                    {formatFact(finding.fact, row.approachName, row.find, muscles)}
                  </p>
                )}
                <Answers finding={finding} {...row} />
              </Fragment>
            ))
          : null}
      </details>
      {answer === null || isOpen ? null : <FirstFix answer={answer} onFix={row.onFix} />}
    </div>
  );
});

/** Applies what answers a finding first, to the session as it is. */
function FirstFix({
  answer,
  onFix,
}: {
  readonly answer: FirstAnswer;
  readonly onFix: FindingsPanelProps["onFix"];
}) {
  const judged = use(JudgedContext);
  return judged === null ? null : (
    <button type="button" className={bench.firstFix} onClick={() => onFix(answer.fix, judged)}>
      {answer.text}
    </button>
  );
}

/** What can be done about a finding, made of the session as it is now. */
function Answers({
  finding,
  newId,
  plan,
  isSaved,
  approachName,
  find,
  onFix,
  onSetAside,
}: RowProps & { readonly finding: Finding }) {
  const muscles = useMuscles();
  const judged = use(JudgedContext);
  const [reason, setReason] = useState("");
  const [asks, setAsks] = useState(false);
  const [leftTo, setLeftTo] = useState("");
  const answers = useMemo(
    () => (judged === null ? [] : answersTo(finding, judged, newId, approachName, find, muscles)),
    [finding, judged, newId, approachName, find, muscles],
  );
  if (judged === null) return null;
  const days = judged.otherDays.map(({ day }) => day).filter((day) => day > judged.day);
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, my: 0.75 }}>
        {answers.map(({ fix, about }) => {
          const text = formatFix(fix, nameOfSlotIn(judged));
          return (
            <Box key={`${fix.kind} ${text}`} sx={about === null ? undefined : { width: "100%" }}>
              {fix.kind === "moveToOtherDay" ? (
                <SpreadButton
                  plan={plan}
                  slot={fix.slot}
                  to={fix.to}
                  text={text}
                  isSaved={isSaved}
                />
              ) : (
                <Button size="small" variant="outlined" onClick={() => onFix(fix, judged)}>
                  {text}
                </Button>
              )}
              {about === null ? null : (
                <Typography variant="body2" sx={{ color: "text.secondary", pt: 0.25, pb: 0.5 }}>
                  {about}
                </Typography>
              )}
            </Box>
          );
        })}
        {asks ? null : (
          <Button size="small" onClick={() => setAsks(true)}>
            Set aside …
          </Button>
        )}
      </Box>
      {asks ? (
        <Box
          component="form"
          onSubmit={(event: React.SyntheticEvent) => {
            event.preventDefault();
            const to = days.find((day) => day === leftTo) ?? null;
            if (reason.trim() !== "") onSetAside(finding, reason.trim(), to);
          }}
          sx={{ display: "flex", gap: 0.75, mb: 0.75 }}
        >
          <PlainInput
            aria-label="Why it is set aside"
            placeholder="Why? It is kept with the plan."
            autoFocus
            required
            maxLength={500}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
          {!canBeLeft(finding.fact) || days.length === 0 ? null : (
            <Select
              aria-label="Leave for another day"
              value={leftTo}
              onChange={(event) => setLeftTo(event.target.value)}
            >
              <option value="">For this session</option>
              {days.map((day) => (
                <option key={day} value={day}>
                  Leave for {formatShortDay(day)}
                </option>
              ))}
            </Select>
          )}
          <Button type="submit" size="small" variant="contained">
            Keep
          </Button>
        </Box>
      ) : null}
    </>
  );
}
