import { pointerOf, type Fighter } from '../../../document/model/index.ts';
import type { Check, Found } from '../finding.ts';
import { firstFight } from '../parts.ts';

/** At which share of health is something tried, and told as. */
const BANDS = [
  { share: 1, said: 'when unhurt' },
  { share: 0.75, said: 'at three quarters of its health' },
  { share: 0.5, said: 'at half of its health' },
  { share: 0.25, said: 'at a quarter of its health' },
  { share: 0.01, said: 'when nearly beaten' },
] as const;

/** The weights of what a fighter can do at a share of health. */
const weightAt = ({ uses }: Fighter, share: number): number =>
  Object.values(uses).reduce(
    (sum, { weight, belowHealth = 1, aboveHealth = -1 }) =>
      sum + (share <= belowHealth && share > aboveHealth ? weight : 0),
    0,
  );

/** An enemy that can do nothing, always or at some share of its health. */
export const weightsOfNothing: Check<'project'> = {
  code: 'weights-of-nothing',
  title: 'Fighter that can do nothing',
  group: 'bouts',
  severity: 'surely wrong',
  source: 'document',
  scope: 'project',
  find({ project }) {
    return (project.bouts?.fighters ?? []).flatMap((fighter): Found[] => {
      if (fighter.side === 'ours') return [];
      const idle = BANDS.filter(({ share }) => weightAt(fighter, share) === 0);
      const [first] = idle;
      if (!first) return [];
      const always = idle.length === BANDS.length;
      return [
        {
          slotId: firstFight(project, fighter.id),
          path: pointerOf(['bouts', 'fighters', fighter.id, 'uses']),
          sentence: always ? `${fighter.name} can do nothing.` : `${fighter.name} can do nothing ${first.said}.`,
          reason: always
            ? 'The weights of its actions add up to nothing.'
            : 'No action that may be used then has a weight.',
        },
      ];
    });
  },
};
