/** A value at a time, in weeks. */
export interface Timed {
  readonly week: number;
  readonly value: number;
}

/**
 * The middle of all slopes between two points, a week; null where there are fewer than three points or no time between
 * them. One odd value moves it little. Source: Theil 1950, Sen 1968.
 */
export function medianSlope(points: readonly Timed[]): number | null {
  if (points.length < 3) return null;
  const slopes = points.flatMap((a, i) =>
    points
      .slice(i + 1)
      .filter((b) => b.week !== a.week)
      .map((b) => (b.value - a.value) / (b.week - a.week)),
  );
  return middleOf(slopes);
}

/** The middle of some numbers, of an even count the mean of the two in the middle; null where there are none. */
export function middleOf(numbers: readonly number[]): number | null {
  const sorted = numbers.toSorted((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  const [low, high] = [sorted[sorted.length % 2 === 0 ? half - 1 : half], sorted[half]];
  return low === undefined || high === undefined ? null : (low + high) / 2;
}
