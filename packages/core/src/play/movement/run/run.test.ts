import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  collectablesOf,
  enemiesOf,
  startAttemptFrom,
  step,
  type AttemptState,
  type StartFrom,
} from '../../attempt/index.ts';
import { drawnSection, type SectionLegend } from '../../../authoring/building/index.ts';
import {
  literal,
  type Ground,
  type LiveTier,
  type Piece,
  type Project,
  type Rule,
  type Section,
} from '../../../document/model/index.ts';
import { depth, garden, is, rule, run as wait } from '../../../testing/index.ts';
import { JUMP, jumpFacts, makeWorld, prepareLevel, RUN_ON, SLIDE, tierAt, USUAL_RUN, type RunOwn } from '../index.ts';
import { pick, poolOf } from './sections.ts';

const TICK = 1 / 60;
/** Feet stand at 8. */
const HEIGHT = 10;
const FLOOR = ['####################', '####################'];
const LEGEND: SectionLegend = {
  o: { piece: 'collectable', kind: 'clover' },
  w: { piece: 'enemy', kind: 'hornet' },
};

type Moves = NonNullable<Project['player']['moves']['run']>;
type RunGround = Extract<Ground, { kind: 'run' }>;

interface Given {
  of?: Partial<Record<keyof Moves, number>>;
  sections?: Section[];
  tiers?: LiveTier[];
  drawnBy?: RunGround['drawnBy'];
  rules?: Rule[];
  pieces?: Piece[];
  from?: StartFrom;
  seed?: number;
  change?: (project: Project) => void;
}

const section = (name: string, rows: string[], tier = 1, weight = 1): Section => ({
  ...drawnSection(name, tier, rows, HEIGHT, LEGEND),
  weight,
});
const flat = (name: string, tier = 1, weight = 1): Section => section(name, ['.'.repeat(20), ...FLOOR], tier, weight);

/** An attempt on a run whose opening is 12 cells long; the player stands on its floor. */
function started({
  of = {},
  sections = [flat('Flat')],
  tiers = [],
  drawnBy = 'sectionsPassed',
  ...given
}: Given = {}): AttemptState {
  const project = garden({
    pieces: given.pieces ?? [],
    rules: given.rules ?? [],
    change: (project, level) => {
      level.ground = {
        kind: 'run',
        rows: Array.from({ length: HEIGHT }, (_, y) => (y >= 8 ? '#' : '.').repeat(12)),
        pieces: [{ id: 'start', piece: 'start', at: { x: 2.5, y: 7.5 } }, ...(given.pieces ?? [])],
        drawnBy,
        sections,
      };
      project.player.radius = 0.3;
      project.player.moves.run = {
        ...USUAL_RUN,
        ...Object.fromEntries(Object.entries(of).map(([name, value]) => [name, literal(value)])),
      };
      project.liveTiers = { [drawnBy]: tiers };
      given.change?.(project);
    },
  });
  return startAttemptFrom(makeWorld(prepareLevel(project, 1)), given.seed ?? 1, given.from ?? {});
}

const ownOf = (state: AttemptState): RunOwn => state.own as RunOwn;
const laidOf = (state: AttemptState): number[] => ownOf(state).laid.map((laid) => laid.section);

