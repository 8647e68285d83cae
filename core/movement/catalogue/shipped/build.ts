import type { Fault, Region } from "../../../kernel/index.ts";
import type {
  FaultAdvice,
  Movement,
  RegionShare,
  SetUpParameter,
  Substitute,
} from "../../index.ts";

/** A movement that ships with Kravo; its other names stand in `usual-names.ts`. */
export type Shipped = Omit<Movement, "alsoCalled">;

/** What the movements of one family share; each says the rest itself, and overrides where it differs. */
export type Family = Omit<Shipped, "ref" | "name" | "regions" | "cues" | "faults" | "substitutes">;

type Own = Pick<Shipped, "regions" | "cues" | "faults" | "substitutes"> & Partial<Family>;

/** A shipped movement: its family with what is its own. */
export function member(family: Family, slug: string, name: string, own: Own): Shipped {
  return { ...family, ...own, ref: `shipped:${slug}`, name };
}

/** Regions that a set counts for whole, by half, and by a quarter. */
export function trains(
  direct: readonly Region[],
  half: readonly Region[] = [],
  quarter: readonly Region[] = [],
): readonly RegionShare[] {
  return [
    ...direct.map((region) => ({ region, share: 1 }) as const),
    ...half.map((region) => ({ region, share: 0.5 }) as const),
    ...quarter.map((region) => ({ region, share: 0.25 }) as const),
  ];
}

/** A fault with its likely cause, the cue to say, and what to change. */
export function when(fault: Fault, cause: string, cue: string, corrective: string): FaultAdvice {
  return { fault, cause, cue, corrective };
}

/** Another shipped movement and what it is good for instead. */
export function instead(slug: string, reason: string): Substitute {
  return { movement: `shipped:${slug}`, reason };
}

/** A set-up parameter; the first choice is the usual one. */
export function choice(
  name: string,
  choices: readonly [string, ...string[]],
  claimed?: string,
  shifts?: SetUpParameter["shifts"],
): SetUpParameter {
  return {
    name,
    choices,
    usual: choices[0],
    ...(claimed === undefined ? {} : { claimed }),
    ...(shifts === undefined ? {} : { shifts }),
  };
}

/** A parameter one choice of which answers a need. */
export function answering(
  parameter: SetUpParameter,
  answers: NonNullable<SetUpParameter["answers"]>,
): SetUpParameter {
  return { ...parameter, answers };
}

export const VASTI = ["vastusLateralis", "vastusMedialis", "vastusIntermedius"] as const;
