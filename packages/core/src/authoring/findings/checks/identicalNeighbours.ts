import { pointerOf } from '../../../document/model/index.ts';
import { plain } from '../conditions.ts';
import { numbersDiffer } from '../scopes.ts';
import type { Check } from '../finding.ts';

/** Two slots in a row of levels that are alike in ground, rules and every number. */
export const identicalNeighbours: Check<'neighbours'> = {
  code: 'identical-neighbours',
  title: 'Neighbours alike',
  group: 'ramps',
  severity: 'doubtful',
  source: 'document',
  scope: 'neighbours',
  find({ project, table, slot, level, position, before }) {
    // The same level twice in a row is another finding.
    if (level.id === before.level.id) return [];
    const { name: _name, brief: _brief, ...here } = level;
    const { name: _otherName, brief: _otherBrief, ...there } = before.level;
    if (plain(here.ground.rows) !== plain(there.ground.rows) || plain(here) !== plain(there)) return [];
    if (numbersDiffer({ project, table, level, position })) return [];
    return [
      {
        slotId: slot.id,
        path: pointerOf(['levels', level.id, 'ground']),
        sentence: 'The level is the same as the one before it.',
        reason: `“${before.level.name}” has the same ground, the same rules and the same numbers.`,
      },
    ];
  },
};
