import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { findingsOf, type Finding } from '@stadion/core/authoring/findings';
import { placeOfFinding } from '../../address/placeOfFinding.ts';
import { countsOf, groupsOf, keyOf, linesOf, shown } from './groups.ts';

const project = homeBeforeDusk();
const findings = findingsOf(project);

describe('the list of findings', () => {
  it('goes by severity, the gravest first, and by level within it', () => {
    const groups = groupsOf(findings, 'severity', project);
    expect(groups.map(({ title }) => title)).toEqual(['Stops play', 'Surely wrong', 'Doubtful']);
    expect(groups[0]!.findings.map(({ slotId }) => slotId)).toEqual(['slot-11', 'slot-17']);
  });

  it('goes by level, in the order of the sequence', () => {
    const groups = groupsOf(findings, 'level', project);
    const positions = groups.map(({ title }) => Number.parseInt(title, 10));
    expect(positions).toEqual(positions.toSorted((a, b) => a - b));
    expect(groups.find(({ key }) => key === 'slot-17')!.title).toBe('17 The Greedy Bee');
  });

  it('goes by class, under its title', () => {
    const titles = groupsOf(findings, 'class', project).map(({ title }) => title);
    expect(titles).toContain('Target beyond what is placed');
    expect(new Set(titles).size).toBe(titles.length);
  });

  it.each([
    [{}, findings.length],
    [{ severity: 'stops play' as const }, 2],
    [{ source: 'attempts' as const }, 0],
  ])('shows what the filter %j lets through', (filter, count) => {
    expect(shown(findings, filter)).toHaveLength(count);
  });

  it('has three or more doubts of one class on one line, and everything that is wrong on a line of its own', () => {
    const [doubt] = findings.filter(({ severity }) => severity === 'doubtful');
    const doubts = (code: Finding['code'], count: number) =>
      Array.from({ length: count }, (_, index): Finding => ({ ...doubt!, code, slotId: `slot-${index + 1}` }));
    const wrong = findings.filter(({ severity }) => severity !== 'doubtful');
    const list = [...wrong, ...doubts('off-wanted', 14), ...doubts('dip', 2)];
    const lines = linesOf(list);
    expect(lines).toHaveLength(wrong.length + 3);
    expect(lines.flatMap((line) => ('findings' in line ? [line.findings.length] : []))).toEqual([14]);
    expect(countsOf(list)).toEqual({ wrong: wrong.length, doubts: 3 });
  });

  it('names each finding once', () => {
    expect(new Set(findings.map(keyOf)).size).toBe(findings.length);
  });
});

describe('the place of a finding', () => {
  it.each([
    ['/parameters/clock/ramp', { screen: 'ramps', lane: 'clock' }],
    ['/kinds/enemies/wasp', { screen: 'kinds' }],
    ['/levels/a/ground/pieces/p', { screen: 'level', view: 'ground' }],
    ['/levels/a/rules/r/when', { screen: 'level', view: 'rules' }],
    ['/slots/slot-1', { screen: 'level', view: 'rules' }],
    ['/run/unlock/perSlot', { screen: 'sequence' }],
    ['/standing/r', { screen: 'sequence' }],
  ])('%s', (path, place) => {
    expect(placeOfFinding({ path, slotId: 'slot-1' })).toEqual({ slotId: 'slot-1', ...place });
  });
});
