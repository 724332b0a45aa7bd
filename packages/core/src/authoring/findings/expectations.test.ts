import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { literal, type Expectation, type Project } from '../../document/model/index.ts';
import { checkExpectation, findingsAt } from './index.ts';

const enoughAtHome = (nectar: number, holdSeconds: number, verdict: 'won' | 'lost' | 'goesOn'): Expectation => ({
  id: 'kept',
  is: 'verdict',
  slotId: 'slot-1',
  words: `${nectar} nectar at home`,
  frames: [
    {
      set: [
        { reading: { reading: 'worth', of: 'any' }, value: nectar },
        { reading: { reading: 'inside', zone: 'hive' }, value: 1 },
      ],
      seconds: holdSeconds,
    },
  ],
  verdict,
});

describe('an expectation of a verdict', () => {
  it.each([
    [62, 0.5, 'won', true],
    [61, 0.5, 'won', false],
    [61, 0.5, 'goesOn', true],
    [62, 0.4, 'goesOn', true],
  ] as const)('at %d nectar held %d s, expecting %s: met is %s', (nectar, hold, verdict, met) => {
    expect(checkExpectation(homeBeforeDusk(), enoughAtHome(nectar, hold, verdict), undefined).met).toBe(met);
  });

  it('becomes a finding at its slot when an edit breaks it, with a way out', () => {
    const project = homeBeforeDusk();
    project.expectations.push(enoughAtHome(62, 0.5, 'won'));
    expect(findingsAt(project, 1)).toEqual([]);
    project.parameters.find(({ key }) => key === 'nectarNeeded')!.pins['slot-1'] = 0.6;
    const [finding] = findingsAt(project, 1);
    expect(finding).toMatchObject({ code: 'expectation-not-met', slotId: 'slot-1' });
    expect(finding!.reason).toContain('it goes on');
    expect(finding!.mend!.patch).toEqual([{ op: 'remove', path: '/expectations/kept' }]);
  });

  it('that names what is gone is not met, and says so', () => {
    const project = homeBeforeDusk();
    const level = project.levels['clover-steps']!;
    level.ground.pieces = level.ground.pieces.filter((piece) => piece.id !== 'hive');
    level.rules = [];
    expect(checkExpectation(project, enoughAtHome(62, 0.5, 'won'), undefined)).toMatchObject({ met: false });
  });
});

describe('an expectation of a clear rate', () => {
  const expectation: Expectation = {
    id: 'rate',
    is: 'clearRate',
    slotId: 'slot-7',
    pacer: 'steady',
    low: 0.7,
    high: 0.85,
  };
  const project: Project = homeBeforeDusk();
  project.run.livesAtStart = literal(4);
  it.each([
    [undefined, null],
    [0.69, false],
    [0.7, true],
    [0.85, true],
    [0.86, false],
  ])('at %s is met: %s', (clearRate, met) => {
    const known = clearRate === undefined ? undefined : { clearRate, interval: { low: clearRate, high: clearRate } };
    expect(checkExpectation(project, expectation, known).met).toBe(met);
  });
});
