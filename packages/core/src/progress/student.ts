/** Standard normal quantile for a two-sided 95 % interval. */
export const Z975 = 1.959963984540054;

/**
 * Student's t for a two-sided 95 % interval, from the normal quantile by the expansion of Abramowitz and Stegun 26.7.5 (quoted from memory):
 * within 0.2 % from 4 degrees of freedom up.
 */
export function studentT975(df: number): number {
  const z = Z975;
  return (
    z +
    (z ** 3 + z) / (4 * df) +
    (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * df ** 2) +
    (3 * z ** 7 + 19 * z ** 5 + 17 * z ** 3 - 15 * z) / (384 * df ** 3)
  );
}
