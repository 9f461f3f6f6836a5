/** From here on a number says no more. */
const NEAR_CERTAIN = 0.985;

/** How probable something is: "21 in 100", "near certain". @param probability 0 to 1 */
export const sayChance = (probability: number): string =>
  probability >= NEAR_CERTAIN
    ? 'near certain'
    : probability < 0.01
      ? 'less than 1 in 100'
      : `${Math.round(100 * probability)} in 100`;