describe('running', () => {
  it.each([
    [6, 1],
    [6, 3],
    [10, 5],
  ])('at %d units a second passes %d sections after the way to their ends', (speed, sections) => {
    const state = started({ of: { speed } });
    // The left edge of the body passes the end of the last one: 12 + 20 n, from 2.5 − 0.3.
    const ticks = Math.ceil((12 + 20 * sections - 2.2) / (speed * TICK) - 1e-9);
    wait(state, RUN_ON, ticks - 1);
    expect(state.observed.sectionsPassed).toBe(sections - 1);
    wait(state, RUN_ON, 1);
    expect(state.observed.sectionsPassed).toBe(sections);
    expect(state.observed.distance).toBeCloseTo(ticks * speed * TICK, 6);
  });

  it('stands with its feet on the floor, and stays there', () => {
    const state = wait(started(), RUN_ON, 30);
    expect(state.body.y + ownOf(state).halfTall).toBeCloseTo(8, 5);
    expect(state.observed.onFloor).toBe(1);
  });

  it('is stopped by a wall, which is a reading', () => {
    const wall = section('Wall', ['..........##........', '..........##........', ...FLOOR]);
    const state = started({
      sections: [wall],
      rules: [rule('stopped', is('b', { reading: 'blocked' }), [{ effect: 'lose', cause: 'That' }])],
    });
    wait(state, RUN_ON, 400);
    expect([state.phase, state.body.x.toFixed(3)]).toEqual(['lost', '21.700']);
  });

  it('falls where there is no floor', () => {
    const pit = section('Pit', ['....................', '########....########', '########....########']);
    const state = started({
      sections: [pit],
      rules: [rule('fell', is('f', { reading: 'offGround' }), [{ effect: 'lose', cause: 'That' }])],
    });
    wait(state, RUN_ON, 400);
    expect(state.phase).toBe('lost');
    expect(state.body.x).toBeGreaterThan(20);
  });
});

describe('a pit on the run', () => {
  it('that is missed ends as a fall, also where walls count', () => {
    const pit = section('Pit', ['....................', '########....########', '########....########']);
    const state = started({
      sections: [pit],
      rules: [
        rule('stopped', is('b', { reading: 'blocked' }), [{ effect: 'lose', cause: 'Stopped' }]),
        rule('fell', is('f', { reading: 'offGround' }), [{ effect: 'lose', cause: 'Fell' }]),
      ],
    });
    wait(state, RUN_ON, 400);
    expect([state.phase, state.verdicts.ending?.rule]).toEqual(['lost', 1]);
  });
});

describe('a jump on the run', () => {
  it.each([
    [34, 1.8],
    [20, 2.5],
    [60, 1],
  ])('at gravity %d reaches %f units and lands when the sum says, within a tick', (gravity, jumpHeight) => {
    const state = wait(started({ of: { gravity, jumpHeight } }), RUN_ON, 5);
    const feet = state.body.y;
    let top = feet;
    let ticks = 0;
    do {
      step(state, JUMP);
      top = Math.min(top, state.body.y);
      ticks++;
    } while (state.observed.onFloor === 0 && ticks < 300);
    expect(Math.abs(feet - top - jumpHeight)).toBeLessThan(gravity * TICK * TICK);
    const { seconds } = jumpFacts({ gravity, jumpHeight, speed: 6, edgeGraceSeconds: 0 });
    expect(Math.abs(ticks - seconds * 60)).toBeLessThan(2);
  });
});

