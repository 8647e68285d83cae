import { TARGET_KINDS, targetOfKind, TARGETS, type Target } from "~/core/plan/index.ts";
import { TARGET_FIELDS } from "~/format/fields.ts";
import { TARGET_NAMES } from "~/format/target.ts";
import { KindFields } from "./kind-fields.tsx";
import { Group, Pick } from "./form-fields.tsx";

const KINDS = TARGET_KINDS.map((kind) => [kind, TARGET_NAMES[kind]] as const);
const PLACE = { unit: "kg" } as const;

/** What a set asks for: its kind, and all parameters of that kind. */
export function TargetFields({
  target,
  onChange,
}: {
  readonly target: Target;
  readonly onChange: (target: Target) => void;
}) {
  return (
    <Group title="Asked for">
      <Pick
        label="Kind"
        value={target.kind}
        options={KINDS}
        onValue={(kind) => onChange(targetOfKind(kind, target))}
      />
      <KindFields
        definition={TARGETS[target.kind].definition}
        names={TARGET_FIELDS[target.kind]}
        value={target}
        place={PLACE}
        onChange={(change) => onChange(change(target))}
      />
    </Group>
  );
}
