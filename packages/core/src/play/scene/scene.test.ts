import { describe, expect, it } from '@jest/globals';
import { startAttempt, step, type Mark } from '../attempt/index.ts';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { headingInput, makeWorld, prepareLevel } from '../movement/index.ts';
import type { Piece } from '../../document/model/index.ts';
import { clover, garden, is, rule } from '../../testing/index.ts';
import { happeningInWords, placesOf, remember, sceneOf, sceneOfAttempt, seenStretch } from './index.ts';
import { namesFor } from '../attempt/index.ts';
import { rulesOf } from '../rules/index.ts';

const pieces: Piece[] = [
  clover('c', 4.5),
  { id: 'bloom', piece: 'collectable', kind: 'royal-bloom', at: { x: 10, y: 5.5 }, hidden: true },
  { id: 'gate', piece: 'gate', name: 'Gate', at: { x: 12, y: 1 }, width: 1, height: 3, open: false },
  { id: 'latch', piece: 'latch', name: 'Latch', at: { x: 6.5, y: 5.5 }, opens: ['gate'] },
  { id: 'hive', piece: 'goal', name: 'Hive mouth', at: { x: 16, y: 4 }, width: 2, height: 2 },
  { id: 'pond', piece: 'hazard', kind: 'pond', at: { x: 14, y: 8 }, width: 2, height: 1 },
  { id: 'wasp', piece: 'enemy', kind: 'hornet', at: { x: 17.5, y: 9.5 } },
];
const project = garden({
  pieces,
  rules: [rule('won', is('in', { reading: 'inside', zone: 'hive' }), [{ effect: 'win' }])],
});
const prepared = prepareLevel(project, 1);
const keys = (marks: readonly Mark[]): string[] => marks.map(({ key }) => key);
const find = (marks: readonly Mark[], key: string): Mark => marks.find((mark) => mark.key === key)!;

describe('a ground', () => {
  it('is drawn from below: areas, walls, fittings, what lies there, what moves', () => {
    expect(keys(sceneOf(prepared))).toEqual([
      'ground',
      'zone-0',
      'hazard-0',
      'walls',
      'latch-0',
      'gate-0',
      'collectable-0',
      'start',
      'enemy-0',
    ]);
  });

  it('has a name of its own for every mark, on every level of the demo', () => {
    const demo = homeBeforeDusk();
    for (let position = 1; position <= demo.slots.length; position++) {
      const names = keys(sceneOf(prepareLevel(demo, position)));
      expect(new Set(names).size).toBe(names.length);
    }
  });
});

describe('a run', () => {
  const demo = homeBeforeDusk();
  const state = startAttempt(makeWorld(prepareLevel(demo, 8)), 1);
  const places = placesOf(state);

  it('is looked at from a little behind the player on, always as wide', () => {
    expect(seenStretch(state, places, 1)).toEqual({ x: 0, width: 34 });
    for (let tick = 0; tick < 150; tick++) {
      remember(places, state);
      step(state, 0);
    }
    const between = [0, 0.5, 1].map((share) => seenStretch(state, places, share).x);
    expect(between[2]).toBeCloseTo(state.body.x - 8, 9);
    expect(between[1]).toBeCloseTo((between[0]! + between[2]!) / 2, 9);
    const meadow = startAttempt(makeWorld(prepareLevel(demo, 1)), 1);
    expect(seenStretch(meadow, placesOf(meadow), 1)).toEqual({ x: 0, width: meadow.world.grid.width });
  });

  it('has hills that more ground does not move, and a player as tall as it is', () => {
    const hills = (at: typeof state) => {
      const scenery = find(sceneOfAttempt(at, placesOf(at), 1), 'ground').figures.find(
        ({ is: what }) => what === 'polygon',
      );
      return scenery?.is === 'polygon' ? scenery.points.slice(2, 8) : [];
    };
    const before = hills(state);
    for (let tick = 0; tick < 5; tick++) step(state, 0);
    expect(hills(startAttempt(makeWorld(prepareLevel(demo, 8)), 3))).toEqual(before);
    const [figure] = find(sceneOfAttempt(state, placesOf(state), 1), 'player').figures;
    expect(figure).toMatchObject({ is: 'rectangle', width: 0.6 });
    expect(figure?.is === 'rectangle' && figure.height).toBeCloseTo(1.6, 9);
  });
});

describe('the walls of a ground', () => {
  it('are drawn as few rectangles, each cell once', () => {
    const walls = find(sceneOf(prepared), 'walls').figures;
    const area = walls.reduce((sum, figure) => sum + (figure.is === 'rectangle' ? figure.width * figure.height : 0), 0);
    const cells = prepared.motion.rows.join('').split('#').length - 1;
    expect([walls.length, area]).toEqual([4, cells]);
  });
});

describe('an attempt', () => {
  const state = startAttempt(makeWorld(prepared), 1);
  const places = placesOf(state);
  const before = sceneOfAttempt(state, places, 1);

  it('has the player in place of the start', () => {
    expect(keys(before)).toContain('player');
    expect(keys(before)).not.toContain('start');
  });

  it('is drawn between two ticks', () => {
    for (let i = 0; i < 10; i++) {
      remember(places, state);
      step(state, headingInput(0));
    }
    const playerAt = (share: number): number => {
      const [figure] = find(sceneOfAttempt(state, places, share), 'player').figures;
      return figure?.is === 'circle' ? figure.x : Number.NaN;
    };
    expect(playerAt(0)).toBe(places.x);
    expect(playerAt(1)).toBe(state.body.x);
    expect(playerAt(0.5)).toBeCloseTo((places.x + state.body.x) / 2, 12);
  });

  it('shows what has become of its pieces, and tells it in words', () => {
    for (let i = 0; i < 80; i++) step(state, headingInput(0));
    const now = sceneOfAttempt(state, places, 1);
    expect(keys(now)).not.toContain('collectable-0');
    expect(find(now, 'gate-0').figures.length).toBeLessThan(find(before, 'gate-0').figures.length);
    const level = project.levels['clover-steps']!;
    const here = { level, names: namesFor(project, level), rules: rulesOf(project, level) };
    const told = state.happenings.map((happening) => happeningInWords(happening, here, state));
    expect(told).toEqual(['Clover gathered', 'Latch is on', 'Gate opens']);
  });
});