describe('a slide', () => {
  const beam = section('Beam', ['........####........', '........####........', '....................', ...FLOOR]);
  const rules = [rule('stopped', is('b', { reading: 'blocked' }), [{ effect: 'lose', cause: 'That' }])];
  /** Ticks until the body's edge is just before the beam: at 20 − 0.3 from 2.5, at 6 units a second. */
  const UNTIL = 168;

  it('passes under a beam that stops who stands', () => {
    expect(wait(started({ sections: [beam], rules }), RUN_ON, 300).phase).toBe('lost');
    const state = wait(started({ sections: [beam], rules }), RUN_ON, UNTIL - 4);
    wait(state, SLIDE, 60);
    expect([state.phase, state.body.x > 24]).toEqual(['playing', true]);
  });

  it('stays low under it when let go, and stands up behind it', () => {
    const state = wait(started({ sections: [beam], rules }), RUN_ON, UNTIL - 4);
    wait(state, SLIDE, 10);
    wait(state, RUN_ON, 10);
    expect([state.phase, ownOf(state).low]).toEqual(['playing', true]);
    expect(state.body.half).toBeCloseTo(0.4 - 0.3, 9);
    wait(state, RUN_ON, 50);
    expect([state.phase, ownOf(state).low]).toEqual(['playing', false]);
    expect(state.body.y + ownOf(state).halfTall).toBeCloseTo(8, 5);
  });

  it('does not begin in the air, and a jump begins only from a stand', () => {
    const state = wait(started(), RUN_ON, 5);
    wait(state, JUMP, 10);
    wait(state, SLIDE, 1);
    expect(ownOf(state).low).toBe(false);
    const under = wait(started({ sections: [beam], rules }), RUN_ON, UNTIL - 4);
    wait(under, SLIDE, 14);
    wait(under, JUMP, 4);
    expect([under.observed.onFloor, ownOf(under).low]).toEqual([1, true]);
  });

  it('makes who is tall touch what is at its head, and lets it pass when it slides', () => {
    const hornets = [
      rule('stung', is('t', { reading: 'touching', kind: 'hornet' }), [{ effect: 'lose', cause: 'That' }]),
    ];
    // At 6.5, which is 1.5 above the floor: a body of 1.6 reaches 6.4, one of 0.8 reaches 7.2.
    const hanging = section('Hanging', ['........w...........', '....................', ...FLOOR]);
    const still = (state: AttemptState): AttemptState => {
      for (const enemy of enemiesOf(state).all) enemy.movement = 'still';
      return state;
    };
    expect(wait(still(started({ sections: [hanging], rules: hornets })), RUN_ON, 220).phase).toBe('lost');
    const low = wait(still(started({ sections: [hanging], rules: hornets })), RUN_ON, 140);
    expect(wait(low, SLIDE, 80).phase).toBe('playing');
  });
});

