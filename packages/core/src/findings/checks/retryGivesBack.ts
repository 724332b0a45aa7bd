import { pointerOf } from '../../model/index.ts';
import { tallyPolicyOf } from '../../run/index.ts';
import { resolveAmount } from '../../rules/index.ts';
import { valuesIn } from '../../ramps/index.ts';
import { say, type Check } from '../finding.ts';

/** A retry that sets the lives back: trying again costs nothing. */
export const retryGivesBack: Check<'run'> = {
  code: 'retry-gives-back',
  scope: 'run',
  find({ project, table }) {
    const [first] = project.slots;
    const policy = tallyPolicyOf(project, 'lives', 'retry');
    const over = tallyPolicyOf(project, 'lives', 'gameOver');
    if (!first || policy.is === 'keep' || over.is === 'keep') return [];
    const number = (amount: Parameters<typeof resolveAmount>[0]): number =>
      resolveAmount(amount, valuesIn(table, 1), { count: {}, worth: {} });
    const lives = number(project.run.livesAtStart);
    const given = policy.to === null ? lives : number(policy.to);
    if (given < lives) return [];
    return [
      {
        slotId: first.id,
        path: pointerOf(['run', 'keep', 'lives']),
        sentence: 'A retry gives all lives back: a game over never comes.',
        reason: `A run begins with ${say(lives)} lives, and a retry sets them to ${say(given)}.`,
      },
    ];
  },
};
