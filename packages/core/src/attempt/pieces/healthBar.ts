import type { Figure } from '../mark.ts';

/** What is left of its health. @param share 0–1 */
export const healthBar = (x: number, y: number, share: number): Figure[] => [
  { is: 'rectangle', x: x - 0.4, y: y - 0.06, width: 0.8, height: 0.12, fill: 'sheet' },
  { is: 'rectangle', x: x - 0.4, y: y - 0.06, width: 0.8 * share, height: 0.12, fill: 'loss' },
];
