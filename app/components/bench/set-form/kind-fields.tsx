import type { z } from "zod";
import { typedNumber } from "~/codec/typed-cells.ts";
import { contentOf, type FieldContent, type Kind, type Mass } from "~/core/kernel/index.ts";
import { BOUNDS, type BoundName } from "~/core/plan/index.ts";
import type { FieldName } from "~/format/fields.ts";
import { formatPercent } from "~/format/numbers.ts";
import { Cell, Pick, Reading, Tick } from "./form-fields.tsx";

/** What the fields of a kind cannot know by themselves. */
export interface FieldPlace {
  readonly unit: Mass["unit"];
  /** How a field is shown that is a choice of this place, or a family of its own; null where it is not shown. */
  readonly own?: (
    name: string,
    label: string,
    value: unknown,
    put: (value: unknown) => void,
  ) => React.ReactNode;
}

/**
 * The fields of a kind as its definition has them, in the order in which they are named. Whatever is put in is
 * read by the definition, so that nothing stands in a form that cannot be stored.
 */
export function KindFields<V extends { readonly kind: string }>({
  definition,
  names,
  value,
  place,
  onChange,
}: {
  readonly definition: Kind;
  readonly names: Readonly<Record<string, FieldName>>;
  readonly value: V;
  readonly place: FieldPlace;
  readonly onChange: (change: (now: V) => V) => void;
}) {
  const put = (fields: Readonly<Record<string, unknown>>) =>
    onChange((now) => {
      if (now.kind !== value.kind) return now;
      const read = definition.schema.safeParse({ ...now, ...fields });
      return read.success ? (read.data as V) : now;
    });
  return Object.entries(names).map(([name, field]) => (
    <OneField
      key={name}
      name={name}
      field={field}
      schema={fieldOf(definition, name)}
      value={value[name as keyof V]}
      place={place}
      onPut={(to) => put({ ...alongWith(name, to, value), [name]: to })}
    />
  ));
}

const fieldOf = (definition: Kind, name: string) => definition.fields[name] as Schema;
type Schema = Kind["schema"];

/** The other end of a range that would stand upside down goes along. */
function alongWith(name: string, to: unknown, value: object): Readonly<Record<string, unknown>> {
  if (!("min" in value && "max" in value)) return {};
  if (name === "min" && Number(to) > Number(value.max)) return { max: to };
  return name === "max" && Number(to) < Number(value.min) ? { min: to } : {};
}

/** What a schema says of itself beyond what it holds. */
interface Described {
  readonly type: string;
  readonly innerType?: Schema;
}
const described = (schema: Schema) => (schema as unknown as { readonly def: Described }).def;

function OneField({
  name,
  field,
  schema,
  value,
  place,
  onPut,
}: {
  readonly name: string;
  readonly field: FieldName;
  readonly schema: Schema;
  readonly value: unknown;
  readonly place: FieldPlace;
  readonly onPut: (value: unknown) => void;
}) {
  if (typeof field !== "string") {
    return (
      <Pick
        label={field.label}
        width={widthFor(field)}
        value={String(value)}
        options={Object.entries(field.choices)}
        onValue={onPut}
      />
    );
  }
  const outer = described(schema);
  // What was stored before a field was there reads as its default; the form shows the field itself.
  const { type, innerType } =
    outer.type === "default" && outer.innerType !== undefined ? described(outer.innerType) : outer;
  if (type === "boolean") return <Tick label={field} value={value === true} onValue={onPut} />;
  const isNullable = type === "nullable";
  const content = contentOf(isNullable && innerType !== undefined ? innerType : schema);
  if (content?.kind === "number") {
    return (
      <NumberCell
        label={field}
        schema={schema}
        bound={content}
        value={value as number | null}
        isNullable={isNullable}
        onValue={onPut}
      />
    );
  }
  if (content?.kind === "mass") {
    return (
      <Reading<Mass | null>
        label={field}
        unit={place.unit}
        value={value as Mass | null}
        isOptional={isNullable}
        onValue={onPut}
      />
    );
  }
  return place.own?.(name, field, value, onPut) ?? null;
}

/** Wide enough for the longest choice. */
const widthFor = (field: Exclude<FieldName, string>) =>
  Math.min(220, 54 + 8 * Math.max(...Object.values(field.choices).map((text) => text.length)));

function NumberCell({
  label,
  schema,
  bound,
  value,
  isNullable,
  onValue,
}: {
  readonly label: string;
  readonly schema: Schema;
  readonly bound: Extract<FieldContent, { readonly kind: "number" }>;
  readonly value: number | null;
  readonly isNullable: boolean;
  readonly onValue: (value: number | null) => void;
}) {
  const name = bound.bound as BoundName;
  const read = typedNumber(schema as z.ZodType<number>, name);
  const isShare = BOUNDS[name].unit === "percent";
  return (
    <Cell<number | null>
      label={label}
      value={value}
      show={(n) => (n === null ? "" : isShare ? formatPercent(n) : String(n))}
      read={(text) => (isNullable && text.trim() === "" ? { ok: true, value: null } : read(text))}
      onValue={onValue}
      {...(isNullable ? { placeholder: "–" } : {})}
    />
  );
}
