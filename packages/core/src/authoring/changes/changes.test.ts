import { after as edited } from '../../testing/index.ts';
import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { documentOf, projectOf, type Project } from '../../document/model/index.ts';
import { changesBetween, type Change } from './index.ts';

/** The demo and a later state of it. */
function later(change: (project: Project) => void): [before: Project, after: Project] {
  const after = homeBeforeDusk();
  change(after);
  return [homeBeforeDusk(), after];
}
const wordsOf = (changes: Change[]): [string, string[]][] => changes.map(({ title, words }) => [title, words]);

/** Carries out what restores a change, on a copy. */
const restored = (project: Project, { restore = [] }: Change): Project => edited(project, { patch: restore });

describe('two states of a project', () => {
  it('that are the same differ in nothing', () => {
    expect(changesBetween(homeBeforeDusk(), homeBeforeDusk())).toEqual([]);
  });

  it.each<[string, (project: Project) => void, [string, string[]][]]>([
    [
      'a ramp, its cap and its pins',
      (project) => {
        const [speed] = project.parameters;
        speed!.ramp = { ...speed!.ramp, shape: { type: 'hold', value: 2.2 }, atMost: 3 };
        delete speed!.ramp.roundTo;
        speed!.pins = { 'slot-7': 2.6, 'slot-9': 2.1, 'slot-14': 2.3 };
      },
      [
        [
          'Hornet speed',
          [
            'from 2, +0.1 every 2 levels → holds 2.2',
            'at most 2.7 → 3',
            'no longer rounded to 0.05',
            'pin at 7 2.55 → 2.6',
            'no pin at 21, it was 2.5',
            'no pin at 24, it was 2.9',
            'pinned at 9 to 2.1',
          ],
        ],
      ],
    ],
    [
      'a share, in percent',
      (project) => (project.parameters[2]!.ramp.atMost = 0.8),
      [['Nectar needed', ['at most 75 % → 80 %']]],
    ],
    [
      'facts of a parameter',
      (project) => Object.assign(project.parameters[3]!, { label: 'Sand', unit: 's', sane: { min: 10, max: 90 } }),
      [['Sand', ['called Clock before', 'unit seconds → s', 'sane 15 to 120 → 10 to 90']]],
    ],
    [
      'parameters added and removed',
      (project) => {
        const [speed] = project.parameters;
        project.parameters = [...project.parameters.slice(0, 6), { ...speed!, key: 'wind', label: 'Wind', pins: {} }];
      },
      [
        ['Wind', ['added since']],
        ['Beetles', ['removed since']],
      ],
    ],
    [
      'parts of a level',
      (project) => Object.assign(project.levels['clover-steps']!, { brief: 'Other', tie: 'loss' }),
      [['Clover Steps', ['other brief, tie']]],
    ],
    ['the order of the sequence', (project) => project.slots.reverse(), [['Sequence', ['24 in another place']]]],
    ['a part of the project', (project) => (project.words.player = 'moth'), [['Words', ['not as before']]]],
  ])('differ in %s', (_what, change, expected) => {
    const [before, after] = later(change);
    const changes = changesBetween(before, after);
    const words = wordsOf(changes).filter(([title]) => expected.some(([wanted]) => wanted === title));
    expect(words).toEqual(expected);
    expect(new Set(changes.map(({ id }) => id)).size).toBe(changes.length);
  });

  it('name the levels whose values differ, also those that only follow', () => {
    const [before, after] = later((project) => (project.parameters[0]!.pins = {}));
    const follow = (project: Project): void => {
      const clock = project.parameters[3]!;
      clock.ramp = { shape: { type: 'formula', text: 'hornetSpeed * 10' } };
    };
    follow(before);
    follow(after);
    expect(changesBetween(before, after)).toMatchObject([
      { title: 'Hornet speed', positions: [7, 14, 21, 24] },
      { title: 'Clock', words: ['follows what has changed elsewhere'], positions: [7, 14, 21, 24] },
    ]);
  });

  it('are one again when every change is restored', () => {
    const [before, after] = later((project) => {
      project.parameters[0]!.pins = { 'slot-2': 3 };
      project.parameters[1]!.ramp.atMost = 9;
      project.levels['clover-steps']!.tie = 'loss';
      project.liveTiers = { score: [{ id: 'a', name: 'A', from: 0 }] };
      project.tiers = project.tiers.slice(0, 2);
    });
    let state = after;
    for (const change of changesBetween(before, after)) state = restored(state, change);
    expect(changesBetween(before, state)).toEqual([]);
  });

  it('do not differ by the numbers that keep sections and their pieces in order', () => {
    const demo = projectOf(documentOf(homeBeforeDusk()));
    expect(changesBetween(homeBeforeDusk(), demo)).toEqual([]);
    const moved = structuredClone(demo);
    const { ground } = moved.levels['midday-meadow']!;
    if ('sections' in ground) ground.sections[0]!.pieces[0]!.at.x += 1;
    expect(changesBetween(demo, moved).map(({ title }) => title)).toEqual(['Midday Meadow']);
  });

  it('restore no pin at a slot that is gone', () => {
    const [before, after] = later((project) => {
      project.slots = project.slots.filter(({ id }) => id !== 'slot-7');
      project.parameters[0]!.pins = {};
    });
    const [change] = changesBetween(before, after);
    expect(change?.restore).toMatchObject([{ op: 'replace', value: { pins: { 'slot-14': 2.3, 'slot-21': 2.5 } } }]);
  });
});
