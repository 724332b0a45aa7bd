/**
 * What a player does in one tick: 0 to let go, or 1 + a heading of ground/headings, with FIRE added to shoot. One small
 * number, the same for a person's keys and for a pacer, so that an attempt is a seed and a row of these.
 */
export const REST = 0;

/** Added to an input: shoots where the player faces. */
export const FIRE = 64;

/** The input that steers along a heading. @param heading 0–31 */
export const headingInput = (heading: number): number => heading + 1;
