import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Day, MassUnit } from "~/core/kernel/index.ts";
import { slotsOf, slotsOfBlock, type SessionPlan } from "~/core/plan/index.ts";
import { isSetStep, sessionDuration, unroll, type UnrollContext } from "~/core/unroll/index.ts";
import { formatDay, formatMinuteRange } from "~/format/numbers.ts";
import { formatItem, formatRest } from "~/format/prescription.ts";
import { BLOCK_NAMES, formatRotation } from "~/format/training.ts";
import { useCatalogue } from "../catalogue.ts";
import { useMuscles } from "../wording.ts";
import { SheetExercise } from "./sheet-exercise.tsx";
import { SheetPage } from "./sheet-page.tsx";

/** A session on one A4 page, in ink on white, with room to write beside every set. */
export function SessionSheet({
  document,
  title,
  day,
  personName,
  readsIn,
  gym,
  unrollContext,
}: {
  readonly document: SessionPlan;
  readonly title: string;
  readonly day: Day;
  readonly personName: string;
  /** In which unit the client thinks. */
  readonly readsIn: MassUnit;
  /** The gym's name. */
  readonly gym: string;
  readonly unrollContext: UnrollContext;
}) {
  const muscles = useMuscles();
  const { find } = useCatalogue();
  const steps = unroll(document, unrollContext);
  const slots = slotsOf(document);
  return (
    <SheetPage>
      <Box component="header" sx={{ borderBottom: "2px solid", display: "flex", gap: 2 }}>
        <Typography variant="h1" sx={{ fontSize: "1.6em", flexGrow: 1 }}>
          {personName} · {title}
        </Typography>
        <Box sx={{ textAlign: "right" }}>
          {formatDay(day)} · {gym}
          <br />
          {formatMinuteRange(sessionDuration(steps))}
        </Box>
      </Box>
      {document.blocks.map((block) => (
        <Box key={block.id} className="together">
          {"items" in block ? (
            <section>
              <h2>
                {BLOCK_NAMES[block.kind]}
                {block.rounds > 1 ? `, ${block.rounds} rounds` : ""}
              </h2>
              {block.items.map((item) => formatItem(item, find, muscles)).join(" · ")}
            </section>
          ) : (
            <>
              {block.kind === "rotation" ? (
                <Box sx={{ fontWeight: 700, mt: "0.6em" }}>
                  {formatRotation(block.members.length)}: rest {formatRest(block.restBetween)}{" "}
                  between, {formatRest(block.restAfterRound)} after a round
                </Box>
              ) : null}
              {slotsOfBlock(block).map((slot) => (
                <SheetExercise
                  key={slot.id}
                  slot={slot}
                  number={slots.indexOf(slot) + 1}
                  station={unrollContext.station(slot.station)?.name ?? "no equipment"}
                  steps={steps.filter(isSetStep).filter((step) => step.slotId === slot.id)}
                  find={find}
                  readsIn={readsIn}
                />
              ))}
            </>
          )}
        </Box>
      ))}
      <Box component="footer" sx={{ borderTop: "2px solid", mt: "0.8em", pt: "0.4em" }}>
        <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: "1.2em", rowGap: "0.6em" }}>
          {TO_WRITE.map((what) => (
            <span key={what}>
              {what} <span className="write" />
            </span>
          ))}
          {TO_RING.map(([what, scale]) => (
            <span key={what}>
              {what} <span className="scale">{scale.join("  ")}</span>
            </span>
          ))}
        </Box>
        <Box component="p" sx={{ m: 0, mt: "0.6em", fontSize: "0.8em" }}>
          Joint or sharp pain ends the exercise. Chest pain, faintness or unusual breathlessness end
          the session and need medical help at once. General caution, not medical advice.
        </Box>
      </Box>
    </SheetPage>
  );
}

/** What is worth knowing of the session as a whole; the scales are those of the floor. */
const TO_WRITE = ["Body weight", "Start", "End"];
const TO_RING = [
  ["Readiness (5 is best)", [1, 2, 3, 4, 5]],
  ["Session RPE", [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10]],
] as const;
