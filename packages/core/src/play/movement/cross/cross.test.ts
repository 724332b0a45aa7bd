import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  hashState,
  lanesOf,
  startAttempt,
  startAttemptFrom,
  step,
  trafficOf,
  type AttemptState,
} from '../../attempt/index.ts';
import { literal, type Piece, type Rule } from '../../../document/model/index.ts';
import { atLeast, depth, garden, is, rule, run } from '../../../testing/index.ts';
import { makeWorld, prepareLevel } from '../index.ts';

const [RIGHT, DOWN, LEFT, UP] = [1, 2, 3, 4] as const;
/** 9 ticks a step, 3 of rest. */
const CYCLE = 12;

type Lane = Extract<Piece, { piece: 'lane' }>;
const lane = (y: number, of: Partial<Lane> = {}): Piece =>
  ({
    ...{ id: `lane-${y}`, piece: 'lane', kind: 'hornet', at: { x: 0.5, y: y + 0.5 }, towards: 'right' },
    ...{ length: 1, speed: literal(3), spacing: 'units', every: literal(4), jitter: 0 },
    ...of,
  }) as Piece;

const OPEN = Array.from({ length: 9 }, () => '.'.repeat(15));

/** An attempt on a cross ground of 15 × 9 cells, begun at 7.5, 5.5. */
function onCross(pieces: Piece[], { rows = OPEN, rules = [] as Rule[], seed = 1, grace = 1.5 } = {}): AttemptState {
  const project = garden({
    pieces,
    rules,
    change: (project, level) => {
      level.ground = { ...level.ground, kind: 'cross', rows };
      project.player.graceSeconds = grace;
    },
  });
  const world = makeWorld(prepareLevel(project, 1));
  return startAttemptFrom(world, seed, { at: { x: 7.5, y: 5.5 } });
}

describe('the speed of a lane', () => {
  it('below 0 drives the other way, as a lane in the other direction does', () => {
    const [back, other] = [
      onCross([lane(2, { speed: literal(-1.3) })]),
      onCross([lane(2, { towards: 'left', speed: literal(1.3) })]),
    ];
    for (const state of [back, other]) run(state, 0, 200);
    expect(trafficOf(back)).toEqual(trafficOf(other));
    expect(lanesOf(back.world.level)).toEqual(lanesOf(other.world.level));
    expect(trafficOf(back)[0]!.speed).toBeCloseTo(1.3, 12);
  });

  it.each(['seconds', 'units'] as const)('of 0 stands, with gaps between the vehicles, counted in %s', (spacing) => {
    const state = onCross([lane(2, { speed: literal(0), spacing, every: literal(3) })]);
    const [before] = structuredClone(trafficOf(state));
    run(state, 0, 100);
    const [now] = trafficOf(state);
    expect(now!.fronts).toEqual(before!.fronts);
    expect(now!.count).toBeLessThanOrEqual(4);
    expect(now!.fronts[0]! - now!.fronts[1]!).toBeCloseTo(4, 9);
  });
});

describe('steps', () => {
  it.each([
    [RIGHT, 8.5, 5.5],
    [DOWN, 7.5, 6.5],
    [LEFT, 6.5, 5.5],
    [UP, 7.5, 4.5],
  ])('input %i leads to the next cell in 9 ticks, in a straight line', (input, x, y) => {
    const state = onCross([]);
    step(state, input);
    expect(state.body.x - 7.5).toBeCloseTo((x - 7.5) / 9, 12);
    expect(state.body.y - 5.5).toBeCloseTo((y - 5.5) / 9, 12);
    run(state, 0, 8);
    expect([state.body.x, state.body.y]).toEqual([x, y]);
  });

  it('an input held goes on after the rest: n steps in n × 12 ticks', () => {
    const state = run(onCross([]), LEFT, CYCLE * 3);
    expect(state.body.x).toBe(4.5);
    step(state, LEFT);
    expect(state.body.x).toBeLessThan(4.5);
  });

  it('an input during the rest that has ended before it counts for nothing', () => {
    const state = run(onCross([]), RIGHT, 9);
    run(state, UP, 2);
    run(state, 0, 20);
    expect([state.body.x, state.body.y]).toEqual([8.5, 5.5]);
  });

  it('walls and the edges of the ground are not entered', () => {
    const walls = OPEN.map((row, y) => (y === 5 ? `${row.slice(0, 8)}#${row.slice(9)}` : row));
    const state = run(onCross([], { rows: walls }), RIGHT, 60);
    expect(state.body.x).toBe(7.5);
    expect(run(onCross([]), DOWN, 600).body.y).toBe(8.5);
  });

  it('the row, the way gone and the height are read', () => {
    const { observed } = run(onCross([]), UP, CYCLE * 2);
    expect([observed.row, observed.height]).toEqual([6, 5.5]);
    expect(observed.distance).toBeCloseTo(2, 9);
  });
});

