import { REST_KINDS, restOfKind, RESTS, type Rest } from "~/core/plan/index.ts";
import { REST_FIELDS } from "~/format/fields.ts";
import { REST_NAMES } from "~/format/prescription.ts";
import { KindFields } from "./kind-fields.tsx";
import { Group, Pick } from "./form-fields.tsx";

const KINDS = REST_KINDS.map((kind) => [kind, REST_NAMES[kind]] as const);
const PLACE = { unit: "kg" } as const;

/** How the rest after a set ends, and all parameters of that kind. */
export function RestFields({
  rest,
  onChange,
}: {
  readonly rest: Rest;
  readonly onChange: (rest: Rest) => void;
}) {
  return (
    <Group title="Rest after">
      <Pick
        label="Kind"
        value={rest.kind}
        options={KINDS}
        onValue={(kind) => onChange(restOfKind(kind, rest))}
      />
      <KindFields
        definition={RESTS[rest.kind].definition}
        names={REST_FIELDS[rest.kind]}
        value={rest}
        place={PLACE}
        onChange={(change) => onChange(change(rest))}
      />
    </Group>
  );
}
