import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import type { Id, MassUnit } from "~/core/kernel/index.ts";
import { loggedField, type LoggedSet, type SessionReview } from "~/core/log/index.ts";
import type { Slot } from "~/core/plan/index.ts";
import { formatLoggedSet } from "~/format/exposure.ts";
import { formatSetRecord } from "~/format/set-record.ts";
import { formatSets } from "~/format/plan.ts";
import { EXTENSION_NAMES, formatItem } from "~/format/prescription.ts";
import { BLOCK_NAMES, formatRir, JOINT_NAMES, SIDE_NAMES } from "~/format/training.ts";
import { useCatalogue } from "../catalogue.ts";
import { Ledger } from "../ledger.tsx";
import { Section } from "../page.tsx";
import { CorrectSet } from "./correct-set.tsx";
import plain from "../../theme/plain.module.css";
import { useMuscles } from "../wording.ts";

/** Every exercise as it was planned and as it was done, with what was said of it; behind it `children`. */
export function PlannedAndDone({
  review,
  unitOf,
  isEnded,
  children,
}: {
  readonly review: SessionReview;
  readonly unitOf: (slot: Slot) => MassUnit;
  /** A session that is ended is corrected here, one that runs on the floor. */
  readonly isEnded: boolean;
  readonly children: ReactNode;
}) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  return (
    <Section
      title="Planned and done"
      aside={
        <Typography variant="figure">{`${review.doneSets} of ${review.plannedSets} sets`}</Typography>
      }
    >
      <Ledger label="Sets planned and done" head={["Exercise", "Planned", "Done"]}>
        {review.slots.map(
          ({ slot, loggedSets, doneSets: own, plannedSets: asked, skipped, notes, broughtBy }) => (
            <tr key={slot.id}>
              <th scope="row">
                {find(slot.movement)?.name ?? slot.movement}
                {broughtBy === null ? null : (
                  <Typography variant="body2" sx={{ color: "text.secondary" }}>
                    {BROUGHT_BY[broughtBy]}
                  </Typography>
                )}
              </th>
              <td>{formatSets(slot, find)}</td>
              <Box component="td" sx={{ [`& .${plain.opened}`]: { mt: 0 } }}>
                {loggedSets.length === 0
                  ? skipped === null
                    ? "nothing logged"
                    : `skipped: ${skipped}`
                  : null}
                {loggedSets.map((logged) =>
                  isEnded ? (
                    <CorrectSet
                      key={logged.commandId}
                      logged={logged}
                      done={logged.loggedSet[loggedField(logged.loggedSet)]}
                      unit={logged.loggedSet.reading?.unit ?? unitOf(slot)}
                    >
                      <DoneText slot={slot} loggedSet={logged.loggedSet} />
                    </CorrectSet>
                  ) : (
                    <div key={logged.commandId}>
                      <DoneText slot={slot} loggedSet={logged.loggedSet} />
                    </div>
                  ),
                )}
                {loggedSets.length > 0 && own < asked ? (
                  <Typography variant="body2" sx={{ color: "kravo.warn" }}>
                    {own} of {asked} sets{skipped === null ? "" : `; rest skipped: ${skipped}`}
                  </Typography>
                ) : null}
                {notes.map((note) => (
                  <Typography
                    key={note}
                    variant="body2"
                    sx={{ borderLeft: 3, pl: 1, mt: 0.5, borderColor: "kravo.ironLight" }}
                  >
                    {note}
                  </Typography>
                ))}
              </Box>
            </tr>
          ),
        )}
        {review.items.map(({ block, isDone }) => (
          <tr key={block.id}>
            <th scope="row">{BLOCK_NAMES[block.kind]}</th>
            <td>{block.items.map((item) => formatItem(item, find, muscles)).join(" · ")}</td>
            <td>{isDone === null ? "not logged" : isDone ? "done" : "skipped"}</td>
          </tr>
        ))}
      </Ledger>
      {review.unplanned.length === 0 ? null : (
        <Typography sx={{ mt: 1 }}>
          Also logged, on sets no longer in the plan:{" "}
          {review.unplanned.map(formatLoggedSet).join(", ")}
        </Typography>
      )}
      {review.pains.length === 0 ? null : (
        <Box sx={{ mt: 2, borderLeft: 4, borderColor: "kravo.signal", pl: 1.5 }}>
          {review.pains.map((pain) => (
            <Typography key={pain.id}>
              Pain: {JOINT_NAMES[pain.joint]}, {SIDE_NAMES[pain.side]}, {pain.score} of 10
            </Typography>
          ))}
        </Box>
      )}
      {review.notes.map((note) => (
        <Typography key={note}>{note}</Typography>
      ))}
      {children}
    </Section>
  );
}

const BROUGHT_BY = {
  swapOnce: "swapped in for today",
  swapForGood: "swapped in for good",
  added: "added on the day",
} as const;

/** "100 kg × 8, left, drop, RIR 2", and behind it what else was said of the set. */
function DoneText({ slot, loggedSet }: { readonly slot: Slot; readonly loggedSet: LoggedSet }) {
  const muscles = useMuscles();
  const record = formatSetRecord(loggedSet, muscles);
  return (
    <>
      <Box component="span" sx={{ whiteSpace: "nowrap" }}>
        <span className="figure">{formatLoggedSet(loggedSet)}</span>{" "}
        <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
          {loggedSet.key.side === "both" ? "" : `${SIDE_NAMES[loggedSet.key.side]}, `}
          {extensionName(slot, loggedSet.key.extensionId)}
          {formatRir(loggedSet.rir)}
        </Typography>
      </Box>
      {record.length === 0 ? null : (
        <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
          {" "}
          · {record.join(", ")}
        </Typography>
      )}
    </>
  );
}

/** "drop, " for what extends a set, by its kind. */
function extensionName(slot: Slot, id: Id<"extension"> | null): string {
  if (id === null) return "";
  const extension = slot.sets.flatMap((set) => set.extensions).find((e) => e.id === id);
  return extension === undefined ? "extension, " : `${EXTENSION_NAMES[extension.kind]}, `;
}