describe('lanes', () => {
  const fronts = (state: AttemptState, index = 0): number[] => {
    const { fronts: all, count } = trafficOf(state)[index]!;
    return all.slice(0, count);
  };

  it('keep their gaps: length and gap from front to front', () => {
    const state = run(onCross([lane(2)]), 0, 500);
    const places = fronts(state);
    expect(places.length).toBeGreaterThanOrEqual(3);
    for (let i = 1; i < places.length; i++) expect(places[i - 1]! - places[i]!).toBeCloseTo(5, 9);
  });

  it.each([1.5, 2, 3.25])('send one every %f s, however fast they drive', (seconds) => {
    const state = onCross([lane(2, { spacing: 'seconds', every: literal(seconds), speed: literal(2.7) })]);
    const before = trafficOf(state)[0]!.entered;
    run(state, 0, 60 * 130);
    expect(trafficOf(state)[0]!.entered - before).toBeCloseTo(130 / seconds, -0.5);
  });

  it('are warm at the start: as full as they are later on', () => {
    let [first, later] = [0, 0];
    for (let seed = 1; seed <= 40; seed++) {
      const state = onCross([lane(2, { jitter: 0.3 })], { seed });
      first += fronts(state).length;
      later += fronts(run(state, 0, 400)).length;
    }
    expect(first / later).toBeCloseTo(1, 1);
  });

  // A window of 4 units of gap, less twice the body's 0.3, at 3 units/s is open for 68 of 100 ticks of the cycle of 5 units.
  it('can be stood in for as long as the gap leaves room, and no longer', () => {
    const state = onCross([lane(5)], { grace: 0 });
    const cycle = (5 / 3) * 60;
    let free = 0;
    for (let i = 0; i < cycle; i++) {
      step(state, 0);
      if (state.observed.touching[0] === 0) free++;
    }
    expect(free).toBeGreaterThanOrEqual(67);
    expect(free).toBeLessThanOrEqual(69);
  });

  it('drive the other way as they do this way', () => {
    const [right, left] = (['right', 'left'] as const).map((towards) => fronts(onCross([lane(3, { towards })])));
    expect(left).toEqual(right);
  });

  it('quicken with a parameter that a rule changes', () => {
    const faster = rule('faster', atLeast('late', { reading: 'timeElapsed' }, 1), [
      { effect: 'parameter', parameter: 'hornetSpeed', change: 'times', by: literal(2) },
    ]);
    const speed = { from: 'parameter', parameter: 'hornetSpeed', times: 0.5 } as const;
    const state = onCross([lane(2, { speed })], { rules: [faster] });
    const before = trafficOf(state)[0]!.speed;
    run(state, 0, 70);
    expect(trafficOf(state)[0]!.speed).toBeCloseTo(before * 2, 9);
  });

  it('a raft carries who stands on it, over what has no ground', () => {
    const water = OPEN.map((row, y) => (y === 5 ? '~'.repeat(row.length) : row));
    const raft = lane(5, { carries: true, length: 12, every: literal(0.5), speed: literal(1) });
    const seed = [1, 2, 3, 4, 5].find((seed) => {
      const { count, fronts: all } = trafficOf(onCross([raft], { rows: water, seed }))[0]!;
      return all.slice(0, count).some((front) => front > 9.5 && front - 12 < 5.5);
    })!;
    const state = onCross([raft], { rows: water, seed });
    run(state, 0, 60);
    expect(state.body.x).toBeCloseTo(8.5, 6);
    expect(state.observed.offGround).toBe(0);
    expect(state.carried).toBe(true);
  });

  it('without a raft there is no ground', () => {
    const water = OPEN.map((row, y) => (y === 5 ? '~'.repeat(row.length) : row));
    expect(run(onCross([], { rows: water }), 0, 1).observed.offGround).toBe(1);
  });
});

