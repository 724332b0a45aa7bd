/** An input that does nothing: the first action of every kind of ground. */
export const REST = 0;

/** Added to an input: shoots where the player faces. No kind of ground has as many actions. */
export const FIRE = 64;
