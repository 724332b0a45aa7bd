import type { Id } from '../schema/ids.ts';

/** The id nearest to a name a designer typed. @example slugOf('Clover Steps!') // 'clover-steps' */
export function slugOf(name: string): Id {
  const slug = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+/, '')
    .replace(/-+$/, '')
    .slice(0, 40);
  return slug === '' ? 'unnamed' : slug;
}

/** A name near the wanted one that is not taken. @example freshName('Clover Steps', new Set(['Clover Steps'])) // 'Clover Steps 2' */
export function freshName(wanted: string, taken: ReadonlySet<string>): string {
  if (!taken.has(wanted)) return wanted;
  const stem = wanted.replace(/ \d+$/, '');
  let number = 2;
  while (taken.has(`${stem} ${number}`)) number++;
  return `${stem} ${number}`;
}

/** Makes an id near the wanted one that is not taken. Where several people edit, each needs one that nobody else makes at the same time. */
export type MintId = (wanted: string, taken: ReadonlySet<string>) => Id;

/** An id near the wanted one that is not taken. @example freshId('clover', new Set(['clover'])) // 'clover-2' */
export function freshId(wanted: string, taken: ReadonlySet<string>): Id {
  const base = slugOf(wanted);
  if (!taken.has(base)) return base;
  let number = 2;
  while (taken.has(`${base}-${number}`)) number++;
  return `${base}-${number}`;
}
