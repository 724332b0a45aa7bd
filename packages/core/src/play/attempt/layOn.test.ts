import { describe, expect, it } from '@jest/globals';
import { cellsIn, isWall } from '../grid/index.ts';
import { makeWorld, prepareLevel } from '../movement/index.ts';
import type { Piece } from '../../document/model/index.ts';
import { clover, garden, is, rule } from '../../testing/index.ts';
import { bySort, collectablesOf, enemiesOf, layOn, ownGround, startAttempt, step, type Stretch } from './index.ts';

const pond: Piece = { id: 'pond', piece: 'hazard', kind: 'pond', at: { x: 14, y: 8 }, width: 2, height: 1 };
const wasp: Piece = { id: 'wasp', piece: 'enemy', kind: 'wasp', at: { x: 17.5, y: 2.5 }, path: [{ x: 18.5, y: 2.5 }] };

const world = makeWorld(
  prepareLevel(
    garden({
      pieces: [clover('a', 4.5), pond, wasp],
      rules: [rule('won', is('t', { reading: 'touching', kind: 'pond' }), [{ effect: 'win' }])],
    }),
    1,
  ),
);
const { motion } = world.level;

/** The garden's own pieces once more, on a stretch of six columns with a wall in the middle of its first. */
const stretch = (): Stretch => ({
  rows: motion.rows.map((_row, y) => (y === 0 || y === 11 ? '######' : y === 5 ? '#.....' : '......')),
  pieces: bySort(({ name }) =>
    name === 'collectable' || name === 'hazard' || name === 'enemy'
      ? motion.pieces[name].map((piece) => ({ ...(piece as object), x: 2.5, y: 3.5 }))
      : [],
  ),
});

describe('ground that is laid on', () => {
  const state = startAttempt(world, 1);
  const width = state.world.grid.width;
  ownGround(state);
  layOn(state, stretch());

  it('is as wide as both, with every cell where it was', () => {
    const { grid, level } = state.world;
    expect([grid.width, grid.height]).toEqual([width + 6, 12]);
    expect(level.motion.rows.every((row) => row.length === width + 6)).toBe(true);
    for (let y = 0; y < 12; y++)
      for (let x = 0; x < width + 6; x++)
        expect([x, y, isWall(grid, x, y)]).toEqual([x, y, level.motion.rows[y]![x] === '#']);
    expect(state.view.grid.width).toBe(width + 6);
  });

  it('brings its pieces: counted, in their places, and with ways of their own', () => {
    const { all, remainingCount } = collectablesOf(state);
    expect([all.map(({ x }) => x), remainingCount, state.observed.left.at(-1)]).toEqual([[4.5, width + 2.5], 2, 2]);
    const [, other] = enemiesOf(state).all;
    expect([other!.x, other!.path[0]!.x]).toEqual([width + 2.5, 18.5 + width]);
    // Its cell is one of the ground as it now is.
    expect(other!.targetCell).toBe(3 * (width + 6) + width + 2);
  });

  it('is gone round where it hurts, on both sides', () => {
    const { avoid, grid, hasAvoid } = state.world;
    const hurting = [
      ...cellsIn(grid, { x: 14, y: 8, width: 2, height: 1 }),
      ...cellsIn(grid, { x: width + 2.5, y: 3.5, width: 2, height: 1 }),
    ];
    expect(hasAvoid).toBe(true);
    expect([...avoid.keys()].filter((cell) => avoid[cell] === 1)).toEqual(hurting.toSorted((a, b) => a - b));
  });

  it('lets who comes there gather', () => {
    state.body.x = width + 2.5;
    state.body.y = 3.5;
    step(state, 0);
    expect(state.observed.collected.at(-1)).toBe(1);
  });

  it('is nothing that other attempts see', () => {
    expect(world.grid.width).toBe(width);
    expect(startAttempt(world, 1).observed.left.at(-1)).toBe(1);
    expect(world.level.motion.pieces.collectable).toHaveLength(1);
  });

  it('is let go on the left: neither met nor counted any more', () => {
    for (const name of ['collectable', 'enemy'] as const) {
      const sort = { collectable: collectablesOf, enemy: enemiesOf }[name];
      expect(sort(state).all).toHaveLength(2);
    }
    const { remainingCount } = collectablesOf(state);
    for (const sort of Object.values(bySort((one) => one))) sort.letGo?.(state, width);
    expect(collectablesOf(state).remainingCount).toBe(remainingCount - 1);
    expect(enemiesOf(state).all.map(({ active }) => active)).toEqual([false, true]);
  });
});
