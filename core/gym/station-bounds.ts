/**
 * How much one station may hold, wherever it is written: the typed lists, the form, the stored document.
 * Beyond it is a slip of the keyboard. Source: our rule.
 */
export const STATION_BOUNDS = {
  /** Pins of a stack, dumbbells of a rack, added loads. */
  loads: 150,
  plateSizes: 20,
  /** Single plates of one size. */
  platesOfSize: 60,
  addOns: 6,
  bands: 40,
  bandName: 40,
  /** The heaviest load that any station makes, in thousandths of its own unit. */
  heaviest: 3_000_000,
} as const;
