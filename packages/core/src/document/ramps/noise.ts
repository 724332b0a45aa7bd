/** Rounding error of binary arithmetic after a few steps, as a share of the number: 32 units in the last place. */
const NOISE_SHARE = 32 * Number.EPSILON;
/** Never more than this is taken for noise, however large the number. */
const MOST_NOISE = 1e-6;

/** How far off its designed value a number of this size may be by binary noise alone. @param size above 0, or the largest of several */
export const noiseOf = (size: number): number => Math.min(MOST_NOISE, NOISE_SHARE * Math.max(1, size));
