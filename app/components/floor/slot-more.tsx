import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import OutlinedInput from "@mui/material/OutlinedInput";
import { useState } from "react";
import { newId } from "~/codec/new-id.ts";
import { type Id, JOINTS, type Joint } from "~/core/kernel/index.ts";
import {
  notesOf,
  painsOf,
  type CommandBody,
  HELPERS,
  type LogContext,
  type SessionLog,
  COMMAND_BOUNDS,
} from "~/core/log/index.ts";
import type { Side } from "~/core/plan/index.ts";
import { HELPER_NAMES, JOINT_NAMES, SIDE_NAMES } from "~/format/training.ts";
import { Labelled, Select } from "../field.tsx";

const SCORES = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10] as const;
const SKIP_REASONS = [
  "Equipment taken",
  "Hurts here",
  "Out of time",
  "Low-energy day",
  "Another reason",
] as const;

/** What else can be said of an exercise: pain, a note, who helped, or that it is skipped. */
export function SlotMore({
  slotId,
  side,
  log,
  context,
  onCommand,
  children,
}: {
  readonly slotId: Id<"slot">;
  readonly side: Side;
  readonly log: SessionLog;
  readonly context: LogContext | null;
  readonly onCommand: (body: CommandBody) => void;
  /** What else of the exercise can be changed. */
  readonly children?: React.ReactNode;
}) {
  const [joint, setJoint] = useState<Joint>("knee");
  const [score, setScore] = useState(2);
  const [painSide, setPainSide] = useState<Side>(side);
  const [note, setNote] = useState(notesOf(log, slotId).join("\n"));
  const [reason, setReason] = useState<string>(SKIP_REASONS[0]);
  const pains = painsOf(log).filter((pain) => pain.slotId === slotId);
  return (
    <Box
      component="details"
      sx={{ borderTop: 1, borderBottom: 1, borderColor: "kravo.edge", py: 0.5 }}
    >
      <Box
        component="summary"
        sx={{
          minHeight: 44,
          display: "flex",
          alignItems: "center",
          cursor: "pointer",
          fontWeight: 650,
        }}
      >
        Pain, note, spotter, swap, skip
        {pains.length > 0
          ? ` · ${pains.map((p) => `${JOINT_NAMES[p.joint]} ${p.score}/10`).join(", ")}`
          : ""}
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "1fr 1fr", sm: "1fr 1fr 1fr auto" },
          gap: 1,
          alignItems: "end",
        }}
      >
        <Labelled id="pain-joint" label="Pain where">
          <Select
            id="pain-joint"
            value={joint}
            onChange={(e) => setJoint(JOINTS.find((j) => j === e.target.value) ?? joint)}
          >
            {JOINTS.map((j) => (
              <option key={j} value={j}>
                {JOINT_NAMES[j]}
              </option>
            ))}
          </Select>
        </Labelled>
        <Labelled id="pain-side" label="Side">
          <Select
            id="pain-side"
            value={painSide}
            onChange={(e) =>
              setPainSide(
                e.target.value === "left" ? "left" : e.target.value === "right" ? "right" : "both",
              )
            }
          >
            {(["left", "right", "both"] as const).map((s) => (
              <option key={s} value={s}>
                {SIDE_NAMES[s]}
              </option>
            ))}
          </Select>
        </Labelled>
        <Labelled id="pain-score" label="Of 10">
          <Select id="pain-score" value={score} onChange={(e) => setScore(Number(e.target.value))}>
            {SCORES.map((n) => (
              <option key={n} value={n}>
                {n}
              </option>
            ))}
          </Select>
        </Labelled>
        <Button
          variant="outlined"
          sx={{ mb: 2, minHeight: 44 }}
          onClick={() =>
            onCommand({
              kind: "pain",
              id: newId(),
              slotId,
              key: null,
              joint,
              side: painSide,
              score,
              note: "",
            })
          }
        >
          Record pain
        </Button>
      </Box>
      <Typography variant="body2" sx={{ mb: 1.5, color: "text.secondary" }}>
        Joint or sharp pain stops the exercise. Chest pain, faintness or unusual breathlessness end
        the session and need medical help at once. Lasting pain or numbness is for a qualified
        professional.
      </Typography>
      <Labelled
        id="slot-note"
        label="Note, also to next time"
        hint={
          note.length > COMMAND_BOUNDS.note - 200
            ? `${note.length} of ${COMMAND_BOUNDS.note} characters`
            : undefined
        }
      >
        <OutlinedInput
          id="slot-note"
          fullWidth
          multiline
          minRows={2}
          inputProps={{ maxLength: COMMAND_BOUNDS.note }}
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
      </Labelled>
      <Button
        variant="outlined"
        sx={{ mb: 2, minHeight: 44 }}
        onClick={() => onCommand({ kind: "note", slotId, text: note.trim() })}
      >
        Keep the note
      </Button>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { sm: "1fr 1fr auto" },
          gap: 1,
          alignItems: "end",
        }}
      >
        {context === null ? null : (
          <Labelled id="helper" label="Spotter or partner">
            <Select
              id="helper"
              value={context.helper}
              onChange={(e) => {
                const helper = HELPERS.find((h) => h === e.target.value);
                if (helper !== undefined)
                  onCommand({ kind: "context", context: { ...context, helper } });
              }}
            >
              {HELPERS.map((helper) => (
                <option key={helper} value={helper}>
                  {HELPER_NAMES[helper]}
                </option>
              ))}
            </Select>
          </Labelled>
        )}
        <Labelled id="skip-reason" label="Skip the rest of it, because">
          <Select id="skip-reason" value={reason} onChange={(e) => setReason(e.target.value)}>
            {SKIP_REASONS.map((r) => (
              <option key={r}>{r}</option>
            ))}
          </Select>
        </Labelled>
        <Button
          variant="outlined"
          sx={{ mb: 2, minHeight: 44 }}
          onClick={() => onCommand({ kind: "skip", slotId, reason })}
        >
          Skip exercise
        </Button>
      </Box>
      {children}
    </Box>
  );
}
