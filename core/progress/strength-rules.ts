import { USUAL_EQUATION, type Equation } from "./equation.ts";
import { PLAIN_STRICTNESS, type StrictnessRule } from "./strictness.ts";

/** How a studio estimates: the equation, and how much lighter stricter repetitions are taken. */
export interface StrengthRules {
  readonly equation: Equation;
  readonly strictness: StrictnessRule;
}

/** Until a studio says otherwise. */
export const USUAL_RULES: StrengthRules = {
  equation: USUAL_EQUATION,
  strictness: PLAIN_STRICTNESS,
};
