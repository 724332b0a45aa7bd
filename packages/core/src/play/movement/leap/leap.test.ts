import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { enemiesOf, startAttemptFrom, step, type AttemptState } from '../../attempt/index.ts';
import { literal, type EnemyKind, type Piece, type Project, type Rule } from '../../../document/model/index.ts';
import { cornersOf, depth, garden, is, rule, run } from '../../../testing/index.ts';
import { jumpFacts, makeWorld, prepareLevel, USUAL_LEAP } from '../index.ts';

const [JUMP, LEFT, RIGHT] = [1, 2, 4] as const;
const TICK = 1 / 60;
/** 30 × 12 cells with a floor on which feet stand at 10. */
const FLOOR = [...Array.from({ length: 10 }, () => '.'.repeat(30)), '#'.repeat(30), '#'.repeat(30)];
const pitFrom = (from: number, wide: number): string[] =>
  FLOOR.map((row, y) => (y < 10 ? row : `${'#'.repeat(from)}${'.'.repeat(wide)}${'#'.repeat(30 - from - wide)}`));

type Moves = NonNullable<Project['player']['moves']['leap']>;

interface Given {
  rows?: string[];
  pieces?: Piece[];
  rules?: Rule[];
  at?: { x: number; y: number };
  enemy?: Partial<EnemyKind>;
}

/** An attempt on a leap ground; as usual the player stands at 5.5 on the floor. */
function onFloor(of: Partial<Record<keyof Moves, number>> = {}, given: Given = {}): AttemptState {
  const { rows = FLOOR, pieces = [], rules = [], at = { x: 5.5, y: 9.7 }, enemy } = given;
  const project = garden({
    pieces,
    rules,
    change: (project, level) => {
      level.ground = { ...level.ground, kind: 'leap', rows };
      project.player.radius = 0.3;
      project.player.moves.leap = {
        ...USUAL_LEAP,
        ...Object.fromEntries(Object.entries(of).map(([name, value]) => [name, literal(value)])),
      };
      if (enemy)
        project.kinds.enemies[0] = {
          ...{ id: 'hornet', name: 'Walker', speed: literal(0), radius: 0.4, movement: 'still' },
          ...enemy,
        } as EnemyKind;
    },
  });
  const state = startAttemptFrom(makeWorld(prepareLevel(project, 1)), 1, { at });
  run(state, 0, 2);
  return state;
}

/** The lowest and the highest place, and the ticks until it stands again. */
function jumped(state: AttemptState, held: number, side = 0): { height: number; ticks: number; x: number } {
  const feet = state.body.y;
  let top = feet;
  let ticks = 0;
  do {
    step(state, side + (ticks < held ? JUMP : 0));
    top = Math.min(top, state.body.y);
    ticks++;
  } while (ticks < 300 && state.observed.onFloor === 0);
  return { height: feet - top, ticks, x: state.body.x };
}

describe('a jump', () => {
  // v₀ is chosen so that the sum over ticks is the height: within what one tick of v₀ leaves, since it tops between two.
  it.each([
    [30, 2.6],
    [30, 1.6],
    [12, 3],
    [60, 2],
  ])('at gravity %d reaches %f units, within one tick', (gravity, jumpHeight) => {
    const { height, ticks } = jumped(onFloor({ gravity, jumpHeight }), 300);
    expect(Math.abs(height - jumpHeight)).toBeLessThan(gravity * TICK * TICK);
    expect(
      Math.abs(ticks - jumpFacts({ gravity, jumpHeight, speed: 5, edgeGraceSeconds: 0 }).seconds * 60),
    ).toBeLessThan(2);
  });

  it('let go early rises less', () => {
    const full = jumped(onFloor(), 300).height;
    const short = jumped(onFloor(), 4).height;
    expect(short).toBeLessThan(full * 0.6);
    expect(short).toBeGreaterThan(0.3);
  });

  it('needs a new press: held on, it does not begin again', () => {
    const state = onFloor();
    jumped(state, 300);
    run(state, JUMP, 30);
    expect(state.observed.onFloor).toBe(1);
  });

  it.each([
    ['counts', 0.1, 5, true],
    ['does not count', 0.1, 12, false],
  ])('a press before landing %s', (_what, pressEarlySeconds, before, again) => {
    // A short hop lands sooner: falls on until it is so near.
    const other = onFloor({ pressEarlySeconds });
    const landing = jumped(onFloor({ pressEarlySeconds }), 3).ticks;
    for (let tick = 0; tick < landing - before; tick++) step(other, tick < 3 ? JUMP : 0);
    for (let tick = 0; tick < before + 4; tick++) step(other, JUMP);
    expect(other.body.vy < 0).toBe(again);
  });

  it('in the air as often as it may', () => {
    const once = onFloor({ jumpsInAir: 1 });
    for (let tick = 0; tick < 10; tick++) step(once, tick < 8 ? JUMP : 0);
    step(once, JUMP);
    expect(once.body.vy).toBeLessThan(-5);
    run(once, 0, 3);
    const before = once.body.vy;
    step(once, JUMP);
    expect(once.body.vy).toBeGreaterThan(before);
  });
});

