/** Pieces and points that a level offers, by kind of collectable, with the total under “any”. */
export interface Placed {
  count: Readonly<Record<string, number>>;
  worth: Readonly<Record<string, number>>;
}
