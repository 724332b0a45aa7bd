import { useState } from 'react';

/** States that screens keep while the page lives, by project and name. */
const kept = new Map<string, unknown>();

/** A state that is still there when the screen is left and opened again. @param name the project and what is kept */
export function useKept<T>(name: string, first: T): [T, (next: T) => void] {
  const [, redraw] = useState(0);
  const value = kept.has(name) ? (kept.get(name) as T) : first;
  return [
    value,
    (next) => {
      kept.set(name, next);
      redraw((count) => count + 1);
    },
  ];
}

/** The side of the cast that was looked at last: the tab leads there again. */
export const lastCast: { screen: 'kinds' | 'bouts' } = { screen: 'kinds' };
