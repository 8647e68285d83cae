import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Id } from "~/core/kernel/index.ts";
import {
  loggedSetsAt,
  skipReason,
  type OrderedCommand,
  type SessionLog,
} from "~/core/log/index.ts";
import {
  stepKeyText,
  type StepKey,
  type SetStep,
  type UnrollContext,
} from "~/core/unroll/index.ts";
import { slotsOf, type SessionPlan } from "~/core/plan/index.ts";
import { formatLoggedSet } from "~/format/exposure.ts";
import { formatAmount } from "~/format/numbers.ts";
import { EXTENSION_NAMES } from "~/format/prescription.ts";
import { formatTargetShort } from "~/format/target.ts";
import { formatRir } from "~/format/training.ts";
import { TOUCH } from "../../theme/tokens.ts";

/** The whole session beside the step: what is done, what is next; a press opens any step. */
export function StepList({
  plan,
  steps,
  log,
  entries,
  current,
  context,
  onUnskip,
  onPick,
}: {
  readonly plan: SessionPlan;
  readonly steps: readonly SetStep[];
  readonly log: SessionLog;
  readonly entries: readonly OrderedCommand[];
  readonly current: SetStep | null;
  readonly context: UnrollContext;
  readonly onUnskip: (slotId: Id<"slot">) => void;
  readonly onPick: (key: StepKey) => void;
}) {
  const unsent = new Set(
    entries.filter((e) => e.position === null).map((e) => e.command.commandId),
  );
  return (
    <Box component="nav" aria-label="Steps of this session" sx={{ mt: { xs: 3, md: 0 } }}>
      {slotsOf(plan).map((slot, i) => {
        const skipped = skipReason(log, slot.id);
        return (
          <Box key={slot.id} sx={{ mb: 2 }}>
            <Typography
              variant="h3"
              component="h2"
              sx={{ borderBottom: 2, borderColor: "kravo.ink", pb: 0.25 }}
            >
              <Box component="span" sx={{ color: "text.secondary" }}>
                {i + 1}{" "}
              </Box>
              {context.movement(slot.movement)?.name ?? slot.movement}
            </Typography>
            {skipped === null ? null : (
              <Box sx={{ display: "flex", alignItems: "center", justifyContent: "space-between" }}>
                <Typography variant="body2">Skipped: {skipped}</Typography>
                <Button sx={{ minHeight: TOUCH }} onClick={() => onUnskip(slot.id)}>
                  Train it after all
                </Button>
              </Box>
            )}
            {steps
              .filter((step) => step.slotId === slot.id)
              .map((step) => {
                const logged = loggedSetsAt(log, step.key);
                const isCurrent =
                  current !== null && stepKeyText(current.key) === stepKeyText(step.key);
                const text = stepKeyText(step.key);
                return (
                  <Box
                    key={text}
                    component="button"
                    type="button"
                    aria-current={isCurrent ? "step" : undefined}
                    onClick={() => onPick(step.key)}
                    sx={{
                      display: "grid",
                      gridTemplateColumns: "72px 1fr auto",
                      gap: 1,
                      width: "100%",
                      minHeight: TOUCH - 4,
                      alignItems: "center",
                      textAlign: "left",
                      font: "inherit",
                      color: "text.primary",
                      background: "none",
                      border: 0,
                      borderBottom: 1,
                      borderLeft: 5,
                      pl: 1,
                      cursor: "pointer",
                      borderColor: "divider",
                      borderLeftColor: isCurrent ? "kravo.signal" : "transparent",
                    }}
                  >
                    <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
                      {step.kind === "set" ? `set ${step.setNumber}` : EXTENSION_NAMES[step.kind]}
                      {step.repeat.of > 1 ? ` ${step.repeat.number}` : ""}
                      {step.key.side === "both" ? "" : ` ${step.key.side}`}
                    </Typography>
                    <Typography
                      component="span"
                      variant="figure"
                      sx={{
                        color: logged.length > 0 ? "text.primary" : "text.secondary",
                        fontWeight: logged.length > 0 ? 750 : 500,
                      }}
                    >
                      {logged.length > 0
                        ? logged.map(({ loggedSet }) => formatLoggedSet(loggedSet)).join(" / ")
                        : `${loadText(step)} × ${formatTargetShort(step.target)}`}
                    </Typography>
                    <Typography component="span" variant="body2" sx={{ color: "text.secondary" }}>
                      {logged.length === 0
                        ? ""
                        : logged.some((l) => unsent.has(l.commandId))
                          ? "on device"
                          : logged[0] === undefined || logged[0].loggedSet.rir === "unknown"
                            ? "done"
                            : formatRir(logged[0].loggedSet.rir)}
                    </Typography>
                  </Box>
                );
              })}
          </Box>
        );
      })}
    </Box>
  );
}

function loadText({ load }: SetStep): string {
  return load.kind === "made"
    ? formatAmount(load.reading)
    : load.kind === "bodyweight"
      ? "body"
      : "find";
}
