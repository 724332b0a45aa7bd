/** What a level has to give, by kind of collectable, and in all under “any”. */
export interface Placed {
  count: Readonly<Record<string, number>>;
  worth: Readonly<Record<string, number>>;
}