it('each entry into a goal is a crossing, and a rule puts the player back to the start', () => {
  const goal: Piece = { id: 'far', piece: 'goal', name: 'Far side', at: { x: 0, y: 0 }, width: 15, height: 1 };
  const back = rule(
    'back',
    is('over', { reading: 'inside', zone: 'far' }),
    [{ effect: 'back', to: 'start' }],
    'eachTime',
  );
  const won = rule('won', atLeast('often', { reading: 'crossings' }, 2), [{ effect: 'win' }]);
  const state = onCross([goal], { rules: [back, won] });
  // The row is entered at its edge: 4 cells and a half up.
  run(state, UP, CYCLE * 4 + 6);
  expect(state.observed.crossings).toBe(1);
  expect([state.body.x, state.body.y]).toEqual([2.5, 5.5]);
  run(state, UP, 30 + CYCLE * 5);
  expect([state.phase, state.observed.crossings]).toEqual(['won', 2]);
});

it('an attempt can begin with crossings already made', () => {
  const { world } = onCross([]);
  expect(startAttemptFrom(world, 1, { readings: { crossings: 3, worth: 9 } }).observed).toMatchObject({
    crossings: 3,
    worth: [0, 0, 0, 0],
  });
});

it('whatever its numbers are, an attempt stays whole: no place without a number, nobody in a wall', () => {
  const number = fc.double({ min: 0, max: 40, noNaN: true });
  const lanes = fc.array(
    fc.record({
      y: fc.integer({ min: 0, max: 8 }),
      towards: fc.constantFrom('right', 'left', 'up', 'down'),
      length: fc.double({ min: 0.5, max: 12, noNaN: true }),
      speed: number,
      every: number,
      spacing: fc.constantFrom('seconds', 'units'),
      jitter: fc.double({ min: 0, max: 0.9, noNaN: true }),
      carries: fc.boolean(),
    }),
    { maxLength: 6 },
  );
  const row = fc.stringMatching(/^[.#~]{15}$/);
  fc.assert(
    fc.property(
      lanes,
      fc.array(row, { minLength: 9, maxLength: 9 }),
      fc.array(fc.nat(4), { maxLength: 40 }),
      (all, rows, inputs) => {
        rows[5] = `${rows[5]!.slice(0, 7)}.${rows[5]!.slice(8)}`;
        const pieces = all.map(({ y, speed, every, carries, ...of }, index) => ({
          ...lane(y, {
            ...of,
            speed: literal(speed),
            every: literal(every),
            ...(carries ? { carries: true as const } : {}),
          }),
          id: `lane-${index}`,
        }));
        const state = onCross(pieces, { rows });
        for (const input of inputs) {
          for (let i = 0; i < 7; i++) step(state, input);
          const { x, y } = state.body;
          expect(rows[Math.floor(y)]?.[Math.floor(x)]).toMatch(/[.~]/);
          for (const { fronts: all, count } of trafficOf(state)) {
            expect(count).toBeLessThanOrEqual(64);
            expect(all.every(Number.isFinite)).toBe(true);
          }
        }
      },
    ),
    { numRuns: depth(60, 20) },
  );
});

it('the same seed and inputs give the same attempt', () => {
  const played = (): number => {
    const state = startAttempt(onCross([lane(2, { jitter: 0.5 }), lane(4, { carries: true })]).world, 7);
    for (let i = 0; i < 300; i++) step(state, i % 5);
    return hashState(state);
  };
  expect(played()).toBe(played());
  expect(lanesOf(onCross([lane(2)]).world.level)).toHaveLength(1);
});
