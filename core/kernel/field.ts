import { z } from "zod";
import { isMovementRef, isId, type Id, type IdOf, type MovementRef } from "./identity.ts";
import { instant, isInstant } from "./calendar.ts";
import { isThousandths, mass, type Mass, type MassUnit } from "./mass.ts";

/** What a number counts or measures; `percent` is written per cent and stored as a fraction. */
export type BoundUnit = "count" | "s" | "percent" | "m" | "deg" | "outOfTen" | "perMinute";

/** From and to, both allowed, in the unit in which the number is written. */
export interface Bound {
  readonly least: number;
  readonly most: number;
  readonly unit: BoundUnit;
  readonly whole: boolean;
}

/** What a field holds, for the form that shows it and the generator that draws it. */
export type FieldContent<B extends string = string> =
  | { readonly kind: "number"; readonly bound: B }
  | { readonly kind: "mass" }
  | { readonly kind: "movement" }
  | { readonly kind: "id"; readonly of: IdOf };

const contents = z.registry<FieldContent>();

/** The schema with what it holds told to forms and generators. */
export function holding<S extends z.ZodType>(schema: S, content: FieldContent): S {
  contents.add(schema, content);
  return schema;
}

/** What a field holds; null for one that its schema says whole: a choice, yes or no, a list, a family. */
export function contentOf(field: z.ZodType): FieldContent | null {
  return contents.get(field) ?? null;
}

/** A number within a bound, stored as it is written but for per cents, which are stored as fractions. */
export function numberField<Q extends number>(name: string, bound: Bound, brand: (n: number) => Q) {
  const times = bound.unit === "percent" ? 100 : 1;
  const number = bound.whole ? z.int() : z.number();
  return holding(
    number
      .min(bound.least / times)
      .max(bound.most / times)
      .transform(brand),
    { kind: "number", bound: name },
  );
}

/** A UUID of the named thing. */
export function idField<K extends IdOf>(of: K) {
  return holding(
    z.custom<Id<K>>((v) => typeof v === "string" && isId<K>(v), "Choose one from the list."),
    { kind: "id", of },
  );
}

export const movementField = holding(
  z.custom<MovementRef>(
    (v) => typeof v === "string" && isMovementRef(v),
    "expected a movement reference",
  ),
  { kind: "movement" },
);

/** A moment as stored and sent: whole milliseconds since 1970, as far as a date reaches. */
export const instantField = z
  .int()
  .min(0)
  .refine(isInstant, "expected a moment that a date can hold")
  .transform(instant);

const MASS_UNITS = ["kg", "lb"] as const satisfies readonly MassUnit[];
export const massUnitField = z.enum(MASS_UNITS);

/** A mass as stored in documents: integer thousandths and unit. */
export const massField = holding(
  z
    .object({
      thousandths: z.number().refine(isThousandths, "expected integer thousandths of a mass"),
      unit: massUnitField,
    })
    .transform((m): Mass => mass(m.thousandths, m.unit)),
  { kind: "mass" },
);

/** One kind of a family: its name, and what it holds, in the order in which it is written. */
export function kind<const K extends string, F extends z.core.$ZodLooseShape>(name: K, fields: F) {
  return {
    name,
    fields,
    schema: z.object({ kind: z.literal(name), ...fields }).readonly(),
  } as const;
}

/** A kind's schema that also asks something of several of its fields together. */
export function where<S extends z.core.$ZodLooseShape>(
  schema: z.ZodObject<S>,
  holds: (value: never) => boolean,
  error: string,
) {
  return schema.refine((value) => holds(value as never), error).readonly();
}

interface Span {
  readonly min: number;
  readonly max: number;
}
const isAscending = ({ min, max }: Span) => min <= max;

/** As {@link kind}, where `min` may not be above `max`. */
export function rangeKind<
  const K extends string,
  F extends { readonly min: z.ZodType<number>; readonly max: z.ZodType<number> },
>(name: K, fields: F) {
  const object = z.object({ kind: z.literal(name), ...fields });
  return {
    name,
    fields,
    schema: where(object, isAscending, "expected a range from low to high"),
  } as const;
}

/** A kind as it is defined. */
export interface Kind {
  readonly name: string;
  readonly fields: z.core.$ZodLooseShape;
  readonly schema: z.ZodType;
}

/** A module that defines a kind, with its plain functions beside the definition. */
export interface Defines {
  readonly definition: Kind;
}

/** What a kind's definition holds once it is read. */
export type ValueOf<M extends Defines> = z.output<M["definition"]["schema"]>;

/** The family's values: one of what its kinds hold. */
export type FamilyOf<T extends Readonly<Record<string, Defines>>> = {
  [K in keyof T]: ValueOf<T[K]>;
}[keyof T];

/** The schema of a family: one of its kinds, told by `kind`. */
export function unionOf<T extends Readonly<Record<string, Defines>>>(
  table: T,
): z.ZodType<FamilyOf<T>> {
  const schemas = Object.values(table).map(({ definition }) => definition.schema);
  return z.discriminatedUnion("kind", schemas as never) as unknown as z.ZodType<FamilyOf<T>>;
}

/** The names of a family's kinds, in the order of its table. */
export function kindsOf<T extends object>(table: T): readonly (keyof T & string)[] {
  return Object.keys(table) as (keyof T & string)[];
}

/** What a family's modules do under one name, done to a value of it. A module that lacks it does not compile. */
export function applied<
  V extends { readonly kind: string },
  N extends string,
  More extends readonly unknown[],
  M extends {
    readonly [K in V["kind"]]: {
      readonly [P in N]: (value: Extract<V, { readonly kind: K }>, ...more: More) => unknown;
    };
  },
>(modules: M, name: N, value: V, ...more: More): ReturnType<M[V["kind"]][N]> {
  const own = modules[value.kind as V["kind"]][name] as unknown as (
    value: V,
    ...more: More
  ) => ReturnType<M[V["kind"]][N]>;
  return own(value, ...more);
}
