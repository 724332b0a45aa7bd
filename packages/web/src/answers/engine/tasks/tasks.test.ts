import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { DEFAULT_PRECISION, emptyTally, levelRunner, playBatch, trialQuestion } from '@stadion/core/forecast/trials';
import { helping, type HelperResult, type HelperTask } from './index.ts';

const project = homeBeforeDusk();
const setup = trialQuestion(project, 1, project.pacers[1]!, DEFAULT_PRECISION);
const part = (group: number, first: number, isFirst = false): HelperTask<'attempts'> => ({
  ...{ task: 'attempts', group, part: { first, count: 5 } },
  ...(isFirst && { setup }),
});

/** Results of parts that are sent together. */
function resultsOf(parts: readonly HelperTask[]): HelperResult[] {
  const results: HelperResult[] = [];
  const turns: (() => void)[] = [];
  const help = helping(
    (result) => results.push(result),
    (work) => turns.push(work),
  );
  parts.forEach(help);
  for (const turn of turns) turn();
  return results;
}

describe('a helping thread', () => {
  it('plays the attempts of each part, as the asking thread would', () => {
    const tallies = resultsOf([part(1, 0, true), part(1, 5)]);
    const alone = [0, 5].map((first) => {
      const tally = emptyTally();
      playBatch(levelRunner(setup.level), setup.population, first, 5, tally);
      return { result: tally };
    });
    expect(tallies).toEqual(alone);
  });

  it('drops parts of an earlier group, and still answers each', () => {
    const results = resultsOf([part(1, 0, true), part(1, 5), part(2, 0, true)]);
    expect(results.map(({ result }) => result !== undefined)).toEqual([false, false, true]);
  });
});
