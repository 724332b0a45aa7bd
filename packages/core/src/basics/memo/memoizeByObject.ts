/** Works something out once for each object, for as long as it lives: what an edit does not touch stays the same object. */
export function memoizeByObject<From extends object, To>(work: (from: From) => To): (from: From) => To {
  const known = new WeakMap<From, { made: To }>();
  return (from) => {
    const before = known.get(from);
    if (before) return before.made;
    const made = work(from);
    known.set(from, { made });
    return made;
  };
}
