import { pointerOf } from '../../../document/model/index.ts';
import { checkExpectation } from '../expectations.ts';
import type { Check } from '../finding.ts';

const EXPECTED = { won: 'a win', lost: 'a loss', goesOn: 'that it goes on' } as const;

/** A verdict that a designer holds the judge to and that is another now. */
export const expectationNotMet: Check<'slot'> = {
  code: 'expectation-not-met',
  title: 'Expectation not met',
  group: 'state',
  severity: 'surely wrong',
  source: 'judge',
  scope: 'slot',
  find: ({ project, slot, level }) =>
    project.expectations.flatMap((expectation) => {
      if (expectation.slotId !== slot.id || expectation.is !== 'verdict') return [];
      const { met, said } = checkExpectation(project, expectation, undefined);
      if (met !== false) return [];
      return [
        {
          slotId: slot.id,
          path: pointerOf(['levels', level.id, 'rules']),
          sentence: `An expectation is not met: ${expectation.words}.`,
          reason: `Expected is ${EXPECTED[expectation.verdict]}; the judge says: ${said}.`,
          mend: {
            label: 'Drop the expectation',
            patch: [{ op: 'remove' as const, path: pointerOf(['expectations', expectation.id]) }],
          },
        },
      ];
    }),
};