describe('sections', () => {
  const bounds = [0, 4, 9];
  it.each([
    [3, 1],
    [4, 2],
    [5, 2],
    [8, 2],
    [9, 3],
    [10, 3],
  ])('with %d passed come from tier %d: bounds count', (passed, tier) => expect(tierAt(bounds, passed)).toBe(tier));

  const pools = [flat('a', 1), flat('b', 1), flat('c', 2), flat('d', 3)].map(({ tier, weight }) => ({
    tier,
    weight,
    rows: [],
    pieces: {} as never,
  }));
  it.each([
    [1, [0, 1]],
    [2, [2]],
    [3, [3]],
    [7, [3]],
  ])('of tier %d are its own, or the nearest below', (tier, pool) => expect(poolOf(pools, tier)).toEqual(pool));

  it('come from above where nothing is below', () => expect(poolOf(pools.slice(2), 1)).toEqual([0]));

  it('come by weight, and never twice running while another is there', () => {
    const weighed = pools.slice(0, 2).map((one, index) => ({ ...one, weight: index === 0 ? 3 : 1 }));
    const picks = Array.from({ length: 400 }, (_, index) => pick(weighed, [0, 1], -1, index / 400));
    expect(picks.filter((index) => index === 0)).toHaveLength(300);
    expect(pick(weighed, [0, 1], 0, 0.1)).toBe(1);
    expect(pick(weighed, [0], 0, 0.1)).toBe(0);
  });

  const three = [flat('a', 1), flat('b', 1), flat('c', 2), flat('d', 2), flat('never', 2, 0)];
  const tiers = [
    { id: 'one', name: 'One', from: 0 },
    { id: 'two', name: 'Two', from: 3 },
  ];

  it('are drawn by the tier of their own number, by the seed alone', () => {
    const state = wait(started({ sections: three, tiers, of: { speed: 12 } }), RUN_ON, 60 * 12);
    const laid = laidOf(state);
    expect(laid.length).toBeGreaterThanOrEqual(8);
    expect(laid.slice(0, 3).every((index) => index < 2)).toBe(true);
    expect(laid.slice(3).every((index) => index === 2 || index === 3)).toBe(true);
    expect(laid.slice(1).every((index, before) => index !== laid[before])).toBe(true);
    const again = wait(started({ sections: three, tiers, of: { speed: 12 } }), JUMP, 60 * 12);
    expect(laidOf(again)).toEqual(laid);
    const other = [2, 3, 4, 5].map((seed) =>
      laidOf(wait(started({ sections: three, tiers, of: { speed: 12 }, seed }), RUN_ON, 60 * 12)),
    );
    expect(new Set([laid, ...other].map(String)).size).toBeGreaterThan(1);
  });

  it('go by the way gone, where tiers do', () => {
    // They begin 9.5, 29.5, 49.5 … from where the player stands: the third is the first beyond 30.
    const state = started({ sections: three, tiers: [tiers[0]!, { ...tiers[1]!, from: 30 }], drawnBy: 'distance' });
    wait(state, RUN_ON, 60 * 6);
    expect(
      laidOf(state)
        .map((index) => (index < 2 ? 1 : 2))
        .slice(0, 4),
    ).toEqual([1, 1, 2, 2]);
  });

  it('quicken a speed that goes along them', () => {
    const quicker = (project: Project): void => {
      project.parameters.push({
        key: 'pace',
        label: 'Pace',
        unit: 'units/s',
        number: 'real',
        sane: { min: 1, max: 20 },
        ramp: { axis: 'sectionsPassed', shape: { type: 'steps', from: 6, add: 1, every: 1, startingAt: 0 } },
        pins: {},
        note: '',
      });
      project.player.moves.run = { ...USUAL_RUN, speed: { from: 'parameter', parameter: 'pace' } };
    };
    const state = started({ change: quicker });
    const speeds: number[] = [];
    while (state.observed.sectionsPassed < 4) {
      step(state, RUN_ON);
      if (speeds.at(-1) !== state.body.vx) speeds.push(state.body.vx);
    }
    step(state, RUN_ON);
    expect([...speeds, state.body.vx]).toEqual([6, 7, 8, 9, 10]);
  });

  it('are begun from as many as are said to be passed', () => {
    const state = started({ sections: three, tiers, from: { readings: { sectionsPassed: 2 } } });
    expect(
      laidOf(state)
        .map((index) => (index < 2 ? 1 : 2))
        .slice(0, 2),
    ).toEqual([1, 2]);
    wait(state, RUN_ON, 320);
    expect(state.observed.sectionsPassed).toBe(3);
  });

  it('can be forced to be one', () => {
    const state = started({ sections: three, tiers, from: { onlyPart: 4 } });
    expect(new Set(laidOf(state))).toEqual(new Set([4]));
  });

  it('bring what stands on them, ten at most at a time', () => {
    const busy = section('Busy', ['....o.........w.....', ...FLOOR]);
    const state = started({ sections: [busy], of: { speed: 12 } });
    wait(state, JUMP, 60 * 30);
    const alive = enemiesOf(state).all.filter(({ active }) => active);
    expect(laidOf(state).length).toBeGreaterThan(15);
    expect(alive.length).toBeLessThanOrEqual(10);
    const { remainingCount } = collectablesOf(state);
    expect(state.observed.left.at(-1)).toBe(remainingCount);
    expect(remainingCount).toBeLessThanOrEqual(10);
    expect(state.observed.collected.at(-1)).toBeGreaterThan(0);
  });

  it('say where on them something was', () => {
    const state = wait(started({ sections: three, tiers }), RUN_ON, 200);
    const { kind } = state.world;
    const [first] = ownOf(state).laid;
    expect(kind.partAt?.(state, { x: 5, y: 7 })).toEqual({ part: -1, x: 5, y: 7 });
    expect(kind.partAt?.(state, { x: 15.5, y: 7 })).toEqual({ part: first!.section, x: 3.5, y: 7 });
    const entered = kind.partsEntered?.(state) ?? [];
    expect(entered.reduce((sum, count) => sum + count, 0)).toBe(1);
    expect(entered[first!.section]).toBe(1);
  });

  it('leave what all attempts share as it was', () => {
    const one = started({ sections: three, tiers });
    const world = makeWorld(one.world.level);
    expect(one.world.grid.width).toBeGreaterThan(40);
    const project = started({ sections: three, tiers }).world;
    expect(project.level.motion.rows[0]).toHaveLength(project.grid.width);
    expect(world.grid.width).toBe(one.world.grid.width);
  });
});