describe('a pit', () => {
  /** Runs right and jumps a number of ticks after the feet reach the edge. */
  function over(wide: number, late: number, of: Partial<Record<keyof Moves, number>> = {}): AttemptState {
    const state = onFloor({ acceleration: 1000, ...of }, { rows: pitFrom(12, wide) });
    while (state.body.x + 5 * TICK < 12.3) step(state, RIGHT);
    run(state, RIGHT, late);
    run(state, RIGHT + JUMP, 90);
    return state;
  }

  // A jump of 2.6 at gravity 30 lasts 50.9 ticks: 4.2 units at 5 units/s, from edge to edge of the body 0.6 more.
  it.each([
    [3, true],
    [4, true],
    [6, false],
  ])('%i cells wide is jumped: %s', (wide, cleared) => {
    const state = over(wide, 0);
    expect(state.observed.offGround === 0 && state.body.x > 12 + wide).toBe(cleared);
  });

  it('forgives a press after the edge for as long as it says', () => {
    expect(over(3, 4, { edgeGraceSeconds: 0.1 }).observed.offGround).toBe(0);
    expect(over(3, 9, { edgeGraceSeconds: 0.1 }).observed.offGround).toBe(1);
    expect(over(3, 4, { edgeGraceSeconds: 0 }).observed.offGround).toBe(1);
  });
});

describe('what a gap forgives', () => {
  const forgiven = (wide: number, of: Partial<Record<keyof Moves, number>> = {}): number | undefined => {
    const { world } = onFloor(
      { gravity: 30, jumpHeight: 1.6, speed: 5, edgeGraceSeconds: 0, ...of },
      { rows: pitFrom(12, wide) },
    );
    return world.kind.gaps?.(world)[0]?.seconds;
  };

  // A jump of 1.6 at gravity 30 lasts 40 ticks: 3.3 units at 5 units/s, and the body reaches 0.3 over each edge.
  it('is less the wider it is, and nothing beyond the length of a jump', () => {
    const [two, three, five] = [forgiven(2)!, forgiven(3)!, forgiven(5)!];
    expect(two).toBeGreaterThan(three);
    expect(three).toBeGreaterThan(0);
    expect(five).toBe(0);
    // Each cell more takes as long as it is run over.
    expect(two - three).toBeCloseTo(1 / 5, 1);
  });

  it('is no miss where a ledge above catches the jump, and none over a floor below', () => {
    const gapsOver = (rows: string[]) => {
      const { world } = onFloor({ jumpHeight: 2.6 }, { rows });
      return (world.kind.gaps?.(world) ?? []).map(({ width, overPit, seconds }) => [width, overPit, seconds > 0.2]);
    };
    const caught = pitFrom(12, 3).map((row, y) => (y === 8 ? `${row.slice(0, 11)}-----${row.slice(16)}` : row));
    expect(gapsOver(caught)).toEqual([[3, true, true]]);
    const ledges = FLOOR.map((row, y) => (y === 8 ? `${row.slice(0, 8)}----..----${row.slice(18)}` : row));
    expect(gapsOver(ledges)).toEqual([[2, false, true]]);
  });

  it('grows by the grace after an edge', () => {
    expect(forgiven(3, { edgeGraceSeconds: 0.1 })! - forgiven(3)!).toBeCloseTo(0.1, 1);
  });

  it('is looked at only where floors are of one height with open cells between', () => {
    const { world } = onFloor(
      {},
      { rows: FLOOR.map((row, y) => (y < 4 || y > 9 ? row : `${row.slice(0, 12)}#${row.slice(13)}`)) },
    );
    expect(world.kind.gaps?.(world)).toEqual([]);
  });
});

