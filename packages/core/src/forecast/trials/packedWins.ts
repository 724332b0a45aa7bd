/** Which attempts were won, in their order: four to a hexadecimal digit, the first one its highest bit. */
export function packWins(won: readonly boolean[]): string {
  let packed = '';
  for (let i = 0; i < won.length; i += 4) {
    let digit = 0;
    for (let bit = 0; bit < 4; bit++) digit = digit * 2 + (won[i + bit] === true ? 1 : 0);
    packed += digit.toString(16);
  }
  return packed;
}

/** Unpacks the result of `packWins`. @param attempts their number */
export function unpackWins(packed: string, attempts: number): boolean[] {
  return Array.from({ length: Math.min(attempts, packed.length * 4) }, (_, index) => {
    const digit = Number.parseInt(packed[Math.floor(index / 4)] ?? '0', 16);
    return Math.floor(digit / (8 >> (index % 4))) % 2 === 1;
  });
}
