import { pointerOf, RUN_EVENTS } from '../../../document/model/index.ts';
import { tallyPolicyOf } from '../../../play/playthrough/index.ts';
import type { Check, Found } from '../finding.ts';

/** A tally of the designer's own that is kept at every event. */
export const tallyNeverReset: Check<'run'> = {
  code: 'tally-never-reset',
  title: 'Tally that only grows',
  group: 'run',
  severity: 'doubtful',
  source: 'document',
  scope: 'run',
  find({ project }) {
    const [first] = project.slots;
    if (!first) return [];
    return project.tallies.flatMap(({ id, name }): Found[] =>
      RUN_EVENTS.every((event) => tallyPolicyOf(project, id, event).is === 'keep')
        ? [
            {
              slotId: first.id,
              path: pointerOf(['tallies', id]),
              sentence: `“${name}” is never reset.`,
              reason: 'It is kept at a retry, at the next level and at a game over: it only grows from run to run.',
            },
          ]
        : [],
    );
  },
};
