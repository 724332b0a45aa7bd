const { env } = (globalThis as { process?: { env: Record<string, string | undefined> } }).process ?? { env: {} };

/** Whether everything is tried in full: `npm run check` does, `npm test` does not. */
export const isThorough = env['STADION_DEPTH'] === 'full';

/** How many are tried: all of them by `npm run check`, some of them by `npm test`. */
export const depth = (full: number, part: number): number => (isThorough ? full : part);

/** The list in full, or one entry of each `every` by `npm test`. */
export const sampled = <T>(list: readonly T[], every: number): T[] =>
  list.filter((_, index) => isThorough || index % every === 0);
