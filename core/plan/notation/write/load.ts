import { type Id, type MovementRef, assertNever } from "../../../kernel/index.ts";
import type { LoadRule, PlannedSet } from "../../index.ts";
import { TRIAL_TRIES, type NotationContext } from "../context.ts";
import { quoted } from "../words.ts";
import { joined, massText, percent } from "./words.ts";

/** A load as `parseLoad` reads it; nothing for one to be found. `at` is the place of its set among `sets`. */
export function writeLoad(
  rule: LoadRule,
  at: number,
  sets: readonly PlannedSet[],
  context: NotationContext,
): string {
  return rule.kind === "open" ? "" : loadText(rule, at, sets, context);
}

export function loadText(
  rule: LoadRule,
  index: number,
  sets: readonly PlannedSet[],
  context: NotationContext,
): string {
  const steps = (n: number) => `${n < 0 ? "minus" : "plus"} ${Math.abs(n)}`;
  switch (rule.kind) {
    case "absolute":
      return massText(rule.reading);
    case "open":
      return "open";
    case "shareOfSet":
      return `${percent(rule.share)} of ${setText(rule.set, rule.part, index, sets, context)}`;
    case "shareOfMovement":
      return `${percent(rule.share)} of ${movementText(rule.movement, context)}`;
    case "shareOfMaximum":
      return `${percent(rule.share)} of max`;
    case "stepsFromSet":
      // "The set before" reads the same in every set of a stack that is run down, so they stand together.
      return sets[index - 1]?.id === rule.set
        ? `before ${steps(rule.steps)}`
        : `${setText(rule.set, null, index, sets, context)} ${steps(rule.steps)}`;
    case "fromLast":
      return rule.steps === 0 ? "last" : `last ${steps(rule.steps)}`;
    case "byEffort":
      return "effort";
    case "bodyWeight": {
      const isBare = rule.by === "plus" && rule.mass.thousandths === 0;
      const hasUnit = rule.mass.unit === context.unit;
      return isBare && hasUnit ? "body" : `body ${rule.by} ${massText(rule.mass)}`;
    }
    case "trial":
      return joined([
        `trial ${massText(rule.from)}`,
        rule.steps === 1 ? "" : `up ${rule.steps}`,
        rule.tries === TRIAL_TRIES ? "" : `tries ${rule.tries}`,
      ]);
    case "fallback":
      return [rule.reading, ...rule.then].map(massText).join(" else ");
    default:
      return assertNever(rule);
  }
}

/** "set 1", "exercise 2 set 1 part 3"; a set that is nowhere before this one goes by its id. */
function setText(
  id: Id<"set">,
  part: Id<"extension"> | null,
  index: number,
  sets: readonly PlannedSet[],
  context: NotationContext,
): string {
  const own = sets.slice(0, index).findIndex((set) => set.id === id);
  const places = own >= 0 ? [{ set: sets[own], words: `set ${own + 1}` }] : elsewhere(id, context);
  for (const { set, words } of places) {
    if (part === null) return words;
    const at = set?.extensions.findIndex((extension) => extension.id === part) ?? -1;
    if (at >= 0) return `${words} part ${at + 1}`;
  }
  return `set ${quoted(id)}${part === null ? "" : ` part ${quoted(part)}`}`;
}

function elsewhere(id: Id<"set">, context: NotationContext) {
  return context.exercises.slice(0, context.own).flatMap((other, i) => {
    const at = other.findIndex((set) => set.id === id);
    return at < 0 ? [] : [{ set: other[at], words: `exercise ${i + 1} set ${at + 1}` }];
  });
}

/** A movement by its name where the name leads back to it, otherwise by its reference. */
export function movementText(ref: MovementRef, context: NotationContext): string {
  const name = context.nameOf(ref);
  return quoted(name !== null && context.movementNamed(name) === ref ? name : ref);
}
