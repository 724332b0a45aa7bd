/**
 * How many letters one must add, drop or change to come from one word to another.
 *
 * Source: V. I. Levenshtein (1966), Binary codes capable of correcting deletions, insertions, and reversals.
 */
function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, index) => index);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      const change = (row[j - 1] as number) + (a[i - 1] === b[j - 1] ? 0 : 1);
      next.push(Math.min(change, (row[j] as number) + 1, (next[j - 1] as number) + 1));
    }
    row = next;
  }
  return row[b.length] as number;
}

/** Shorter beginnings could become anything. */
const SHORTEST_BEGINNING = 3;

/** The word that was most likely meant, or undefined where none is near: a slip, or one left unfinished. Case does not count. */
export function nearest(word: string, words: readonly string[]): string | undefined {
  const most = Math.max(1, Math.floor(word.length / 3));
  const ranked = words
    .map((each) => ({ each, far: distance(word.toLowerCase(), each.toLowerCase()) }))
    .filter(({ far }) => far <= most)
    .toSorted((a, b) => a.far - b.far);
  const begun = word.length >= SHORTEST_BEGINNING;
  return ranked[0]?.each ?? words.find((each) => begun && each.toLowerCase().startsWith(word.toLowerCase()));
}
