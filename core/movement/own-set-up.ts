import type { Movement, SetUpParameter } from "./movement.ts";

/** What a studio sets up on an exercise beyond what is built in. */
export interface OwnParameter {
  readonly name: string;
  readonly choices: readonly string[];
  /** True where each choice is harder than the one before it. */
  readonly isRising: boolean;
}

/** What a studio added to an exercise. */
export interface OwnSetUp {
  /** The phase that a repetition starts with; as it is built in where null. */
  readonly startsWith: Movement["tempoStart"] | null;
  readonly parameters: readonly OwnParameter[];
}

export const NOTHING_OWN: OwnSetUp = { startsWith: null, parameters: [] };

/** The exercise with what a studio added: choices of a parameter that is there behind its own, others behind those. */
export function withOwnSetUp(movement: Movement, own: OwnSetUp): Movement {
  const added = new Map(own.parameters.map((parameter) => [keyOf(parameter), parameter]));
  const known = movement.setUp.map((parameter) => {
    const more = added.get(keyOf(parameter));
    added.delete(keyOf(parameter));
    return more === undefined ? parameter : together(parameter, more);
  });
  const fresh = [...added.values()].map((parameter) =>
    together({ name: parameter.name, choices: [], usual: parameter.choices[0] ?? "" }, parameter),
  );
  return {
    ...movement,
    tempoStart: own.startsWith ?? movement.tempoStart,
    setUp: [...known, ...fresh],
  };
}

const keyOf = ({ name }: { readonly name: string }) => name.toLowerCase();

function together(parameter: SetUpParameter, own: OwnParameter): SetUpParameter {
  const choices = [...new Set([...parameter.choices, ...own.choices])];
  return { ...parameter, choices, ...(own.isRising ? { rising: own.choices } : {}) };
}

/** A parameter as it is typed: its name and its choices, the usual one first. */
export type TypedParameter = Pick<SetUpParameter, "name" | "choices">;

/**
 * The parameter as it is typed, with all else that was known of it before and still holds: what its choices shift,
 * which of them answers a need, which are harder, what is claimed of them.
 */
export function typedOver(
  { name, choices }: TypedParameter,
  before: readonly SetUpParameter[],
): SetUpParameter {
  const typed = { name, choices, usual: choices[0] ?? "" };
  const isThere = (choice: string | undefined) => choice !== undefined && choices.includes(choice);
  const known = before.find((parameter) => keyOf(parameter) === keyOf(typed));
  if (known === undefined || !known.choices.some(isThere)) return typed;
  const shifts = Object.entries(known.shifts ?? {}).filter(([choice]) => isThere(choice));
  const answers = Object.entries(known.answers ?? {}).filter(([, choice]) => isThere(choice));
  const rising = (known.rising ?? []).filter(isThere);
  return {
    ...typed,
    ...(known.claimed === undefined ? {} : { claimed: known.claimed }),
    ...(shifts.length === 0 ? {} : { shifts: Object.fromEntries(shifts) }),
    ...(answers.length === 0 ? {} : { answers: Object.fromEntries(answers) }),
    ...(rising.length < 2 ? {} : { rising }),
  };
}

/**
 * 1 where the second choice of a parameter is harder, −1 where it is easier, 0 where it is the same; null where
 * nobody said an order for both.
 */
export function compareChoices(
  parameter: SetUpParameter | undefined,
  from: string,
  to: string,
): -1 | 0 | 1 | null {
  if (from === to) return 0;
  const rising = parameter?.rising ?? [];
  const [a, b] = [rising.indexOf(from), rising.indexOf(to)];
  if (a < 0 || b < 0) return null;
  return b > a ? 1 : -1;
}
