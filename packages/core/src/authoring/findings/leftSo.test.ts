import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { documentOf, literal } from '../../document/model/index.ts';
import { after } from '../../testing/index.ts';
import { countAgain, findingsOf, leaveSo, leftBecause, mendAll, sorted } from './index.ts';

const project = homeBeforeDusk();
const findings = findingsOf(project);
const greedy = findings.find(({ code }) => code === 'target-beyond-placed')!;

describe('a finding that is left as it is', () => {
  const left = after(project, leaveSo(project, greedy, 'It is a joke'));

  it('counts no more, and says why', () => {
    expect(leftBecause(left, greedy)).toBe('It is a joke');
    const { open, left: kept } = sorted(left, findingsOf(left));
    expect(kept.map(({ code }) => code)).toEqual(['target-beyond-placed']);
    expect(open).toHaveLength(findings.length - 1);
  });

  it('comes back when its numbers change', () => {
    const changed = structuredClone(left);
    const { when } = changed.levels['the-greedy-bee']!.rules[0]!;
    if (when.is === 'all' && when.of[0]?.is === 'compare') when.of[0].amount = literal(140);
    expect(sorted(changed, findingsOf(changed)).left).toEqual([]);
  });

  it('counts again when it is looked at again', () => {
    const again = after(left, countAgain(left, greedy));
    expect(sorted(again, findingsOf(again)).left).toEqual([]);
    expect(countAgain(again, greedy)).toBeUndefined();
  });

  it('stands beside others', () => {
    const both = after(left, leaveSo(left, findings[0]!, 'So be it'));
    expect(Object.values(both.leftSo ?? {}).map(({ why }) => why)).toEqual(['It is a joke', 'So be it']);
  });
});

describe('mends of many findings', () => {
  const document = documentOf(project);

  it('are one edit, after which none of them is found', () => {
    const mendable = findings.filter(({ mend }) => mend);
    const { patch, mended } = mendAll(document, mendable);
    expect(mended).toHaveLength(mendable.length);
    const rest = findingsOf(after(project, { patch }));
    expect(rest.filter(({ mend }) => mend)).toEqual([]);
  });

  it('take entries off one list from its end', () => {
    const drop = (index: number) => ({
      ...greedy,
      path: `/levels/home-before-dusk/rules/won/when/of/${index}`,
      mend: {
        label: 'Drop it',
        patch: [{ op: 'remove' as const, path: `/levels/home-before-dusk/rules/won/when/of/${index}` }],
      },
    });
    const { patch } = mendAll(document, [drop(0), drop(2)]);
    const { when } = after(project, { patch }).levels['home-before-dusk']!.rules[0]!;
    expect(when.is === 'all' && when.of.map(({ id }) => id)).toEqual(['safe']);
  });

  it('leave one out that stands in the way of another', () => {
    const add = { op: 'add' as const, path: '/tallies/one', value: { order: 9, name: 'One', start: 0 } };
    const twice = [1, 2].map((number) => ({ ...greedy, path: `/x/${number}`, mend: { label: 'Add', patch: [add] } }));
    expect(mendAll(document, twice).mended).toHaveLength(1);
  });

  it('are no edit where nothing can be mended', () => {
    expect(
      mendAll(document, [{ ...greedy, mend: { label: 'Gone', patch: [{ op: 'remove', path: '/nowhere' }] } }]),
    ).toEqual({
      patch: [],
      mended: [],
    });
  });
});
