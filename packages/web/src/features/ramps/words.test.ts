import { describe, expect, it } from '@jest/globals';
import type { Parameter } from '@stadion/core/document/model';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { rampTable } from '@stadion/core/document/ramps';
import { laneInWords, marksInWords, marksOf, positionsInWords, rampInWords } from './words.ts';

const demo = homeBeforeDusk();
const SLOTS = 6;
const parameter: Parameter = {
  ...demo.parameters[0]!,
  ...{ key: 'gaps', label: 'Gaps', unit: 'cells', number: 'whole', pins: {} },
  sane: { min: 1, max: 8 },
  ramp: { shape: { type: 'steps', from: 2, add: 1, every: 1, startingAt: 1 } },
};
const project = { ...demo, slots: demo.slots.slice(0, SLOTS), parameters: [parameter] };
const row = rampTable(project, SLOTS + 4).rows.get('gaps')!;

describe('the words of a lane', () => {
  it('name values outside the sane range also past the end of the sequence', () => {
    const marks = marksOf(parameter, row, SLOTS);
    expect(marks.outside).toEqual([8, 9, 10]);
    expect(marksInWords(parameter, marks)).toContain('outside 1–8 at 8, 9, 10');
  });

  it('say the ramp, its range and where its cap is reached', () => {
    const capped = { ...parameter, ramp: { ...parameter.ramp, atMost: 5 } };
    const of = rampTable({ ...project, parameters: [capped] }, SLOTS).rows.get('gaps')!;
    expect(rampInWords(capped)).toBe('from 2, +1 every level, at most 5');
    expect(laneInWords(capped, of)).toBe(
      'Gaps, cells: from 2, +1 every level, at most 5; 2 to 5; cap reached at level 4',
    );
  });

  it('join runs of positions', () => {
    expect(positionsInWords([4, 8, 9, 10, 12, 13, 20])).toBe('4, 8–10, 12, 13, 20');
    expect(positionsInWords([1, 3, 5], 2)).toBe('1, 3 …');
  });
});
