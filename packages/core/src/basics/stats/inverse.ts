/** The inverse of a symmetric positive matrix by elimination; undefined where it has none. */
export function inverseOf(matrix: readonly (readonly number[])[]): number[][] | undefined {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...row.map((_, j) => (i === j ? 1 : 0))]);
  for (let i = 0; i < n; i++) {
    let best = i;
    for (let k = i + 1; k < n; k++)
      if (Math.abs(rows[k]?.[i] as number) > Math.abs(rows[best]?.[i] as number)) best = k;
    [rows[i], rows[best]] = [rows[best] as number[], rows[i] as number[]];
    const pivot = rows[i] as number[];
    const size = pivot[i] as number;
    if (Math.abs(size) < 1e-12) return undefined;
    for (let j = 0; j < 2 * n; j++) pivot[j] = (pivot[j] as number) / size;
    for (let k = 0; k < n; k++) {
      if (k === i) continue;
      const row = rows[k] as number[];
      const factor = row[i] as number;
      for (let j = 0; j < 2 * n; j++) row[j] = (row[j] as number) - factor * (pivot[j] as number);
    }
  }
  return rows.map((row) => row.slice(n));
}
