import Button from "@mui/material/Button";
import { ACCENT_KINDS, accentOfKind, TEMPO_PHASES, type Accent } from "~/core/plan/index.ts";
import { ACCENT_NAMES } from "~/format/prescription.ts";
import { PHASE_NAMES } from "~/format/training.ts";
import { Group, Pick, Time } from "./parts.tsx";

const PHASES = TEMPO_PHASES.map((phase) => [phase, PHASE_NAMES[phase]] as const);
const NONE = "none";

/** What is done to repetitions beyond their tempo, each of its kind at most once. */
export function AccentFields({
  accents,
  onChange,
}: {
  readonly accents: readonly Accent[];
  readonly onChange: (accents: readonly Accent[]) => void;
}) {
  const left = ACCENT_KINDS.filter((kind) => !accents.some((accent) => accent.kind === kind));
  const change = (to: Accent) => onChange(accents.map((a) => (a.kind === to.kind ? to : a)));
  return (
    <Group title="Accents">
      {accents.map((accent) => (
        <Group key={accent.kind} title={ACCENT_NAMES[accent.kind]}>
          {accent.kind === "slowLastRep" ? (
            <Pick
              label="Phase"
              width={110}
              value={accent.phase}
              options={PHASES}
              onValue={(phase) => change({ ...accent, phase })}
            />
          ) : null}
          <Time
            label="Seconds"
            bound="accent"
            value={accent.seconds}
            onValue={(seconds) => change({ ...accent, seconds })}
          />
          <Button
            size="small"
            onClick={() => onChange(accents.filter((a) => a !== accent))}
            aria-label={`Remove ${ACCENT_NAMES[accent.kind]}`}
          >
            ✕
          </Button>
        </Group>
      ))}
      {left.length === 0 ? null : (
        <Pick
          label="Add"
          value={NONE}
          options={[[NONE, "–"], ...left.map((kind) => [kind, ACCENT_NAMES[kind]] as const)]}
          onValue={(kind) => {
            if (kind !== NONE) onChange([...accents, accentOfKind(kind)]);
          }}
        />
      )}
    </Group>
  );
}
