/**
 * Fold one 32-bit word into a 32-bit hash.
 *
 * Source: the 32-bit finaliser of A. Appleby's MurmurHash3 (public domain), applied after a multiply-add.
 */
export function mix(hash: number, word: number): number {
  let h = Math.imul(hash ^ word, 0x9e3779b1);
  h ^= h >>> 16;
  h = Math.imul(h, 0x85ebca6b);
  h ^= h >>> 13;
  h = Math.imul(h, 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}

const view = new DataView(new ArrayBuffer(8));

/** Fold a number's 64 bits into a 32-bit hash: two numbers that differ in their last bit give another hash. */
export function mixFloat(hash: number, value: number): number {
  view.setFloat64(0, value);
  return mix(mix(hash, view.getUint32(0)), view.getUint32(4));
}

/** Fold a text into a 32-bit hash: for telling one from another, where a mistake does no harm. */
export function mixText(hash: number, text: string): number {
  let folded = mix(hash, text.length);
  for (let i = 0; i < text.length; i++) folded = mix(folded, text.charCodeAt(i));
  return folded;
}
