import fc from "fast-check";
import type { z } from "zod";
import { TOWARDS } from "~/core/gym/index.ts";
import {
  BOUNDS,
  gearField,
  RIR_VALUES,
  rirField,
  ROUNDING_ROOM,
  roundingField,
  setUpField,
  tempoField,
  type BoundName,
} from "~/core/plan/index.ts";
import { contentOf, idOf, kg, type FieldContent } from "~/core/kernel/index.ts";
import { sampleNewId } from "../samples/index.ts";

/** What is drawn for a field that is no number, by what it holds; another where a property needs it. */
export type Draw = (content: FieldContent) => fc.Arbitrary<unknown> | null;

const readings = fc.integer({ min: 8, max: 80 }).map((n) => kg(n * 2.5));

/** Mostly small, since a set of 1,000 repeats tells nothing that one of ten does not; the bounds themselves too. */
function numbers(name: string): fc.Arbitrary<number> {
  const { least, most, unit, whole } = BOUNDS[name as BoundName];
  const few = Math.min(
    most,
    Math.max(least, 0) + (unit === "s" ? 90 : unit === "percent" ? 120 : 8),
  );
  const from = Math.ceil(least);
  const small = fc.integer({ min: from, max: Math.max(from, Math.floor(few)) });
  const any = fc.oneof(
    { weight: 12, arbitrary: small },
    {
      weight: 1,
      arbitrary: whole
        ? fc.constantFrom(least, Math.min(most, 60))
        : fc.constantFrom(least, Math.min(most, 300)),
    },
  );
  return unit === "percent" ? any.map((n) => n / 100) : any;
}

function held(content: FieldContent): fc.Arbitrary<unknown> {
  switch (content.kind) {
    case "number":
      return numbers(content.bound);
    case "mass":
      return readings;
    case "movement":
      return fc.constantFrom("shipped:back-squat", "shipped:leg-extension");
    case "id":
      return fc.constant(null).map(() => idOf(sampleNewId()));
  }
}

/**
 * What a schema reads, drawn from it: every kind of a family, every choice, numbers within their bounds.
 * The values are parsed, so they carry their brands, and a draw that the schema refuses is a fault of the draw.
 */
export function anyOf<S extends z.ZodType>(
  schema: S,
  draw: Draw = () => null,
): fc.Arbitrary<z.output<S>> {
  return inputs(schema, draw).map((value) => schema.parse(value));
}

function inputs(schema: z.ZodType, draw: Draw): fc.Arbitrary<unknown> {
  const content = contentOf(schema);
  const own = content === null ? null : (draw(content) ?? held(content));
  if (own === null) return drawn(schema, draw);
  return content?.kind === "number" ? own.filter((n) => schema.safeParse(n).success) : own;
}

const SPECIAL = new Map<unknown, fc.Arbitrary<unknown>>([
  [rirField, fc.constantFrom(...RIR_VALUES)],
  [
    tempoField,
    fc.record({ lower: phase(1), stretch: phase(0), lift: phase(1), squeeze: phase(0) }),
  ],
  [
    roundingField,
    fc.record({
      towards: fc.constantFrom(...TOWARDS),
      within: fc.constantFrom(...ROUNDING_ROOM),
    }),
  ],
  [gearField, fc.uniqueArray(fc.constantFrom("belt", "straps", "heel plates"), { maxLength: 2 })],
  [
    setUpField,
    fc.dictionary(
      fc.constantFrom("Stance", "Foot height", "Heel plates"),
      fc.constantFrom("wide", "narrow", "high", "none"),
      { maxKeys: 2, noNullPrototype: true },
    ),
  ],
]);

function phase(least: number): fc.Arbitrary<unknown> {
  return fc.oneof(
    fc.integer({ min: least, max: 60 }).map((n) => n / 2),
    fc.constantFrom("explosive", null),
  );
}

/** The parts of the library's own description that drawing reads. */
interface Described {
  readonly type: string;
  readonly innerType?: z.ZodType;
  readonly in?: z.ZodType;
  readonly element?: z.ZodType;
  readonly options?: readonly z.ZodType[];
  readonly shape?: Readonly<Record<string, z.ZodType>>;
  readonly entries?: Readonly<Record<string, string>>;
  readonly values?: readonly unknown[];
  readonly checks?: readonly {
    readonly _zod: { readonly def: Readonly<Record<string, unknown>> };
  }[];
}

function drawn(schema: z.ZodType, draw: Draw): fc.Arbitrary<unknown> {
  const special = SPECIAL.get(schema);
  if (special !== undefined) return special;
  const def = (schema as unknown as { readonly def: Described }).def;
  const one = (inner: z.ZodType | undefined) => inputs(inner as z.ZodType, draw);
  switch (def.type) {
    case "readonly":
    case "default":
      return one(def.innerType);
    case "pipe":
      return one(def.in);
    case "nullable":
      return fc.option(one(def.innerType));
    case "union":
      return fc.oneof(...(def.options ?? []).map(one));
    case "literal":
      return fc.constantFrom(...(def.values ?? []));
    case "enum":
      return fc.constantFrom(...Object.values(def.entries ?? {}));
    case "boolean":
      return fc.boolean();
    case "string":
      return fc.constantFrom("", "Bike", "Couch stretch");
    case "array": {
      const check = (name: string) =>
        def.checks?.map(({ _zod }) => _zod.def).find((d) => d["check"] === name);
      const minLength = Number(check("min_length")?.["minimum"] ?? 0);
      const maxLength = Math.min(Number(check("max_length")?.["maximum"] ?? 4), minLength + 4);
      return fc
        .array(one(def.element), { minLength, maxLength })
        .filter((list) => schema.safeParse(list).success);
    }
    case "number": {
      const { minValue, maxValue, format } = schema as z.ZodNumber;
      const [min, max] = [Math.max(minValue ?? 0, -1e6), Math.min(maxValue ?? 1e6, 1e6)];
      return format === "safeint"
        ? fc.integer({ min, max })
        : fc.double({ min, max, noNaN: true, noDefaultInfinity: true });
    }
    case "object": {
      const shape = Object.entries(def.shape ?? {}).map(([name, field]) => [name, one(field)]);
      const record = fc
        .record(Object.fromEntries(shape) as Record<string, fc.Arbitrary<unknown>>)
        .map(ascending);
      const isHeld = (def.checks ?? []).length === 0;
      return isHeld ? record : record.filter((value) => schema.safeParse(value).success);
    }
    default:
      throw new Error(`nothing is drawn for a field of type ${def.type}`);
  }
}

/** A range that came out upside down, the right way round. */
function ascending(value: Readonly<Record<string, unknown>>): Readonly<Record<string, unknown>> {
  const { min, max } = value;
  return Number(min) > Number(max) ? { ...value, min: max, max: min } : value;
}
