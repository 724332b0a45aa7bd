import { HEADING_VECTORS, HEADINGS } from '../../ground/index.ts';
import type { EnemyKind } from '../../model/index.ts';
import { disc, type Figure } from '../mark.ts';

/** What of an enemy its picture shows. */
interface Looks {
  movement: EnemyKind['movement'];
  /** Units. */
  radius: number;
}

/** How an enemy looks, by how it moves. @param awake has it seen the player? */
export function enemyFigures({ movement, radius }: Looks, x: number, y: number, awake: boolean): Figure[] {
  switch (movement) {
    case 'chase': {
      // A square on its corner; one that has seen the player is filled.
      const far = radius * 1.15;
      const points = [x, y - far, x + far, y, x, y + far, x - far, y];
      return [{ is: 'polygon', points, fill: awake ? 'loss' : 'sheet', stroke: 'loss', line: 0.1 }];
    }
    case 'patrol': {
      // A disc with two bars.
      const bar = { is: 'rectangle', x: x - radius * 0.6, width: radius * 1.2, height: radius * 0.2 } as const;
      return [
        disc(x, y, radius, 'loss', 'ink'),
        { ...bar, y: y - radius * 0.35, fill: 'sheet' },
        { ...bar, y: y + radius * 0.2, fill: 'sheet' },
      ];
    }
    case 'still': {
      // Half a disc on its flat side.
      const points = UPPER_HALF.flatMap(([dx, dy]) => [x + dx * radius, y + radius * 0.4 + dy * radius]);
      return [{ is: 'polygon', points, fill: 'loss', stroke: 'ink', line: 0.08 }];
    }
  }
}

/** Directions from the left over the top to the right. */
const UPPER_HALF = [...HEADING_VECTORS.slice(HEADINGS / 2), HEADING_VECTORS[0] as readonly [number, number]];

/** What is left of its health. @param share 0–1 */
export const healthBar = (x: number, y: number, share: number): Figure[] => [
  { is: 'rectangle', x: x - 0.4, y: y - 0.06, width: 0.8, height: 0.12, fill: 'sheet' },
  { is: 'rectangle', x: x - 0.4, y: y - 0.06, width: 0.8 * share, height: 0.12, fill: 'loss' },
];