describe('what stands in the way', () => {
  const gapsAt = (rows: string[], of: Given['of'] = {}) => {
    const state = started({ sections: [section('One', rows)], of });
    const { kind, level } = state.world;
    const [part] = kind.parts!(level);
    return kind.gaps!(makeWorld(part!)).map(({ x, width, seconds }) => [x, width, Math.round(seconds * 60)]);
  };
  // A press clears a pit from where the jump just reaches its far side to the last tick of the edge grace: the way of a
  // jump, less the pit, plus twice the radius and the grace, over the speed.
  it.each([2, 3])('is a pit of %d cells, with the ticks that a press clears it', (wide) => {
    const floor = `${'#'.repeat(9)}${'.'.repeat(wide)}${'#'.repeat(11 - wide)}`;
    const [[x, width, ticks]] = gapsAt(['.'.repeat(20), floor, floor]) as [[number, number, number]];
    const { length } = jumpFacts({ gravity: 34, jumpHeight: 1.8, speed: 6, edgeGraceSeconds: 0.08 });
    expect([x, width]).toEqual([9, wide]);
    expect(Math.abs(ticks - ((length + 2 * 0.3 - wide) / 6) * 60)).toBeLessThan(2);
  });

  it('is a bough that is slid under, a wall that is jumped, and one that is too high', () => {
    const bough = gapsAt(['........####........', '........####........', '....................', ...FLOOR]);
    expect(bough).toMatchObject([[8, 4, expect.any(Number)]]);
    expect(bough[0]![2]).toBeGreaterThan(20);
    expect(gapsAt(['..........#.........', ...FLOOR])[0]!.slice(0, 2)).toEqual([10, 1]);
    const high = gapsAt([...Array.from({ length: 5 }, () => '..........#.........'), ...FLOOR]);
    expect(high[0]![2]).toBe(0);
  });

  it('is nothing on a flat floor, and nothing to who stands still', () => {
    expect(gapsAt(['.'.repeat(20), ...FLOOR])).toEqual([]);
    expect(gapsAt(['..........#.........', ...FLOOR], { speed: 0 })).toEqual([]);
  });

  it('is cleared along the ways that are drawn from a cell', () => {
    const { world } = started();
    const [far, near] = world.kind.waysFrom!(world, 4, 7) as [number[], number[]];
    expect(far.at(-2)).toBeGreaterThan(near.at(-2)!);
    expect(world.kind.waysFrom!(world, 4, 3)).toEqual([]);
  });
});

it('whatever its numbers and sections are, it goes on, and nobody comes to be in a wall or at no place', () => {
  const number = fc.double({ min: 0, max: 1000, noNaN: true });
  const moves = fc.record(Object.fromEntries(Object.keys(USUAL_RUN).map((name) => [name, number])));
  const row = fc.stringMatching(/^[.#]{20}$/);
  const cells = fc.array(row, { minLength: HEIGHT, maxLength: HEIGHT });
  fc.assert(
    fc.property(
      moves,
      fc.array(cells, { maxLength: 3 }),
      fc.array(fc.nat(2), { maxLength: 30 }),
      (of, drawings, inputs) => {
        const sections = drawings.map((rows, index) => section(`s${index}`, rows, index + 1));
        const state = started({ of, sections });
        for (const input of inputs) {
          wait(state, input, 9);
          const { x, y, radius } = state.body;
          const { halfTall } = ownOf(state);
          for (const side of [x - radius, x + radius])
            for (const level of [y - halfTall, y + halfTall])
              expect(state.world.level.motion.rows[Math.floor(level)]?.[Math.floor(side)] ?? '.').toBe('.');
          expect([x, y].every(Number.isFinite)).toBe(true);
        }
      },
    ),
    { numRuns: depth(60, 20) },
  );
});