describe('standing', () => {
  it('on a ledge that is jumped through from below', () => {
    const rows = FLOOR.map((row, y) => (y === 8 ? `${row.slice(0, 4)}---${row.slice(7)}` : row));
    const state = onFloor({}, { rows });
    run(state, JUMP, 60);
    expect(state.observed.onFloor).toBe(1);
    expect(state.body.y).toBeCloseTo(7.7, 4);
  });

  it('ends at the lower edge, which is off the ground', () => {
    const state = onFloor({}, { rows: pitFrom(12, 3), at: { x: 13.5, y: 9 } });
    run(state, 0, 60);
    expect([state.observed.offGround, state.observed.onFloor]).toEqual([1, 0]);
  });

  it('walks at its speed, and both ways alike', () => {
    const right = run(onFloor({ acceleration: 1000 }), RIGHT, 30).body.x - 5.5;
    const left = 5.5 - run(onFloor({ acceleration: 1000 }), LEFT, 30).body.x;
    expect(right).toBeCloseTo(2.5, 6);
    expect(left).toBeCloseTo(right, 9);
  });
});

describe('who is fallen onto', () => {
  const walker: Piece = { id: 'walker', piece: 'enemy', kind: 'hornet', at: { x: 5.5, y: 9.5 } };
  const touched = rule('touched', is('t', { reading: 'touching', kind: 'hornet' }), [
    { effect: 'lose', cause: 'Touched' },
  ]);
  const from = (enemy: Partial<EnemyKind>, at: { x: number; y: number }): AttemptState =>
    onFloor(
      {},
      { pieces: [walker], rules: [touched], enemy: { health: literal(1), ...enemy } as Partial<EnemyKind>, at },
    );

  it('is beaten, and the player bounces', () => {
    const state = from({ fromAbove: true }, { x: 5.5, y: 7 });
    let least = 0;
    for (let i = 0; i < 30; i++) {
      step(state, 0);
      least = Math.min(least, state.body.vy);
    }
    expect([state.phase, enemiesOf(state).all[0]!.active]).toEqual(['playing', false]);
    expect(state.observed.enemiesBeaten[0]).toBe(1);
    expect(least).toBeLessThan(-3);
  });

  it('touches where its kind is not beaten so, and from aside', () => {
    expect(run(from({}, { x: 5.5, y: 7 }), 0, 60).phase).toBe('lost');
    expect(run(from({ fromAbove: true }, { x: 3.5, y: 9.7 }), RIGHT, 60).phase).toBe('lost');
  });

  it('walks to where its floor ends, and back', () => {
    const project = { movement: 'walk', speed: literal(3) } as Partial<EnemyKind>;
    const state = onFloor(
      {},
      { rows: pitFrom(12, 3), enemy: project, pieces: [{ ...walker, at: { x: 9.5, y: 9.5 } }] },
    );
    const xs = Array.from({ length: 240 }, () => {
      step(state, 0);
      return enemiesOf(state).all[0]!.x;
    });
    expect(Math.max(...xs)).toBeCloseTo(11.6, 0);
    expect(Math.max(...xs)).toBeLessThan(12);
    expect(Math.min(...xs)).toBeLessThan(9);
  });
});

it('whatever its numbers are, nobody comes to be in a wall or at no place', () => {
  const number = fc.double({ min: 0, max: 1000, noNaN: true });
  const moves = fc.record(Object.fromEntries(Object.keys(USUAL_LEAP).map((name) => [name, number])));
  const row = fc.stringMatching(/^[.#-]{30}$/);
  fc.assert(
    fc.property(
      moves,
      fc.array(row, { minLength: 12, maxLength: 12 }),
      fc.array(fc.nat(5), { maxLength: 30 }),
      (of, rows, inputs) => {
        const ground = rows.map((cells, y) =>
          y === 8 || y === 9 ? `${cells.slice(0, 4)}...${cells.slice(7)}` : cells,
        );
        const state = onFloor(of, { rows: ground });
        for (const input of inputs) {
          run(state, input, 9);
          for (const cell of cornersOf(state, ground)) expect(['.', '-']).toContain(cell);
        }
      },
    ),
    { numRuns: depth(60, 20) },
  );
});
