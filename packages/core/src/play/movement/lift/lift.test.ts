import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { startAttemptFrom, step, type AttemptState } from '../../attempt/index.ts';
import { literal, type Project, type Rule } from '../../../document/model/index.ts';
import { atLeast, cornersOf, depth, garden, is, rule, run } from '../../../testing/index.ts';
import { makeWorld, prepareLevel, USUAL_LIFT } from '../index.ts';

const [HOLD, LEFT, RIGHT] = [1, 2, 4] as const;
const TICK = 1 / 60;
const OPEN = Array.from({ length: 40 }, () => '.'.repeat(30));

type Moves = NonNullable<Project['player']['moves']['lift']>;

/** An attempt on a lift ground of 30 × 40 cells, begun at 15, 20. */
function inTheAir(
  of: Partial<Record<keyof Moves, number>> = {},
  { rows = OPEN, rules = [] as Rule[] } = {},
): AttemptState {
  const project = garden({
    rules,
    change: (project, level) => {
      level.ground = { ...level.ground, kind: 'lift', rows };
      project.player.radius = 0.3;
      project.player.moves.lift = {
        ...USUAL_LIFT,
        ...Object.fromEntries(Object.entries(of).map(([name, value]) => [name, literal(value)])),
      };
    },
  });
  return startAttemptFrom(makeWorld(prepareLevel(project, 1)), 1, { at: { x: 15, y: 20 } });
}

/** Way gone in n ticks from rest at an acceleration: a·dt²·(1 + 2 + … + n), since velocity comes before place. */
const wayFrom = (acceleration: number, ticks: number): number => (acceleration * TICK * TICK * ticks * (ticks + 1)) / 2;

describe('lift', () => {
  it('nothing pulls before the first press', () => {
    const state = run(inTheAir({ forward: 3 }), 0, 60);
    expect([state.body.x, state.body.y, state.observed.distance]).toEqual([15, 20, 0]);
  });

  it.each([
    [6, 16],
    [15, 16],
    [18, 4],
  ])('held for %i ticks at %d units/s² it comes as high as the sum says', (ticks, rise) => {
    const state = run(inTheAir({ rise, mostUp: 25 }), HOLD, ticks);
    expect(20 - state.body.y).toBeCloseTo(wayFrom(rise, ticks), 9);
    expect(state.observed.climbRate).toBeCloseTo(rise * TICK * ticks, 9);
    expect(state.observed.height).toBeCloseTo(20 + wayFrom(rise, ticks), 9);
  });

  it('goes no faster than it may: up and down', () => {
    const up = run(inTheAir({ mostUp: 5 }), HOLD, 100);
    expect(up.observed.climbRate).toBe(5);
    // From 16 units/s² it has 5 after 19 ticks, the last of them cut short: 18 full ones, then 82 at 5.
    expect(20 - up.body.y).toBeCloseTo(wayFrom(16, 18) + (82 * 5) / 60, 9);
    const down = inTheAir({ mostDown: 3 });
    step(down, HOLD);
    expect(run(down, 0, 100).observed.climbRate).toBe(-3);
  });

  it('is carried forward all the time, and steered besides', () => {
    expect(run(inTheAir({ forward: 3 }), HOLD, 60).body.x).toBeCloseTo(18, 9);
    expect(run(inTheAir({ forward: 0, steer: 4 }), RIGHT, 30).body.x).toBeCloseTo(17, 9);
    expect(run(inTheAir({ forward: 1, steer: 4 }), LEFT + HOLD, 30).body.x).toBeCloseTo(13.5, 9);
  });

  it('says when a wall or an edge stops it', () => {
    const wall = OPEN.map((row) => `${row.slice(0, 17)}#${row.slice(18)}`);
    const state = inTheAir({ steer: 4 }, { rows: wall });
    const touched: number[] = [];
    for (let i = 0; i < 40; i++) {
      step(state, RIGHT + HOLD);
      touched.push(state.observed.touchingWall);
    }
    // The wall begins at 17: the body's side comes there after 1.7 units, 25.5 ticks at 4 units/s.
    expect(touched.indexOf(1)).toBe(25);
    expect(state.body.x).toBeCloseTo(16.7, 5);
  });

  it('a height held for a time wins, and the clock can start at the first press', () => {
    const high = { ...(atLeast('high', { reading: 'height' }, 25) as object), heldSeconds: literal(0.5) };
    const state = inTheAir({ gravity: 0, mostUp: 5 }, { rules: [rule('won', high as never, [{ effect: 'win' }])] });
    run(state, HOLD, 200);
    // 5 units: 18 ticks for 0.76, then 51 at 5 units/s; held for 30 ticks, the one in which it comes there counted in.
    expect(state.phase).toBe('won');
    expect(state.tick).toBe(18 + Math.ceil((5 - wayFrom(16, 18)) / (5 / 60)) + 29);
  });

  it('a parameter that changes during the attempt changes how it flies', () => {
    const heavier = rule('heavier', is('touching', { reading: 'touchingWall' }), [
      { effect: 'parameter', parameter: 'hornetSpeed', change: 'set', by: literal(2) },
    ]);
    const project = garden({
      rules: [heavier],
      change: (project, level) => {
        level.ground = { ...level.ground, kind: 'lift', rows: OPEN };
        project.player.moves.lift = {
          ...USUAL_LIFT,
          mostUp: { from: 'parameter', parameter: 'hornetSpeed', times: 2 },
        };
      },
    });
    const state = startAttemptFrom(makeWorld(prepareLevel(project, 1)), 1, { at: { x: 15, y: 1 } });
    run(state, HOLD, 30);
    expect(state.observed.touchingWall).toBe(1);
    run(state, 0, 60);
    run(state, HOLD, 60);
    expect(state.observed.climbRate).toBe(4);
  });

  it('whatever its numbers are, nobody comes to be in a wall or at no place', () => {
    const number = fc.double({ min: 0, max: 1000, noNaN: true });
    const moves = fc.record({
      forward: number,
      steer: number,
      rise: number,
      gravity: number,
      mostUp: number,
      mostDown: number,
    });
    const row = fc.stringMatching(/^[.#]{30}$/);
    fc.assert(
      fc.property(
        moves,
        fc.array(row, { minLength: 40, maxLength: 40 }),
        fc.array(fc.nat(5), { maxLength: 30 }),
        (of, rows, inputs) => {
          const free = [19, 20].map((y) => `${rows[y]!.slice(0, 14)}..${rows[y]!.slice(16)}`);
          const ground = [...rows.slice(0, 19), ...free, ...rows.slice(21)];
          const state = inTheAir(of, { rows: ground });
          for (const input of inputs) {
            run(state, input, 9);
            for (const cell of cornersOf(state, ground)) expect(['.']).toContain(cell);
          }
        },
      ),
      { numRuns: depth(60, 20) },
    );
  });
});
