import Button from "@mui/material/Button";
import { ACCENT_KINDS, accentOfKind, ACCENTS, type Accent } from "~/core/plan/index.ts";
import { ACCENT_FIELDS } from "~/format/fields.ts";
import { ACCENT_NAMES } from "~/format/prescription.ts";
import { KindFields } from "./kind-fields.tsx";
import { Group, Pick } from "./form-fields.tsx";

const PLACE = { unit: "kg" } as const;
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
          <KindFields
            definition={ACCENTS[accent.kind].definition}
            names={ACCENT_FIELDS[accent.kind]}
            value={accent}
            place={PLACE}
            onChange={(to) => change(to(accent))}
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
