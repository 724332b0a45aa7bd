import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import type { Level, Piece, Project } from '../../document/model/index.ts';
import { valuesAt } from '../../document/ramps/index.ts';
import { atLeast, rule } from '../../testing/index.ts';
import {
  lossMarks,
  patrolMarks,
  reachMarks,
  reachOf,
  safeDistanceMarks,
  sightMarks,
  tieMarks,
  unreachableMarks,
  waysOf,
} from './index.ts';

const demo = homeBeforeDusk();
const level = (rows: string[], pieces: Piece[]): Pick<Level, 'ground'> => ({ ground: { kind: 'roam', rows, pieces } });
const start: Piece = { id: 'start', piece: 'start', at: { x: 1.5, y: 1.5 } };
const clover = (id: string, x: number, y: number): Piece => ({
  id,
  piece: 'collectable',
  kind: 'clover',
  at: { x, y },
});

describe('how far it is on a stretch without a start', () => {
  it('is counted from its left', () => {
    const { ground } = homeBeforeDusk().levels['midday-meadow']!;
    if (!('sections' in ground)) throw new Error('no run');
    const [section] = ground.sections;
    const reach = reachOf({ ground: { ...ground, rows: section!.rows, pieces: section!.pieces } });
    expect([reach.width, reach.unreachable, reach.wanted]).toEqual([
      22,
      [],
      section!.pieces.filter(({ piece }) => piece === 'collectable').length,
    ]);
    expect(reach.furthest).toBeGreaterThan(20);
  });
});

describe('reach', () => {
  const here = level(
    ['########', '#....#.#', '#.##.#.#', '#..~~#.#', '########'],
    [start, clover('near', 4.5, 1.5), clover('away', 6.5, 1.5)],
  );
  const reach = reachOf(here);

  it('tells how far everything is in units, and what nothing leads to', () => {
    expect(reach.units[8 + 4]).toBe(3);
    expect(reach.units[8 + 6]).toBe(-1);
    expect(reach.units[0]).toBeUndefined();
    expect([reach.furthest, reach.unreachable, reach.wanted]).toEqual([4, ['away'], 2]);
  });

  it('does not lead over what has no ground', () => {
    expect(reach.units[3 * 8 + 3]).toBe(-1);
  });

  it('is drawn darker further away, and hatched where nothing leads', () => {
    const dark = (cell: number) => reachMarks(reach).find(({ key }) => key === `reach-${cell}`)?.opacity ?? 0;
    expect(dark(8 + 4)).toBeGreaterThan(dark(8 + 2));
    expect(unreachableMarks(reach)[0]?.figures).toHaveLength(5);
  });
});

describe('reach with the rules in force', () => {
  const rows = ['########', '#......#', '########'];
  const gate: Piece = {
    ...{ id: 'gate', piece: 'gate', name: 'Gate', at: { x: 4, y: 1 } },
    ...{ width: 1, height: 1, open: false },
  };
  const here = level(rows, [start, gate, clover('behind', 6.5, 1.5)]);
  const opens = [
    {
      rule: rule('opens', atLeast('time', { reading: 'timeElapsed' }, 1), [
        { effect: 'gate', gate: 'gate', open: true },
      ]),
      path: [],
      standing: false,
    },
  ];

  it('does not lead through a gate that nothing opens', () => {
    const reach = reachOf(here, waysOf(here.ground, { rules: [] }));
    expect(reach.unreachable).toEqual(['behind']);
    expect(reach.units[8 + 6]).toBe(-1);
    expect(unreachableMarks(reach)[0]?.figures.length).toBeGreaterThan(0);
    // A ground by itself has no rules: its gates count as open.
    expect(reachOf(here).unreachable).toEqual([]);
  });

  it('leads through a gate that a rule opens', () => {
    expect(reachOf(here, waysOf(here.ground, { rules: opens })).unreachable).toEqual([]);
  });
});

it('every level of the demo can be gathered and come home to', () => {
  for (const one of Object.values(demo.levels)) expect([one.id, reachOf(one).unreachable]).toEqual([one.id, []]);
});

describe('what is drawn on a ground', () => {
  const nest: Piece = {
    id: 'nest',
    piece: 'spawner',
    kind: 'hornet',
    at: { x: 5, y: 5 },
    starts: 'load',
    howMany: { from: 'number', value: 2 },
    firstAfterSeconds: { from: 'number', value: 2 },
    everySeconds: { from: 'number', value: 2 },
    safeDistance: 4,
    spread: { width: 3, height: 2 },
  };
  const wasp: Piece = { id: 'wasp', piece: 'enemy', kind: 'wasp', at: { x: 1, y: 1 }, path: [{ x: 4, y: 1 }] };
  const hornet: Piece = { id: 'hornet', piece: 'enemy', kind: 'hornet', at: { x: 2, y: 2 } };
  const gate: Piece = { id: 'gate', piece: 'gate', name: 'Gate', at: { x: 6, y: 2 }, width: 1, height: 2, open: false };
  const latch: Piece = { id: 'latch', piece: 'latch', name: 'Latch', at: { x: 2, y: 3 }, opens: ['gate', 'gone'] };
  const here = level(['####', '#..#', '#..#', '####'], [nest, wasp, hornet, gate, latch]);
  /** The demo's kinds, with hornets that move otherwise. */
  const moving = (movement: 'walk' | 'circle'): Pick<Project, 'kinds'> => ({
    kinds: {
      ...demo.kinds,
      enemies: demo.kinds.enemies.map(({ id, name, speed, radius }) => ({
        ...{ id, name, speed, radius },
        ...(id === 'hornet'
          ? movement === 'circle'
            ? { movement, distance: 2 }
            : { movement }
          : { movement: 'patrol' as const }),
      })),
    },
  });

  it.each([
    ['safe distances and areas', safeDistanceMarks(here), [['safe-nest', 2]]],
    ['sight of chasers only', sightMarks(demo, here, valuesAt(demo, 1)), [['sight-hornet', 1]]],
    ['ways of patrols, with their points', patrolMarks(demo, here), [['patrol-wasp', 2]]],
    [
      'one line for one that walks',
      patrolMarks(moving('walk'), here),
      [
        ['patrol-wasp', 2],
        ['course-hornet', 1],
      ],
    ],
    [
      'one circle for one that circles',
      patrolMarks(moving('circle'), here),
      [
        ['patrol-wasp', 2],
        ['course-hornet', 1],
      ],
    ],
    ['ties of latches to gates that there are', tieMarks(here), [['tie-latch-gate', 1]]],
    [
      'losses',
      lossMarks([1, 2, 3, 4]),
      [
        ['lost-0', 1],
        ['lost-1', 1],
      ],
    ],
  ])('%s', (_what, marks, expected) => {
    expect(marks.map(({ key, figures }) => [key, figures.length])).toEqual(expected);
  });
});
