import { pointerOf } from '../../../document/model/index.ts';
import { losing } from '../conditions.ts';
import type { Check } from '../finding.ts';

/** Neither a rule nor the clock can lose the level, and no life is taken. */
export const noWayToLose: Check<'judged'> = {
  code: 'no-way-to-lose',
  title: 'No way to lose',
  group: 'loss',
  severity: 'doubtful',
  source: 'document',
  scope: 'judged',
  find(here) {
    const { level, slot, rules } = here;
    const { clock } = level;
    const takesLives = rules.some(({ rule }) => rule.then.some(({ effect }) => effect === 'loseLife'));
    if (losing(here).length > 0 || takesLives || (clock.limitSeconds !== null && clock.atExpiry !== 'win')) return [];
    return [
      {
        slotId: slot.id,
        path: pointerOf(['levels', level.id, 'rules']),
        sentence: 'There is no way to lose.',
        reason: 'No rule loses the level or takes a life, and the clock does not end it as a loss.',
      },
    ];
  },
};
