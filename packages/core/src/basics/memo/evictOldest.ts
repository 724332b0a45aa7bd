/** Lets go of what was put into a map first, once it holds more than so many. */
export function evictOldest<Key>(map: Map<Key, unknown>, most: number): void {
  if (map.size > most) map.delete(map.keys().next().value as Key);
}
