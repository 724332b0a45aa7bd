import { describe, expect, it } from '@jest/globals';
import { makeWorld, prepareLevel } from '../movement/index.ts';
import { literal, type EnemyKind, type Piece } from '../../document/model/index.ts';
import { garden } from '../../testing/index.ts';
import { enemiesOf, hashState, REST, startAttempt, step, type AttemptState, type Enemy } from './index.ts';

const ROWS = ['##########', '#........#', '#........#', '#....~...#', '##########'];
const SPEED = 3;

/** Returns the place of the one enemy on a ground of 10 × 5 after a number of ticks. */
function enemyAfter(ticks: number, movement: EnemyKind['movement'], at: Piece['at'], heading?: number): AttemptState {
  const project = garden({
    rows: ROWS,
    pieces: [{ id: 'mole', piece: 'enemy', kind: 'hornet', at, ...(heading === undefined ? {} : { heading }) }],
  });
  const named = { id: 'hornet', name: 'Mole', speed: literal(SPEED), radius: 0.4 };
  const own = movement === 'chase' ? { sight: literal(0) } : movement === 'circle' ? { distance: 1 } : {};
  project.kinds.enemies[0] = { ...named, movement, ...own } as EnemyKind;
  const state = startAttempt(makeWorld(prepareLevel(project, 1)), 1);
  for (let i = 0; i < ticks; i++) step(state, REST);
  return state;
}
const mole = (state: AttemptState): Enemy => enemiesOf(state).all[0] as Enemy;

describe('an enemy that walks', () => {
  // From 5.5 to the wall, where its middle is at 8.6, are 3.1 units: 62 ticks.
  it.each([
    [30, 7],
    [60, 8.5],
    [94, 7],
  ])('turns back at a wall: after %i ticks it is at %f', (ticks, x) =>
    expect(mole(enemyAfter(ticks, 'walk', { x: 5.5, y: 1.5 })).x).toBeCloseTo(x, 1),
  );

  it('turns back where the ground ends', () => {
    // The cell without ground begins at 5: its front comes there when its middle is at 4.6.
    const xs = Array.from({ length: 24 }, (_, part) => mole(enemyAfter(part * 5, 'walk', { x: 2.5, y: 3.5 })).x);
    expect(Math.max(...xs)).toBeLessThanOrEqual(4.61);
    expect(Math.max(...xs)).toBeGreaterThan(4.3);
  });

  it('sets out where its piece says', () =>
    expect(mole(enemyAfter(20, 'walk', { x: 5.5, y: 1.5 }, 180)).x).toBeCloseTo(4.5, 5));

  it('has its direction in the hash', () => {
    const [one, other] = [0, 180].map((heading) => enemyAfter(0, 'walk', { x: 5.5, y: 1.5 }, heading)) as [
      AttemptState,
      AttemptState,
    ];
    expect(hashState(one)).not.toBe(hashState(other));
  });
});

it('an enemy that crosses goes over walls, and comes in again from the other side', () => {
  // 10 units of ground and its own width besides: 10.8 units round.
  const at = { x: 8.5, y: 2.5 };
  expect(mole(enemyAfter(20, 'cross', at)).x).toBeCloseTo(9.5, 5);
  const round = (10.8 / SPEED) * 60;
  expect(mole(enemyAfter(round, 'cross', at)).x).toBeCloseTo(8.5, 0);
  expect(mole(enemyAfter(round, 'cross', at)).y).toBe(2.5);
});

it('an enemy that falls begins again from its place', () => {
  const ys = Array.from({ length: 100 }, (_, ticks) => mole(enemyAfter(ticks, 'fall', { x: 2.5, y: 1.5 })).y);
  expect(Math.max(...ys)).toBeLessThanOrEqual(3.6);
  expect(ys.filter((y) => y === 1.5).length).toBeGreaterThan(1);
});

it('an enemy that circles stays as far from its place, and is round after its way by its speed', () => {
  const centre = { x: 4, y: 2 };
  const ticks = Math.round(((2 * Math.PI) / SPEED) * 60);
  for (const after of [10, 33, 77]) {
    const { x, y, vx, vy } = mole(enemyAfter(after, 'circle', centre));
    expect(Math.hypot(x - centre.x, y - centre.y)).toBeCloseTo(1, 9);
    expect(Math.hypot(vx, vy)).toBeCloseTo(SPEED, 9);
  }
  const { x, y } = mole(enemyAfter(ticks, 'circle', centre));
  expect(x).toBeCloseTo(5, 1);
  expect(y).toBeCloseTo(2, 1);
});

it.each(['walk', 'cross', 'fall', 'circle'] as const)(
  'one that moves by “%s” stays where it is at speed 0',
  (movement) => {
    const project = garden({ rows: ROWS, pieces: [{ id: 'm', piece: 'enemy', kind: 'hornet', at: { x: 4, y: 2 } }] });
    project.kinds.enemies[0] = {
      ...{ id: 'hornet', name: 'Mole', speed: literal(0), radius: 0.3, movement },
      ...(movement === 'circle' ? { distance: 0.5 } : {}),
    } as EnemyKind;
    const state = startAttempt(makeWorld(prepareLevel(project, 1)), 1);
    step(state, REST);
    const { x, y } = mole(state);
    for (let i = 0; i < 60; i++) step(state, REST);
    expect([mole(state).x, mole(state).y]).toEqual([x, y]);
  },
);
