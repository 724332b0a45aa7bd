import type { Finding } from '@stadion/core/authoring/findings';
import type { Goto } from './address.ts';

/** Where in the interface a finding stands. */
export function placeOfFinding({ path, slotId }: Pick<Finding, 'path' | 'slotId'>): Goto {
  const [, part, key, side] = path.split('/');
  switch (part) {
    case 'parameters':
      return { screen: 'ramps', slotId, lane: key };
    case 'bouts':
      return { screen: 'bouts', slotId };
    case 'kinds':
      return { screen: 'kinds', slotId };
    case 'levels':
      return { screen: 'level', slotId, view: side === 'ground' || side === 'bout' ? 'ground' : 'rules' };
    case 'slots':
      return { screen: 'level', slotId, view: 'rules' };
    default:
      // The run, its tallies and tiers, and what stands in all levels.
      return { screen: 'sequence', slotId };
  }
}
