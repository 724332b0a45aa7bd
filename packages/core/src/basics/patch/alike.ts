/** Are two JSON values equal? The order of entries in an object does not count. */
export function alike(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (one === null || other === null || typeof one !== 'object' || typeof other !== 'object') return false;
  if (Array.isArray(one) || Array.isArray(other)) {
    if (!Array.isArray(one) || !Array.isArray(other) || one.length !== other.length) return false;
    return one.every((value, index) => alike(value, other[index]));
  }
  const keys = Object.keys(one);
  return (
    keys.length === Object.keys(other).length &&
    keys.every(
      (key) =>
        Object.hasOwn(other, key) &&
        alike((one as Record<string, unknown>)[key], (other as Record<string, unknown>)[key]),
    )
  );
}
