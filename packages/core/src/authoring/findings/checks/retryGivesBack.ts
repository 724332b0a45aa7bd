import { pointerOf } from '../../../document/model/index.ts';
import { playthroughNumbersAt, playthroughPlanOf } from '../../../play/playthrough/index.ts';
import { say, type Check } from '../finding.ts';

/** A retry that sets the lives back: trying again costs nothing. */
export const retryGivesBack: Check<'run'> = {
  code: 'retry-gives-back',
  title: 'Retry that costs nothing',
  group: 'run',
  severity: 'doubtful',
  source: 'document',
  scope: 'run',
  find({ project }) {
    const [first] = project.slots;
    const lives = playthroughPlanOf(project).starts['lives'] ?? 0;
    const { retry, gameOver } = playthroughNumbersAt(project, 1).resets;
    const given = retry?.['lives'];
    if (!first || given === undefined || gameOver?.['lives'] === undefined || given < lives) return [];
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
