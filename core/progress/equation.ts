import { massFromTicks, ticksOf, type Mass, timesTicks } from "../kernel/index.ts";

/** Published equations between repetitions and the share of a maximum. */
export const EQUATIONS = ["epley", "brzycki", "wathan", "lombardi", "oConner", "mayhew"] as const;
export type Equation = (typeof EQUATIONS)[number];

/** The equation that is used where nobody chose another. Source: our rule, docs/arithmetic.md § Strength. */
export const USUAL_EQUATION: Equation = "epley";

/** Above this many possible repetitions no estimate is given. Source: DESIGN.md § Strength arithmetic. */
export const MOST_REPS = 15;

/** Every equation as the maximum over the load, for `reps` possible repetitions above one. */
const OVER_LOAD: Readonly<Record<Equation, (reps: number) => number>> = {
  epley: (reps) => 1 + reps / 30,
  brzycki: (reps) => 36 / (37 - reps),
  wathan: (reps) => 100 / (48.8 + 53.8 * Math.exp(-0.075 * reps)),
  lombardi: (reps) => reps ** 0.1,
  oConner: (reps) => 1 + 0.025 * reps,
  mayhew: (reps) => 100 / (52.2 + 41.9 * Math.exp(-0.055 * reps)),
};

/** Where each equation was published; all load and maximum in the same unit. */
export const EQUATION_SOURCES: Readonly<Record<Equation, string>> = {
  epley: "Epley 1985: 1RM = w (1 + r ⁄ 30)",
  brzycki: "Brzycki 1993: 1RM = 36 w ⁄ (37 − r)",
  wathan: "Wathan 1994: 1RM = 100 w ⁄ (48.8 + 53.8 e^(−0.075 r))",
  lombardi: "Lombardi 1989: 1RM = w r^0.10",
  oConner: "O’Conner et al. 1989: 1RM = w (1 + 0.025 r)",
  mayhew: "Mayhew et al. 1992: 1RM = 100 w ⁄ (52.2 + 41.9 e^(−0.055 r))",
};

/** The maximum that a load for so many repetitions to the limit comes to, in the load's own unit. */
export function maximumFrom(load: Mass, equation: Equation, reps: number): Mass {
  return massFromTicks(
    timesTicks(ticksOf(load), maximumOverLoad(equation, reps)),
    load.unit,
    "nearest",
  );
}

/**
 * How much heavier the maximum is than a load that allows `reps` repetitions, as a factor ≥ 1. At one possible
 * repetition the load is the maximum, whichever equation; half repetitions come from half reps in reserve.
 * Throws below 1 and above {@link MOST_REPS}.
 * Source: {@link EQUATION_SOURCES}.
 */
export function maximumOverLoad(equation: Equation, reps: number): number {
  if (!(reps >= 1 && reps <= MOST_REPS)) {
    throw new RangeError(`expected 1 to ${MOST_REPS} possible repetitions, got ${reps}`);
  }
  return reps === 1 ? 1 : OVER_LOAD[equation](reps);
}
