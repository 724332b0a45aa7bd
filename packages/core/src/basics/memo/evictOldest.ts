/** Removes the oldest entries of a map beyond a number. */
export function evictOldest<Key>(map: Map<Key, unknown>, most: number): void {
  if (map.size > most) map.delete(map.keys().next().value as Key);
}
