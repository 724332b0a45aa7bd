import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { literal, type Project } from '../../document/model/index.ts';
import { headingInput, makeWorld, prepareLevel } from '../movement/index.ts';
import { enemiesOf, hashState, REST, startAttempt, step, type AttemptState } from './index.ts';

const RIGHT = headingInput(0);
const DOWN = headingInput(8);

/** One corridor: start at 1.5, clover at 4.5, hive from 8; hornet at the far end, blind unless said otherwise. */
function corridor(change: (project: Project) => void = () => undefined): AttemptState {
  const project = homeBeforeDusk();
  const level = project.levels['clover-steps']!;
  level.ground = {
    kind: 'roam',
    rows: ['##################', '#................#', '#................#', '##################'],
    pieces: [
      { id: 'start', piece: 'start', at: { x: 1.5, y: 1.5 } },
      { id: 'hive', piece: 'goal', name: 'Hive mouth', at: { x: 8, y: 1 }, width: 2, height: 2 },
      { id: 'clover-1', piece: 'collectable', kind: 'clover', at: { x: 4.5, y: 1.5 } },
      { id: 'hornet-1', piece: 'enemy', kind: 'hornet', at: { x: 15.5, y: 1.5 } },
    ],
  };
  const hornet = project.kinds.enemies[0]!;
  if (hornet.movement === 'chase') hornet.sight = literal(0);
  project.levels[level.id]!.clock.limitSeconds = literal(5);
  change(project);
  return startAttempt(makeWorld(prepareLevel(project, 1)), 1);
}

function run(state: AttemptState, input: number, ticks: number): AttemptState {
  for (let i = 0; i < ticks && state.phase === 'playing'; i++) step(state, input);
  return state;
}
/** Flies into the hive mouth and stays there. */
const home = (): AttemptState => run(run(corridor(), RIGHT, 95), REST, 100);
const hornetSight = (value: number) => (project: Project) => {
  const hornet = project.kinds.enemies[0]!;
  if (hornet.movement === 'chase') hornet.sight = literal(value);
};

describe('the player', () => {
  it('comes to its speed by its acceleration', () => {
    // 26 units/s² for 6 ticks: 2.6 units/s; the top speed 4.6 is reached within the 11th tick.
    const state = run(corridor(), RIGHT, 6);
    expect(state.body.vx).toBeCloseTo(2.6, 12);
    run(state, RIGHT, 5);
    expect(state.body.vx).toBeCloseTo(4.6, 12);
  });

  it('is stopped by a wall, its edge against it', () => {
    expect(run(corridor(), DOWN, 120).body.y).toBeCloseTo(3 - 0.3, 5);
  });
});

describe('gathering', () => {
  it('takes a piece within reach once and counts it everywhere', () => {
    const state = run(corridor(), RIGHT, 60);
    const { worth, collected, left } = state.observed;
    expect([worth[0], worth[3], collected[0], left[3]]).toEqual([4, 4, 1, 0]);
    expect(state.happenings.filter((entry) => entry.what === 'piece' && entry.did === 'gathered')).toHaveLength(1);
  });
});

describe('the clock', () => {
  it('starts at the first move and ends the attempt at its limit exactly', () => {
    const state = run(corridor(), REST, 100);
    expect(state.observed.clockTicks).toBe(0);
    run(state, DOWN, 1000);
    expect(state.phase).toBe('lost');
    expect(state.observed.clockTicks).toBe(300);
    expect(state.tick).toBe(400);
    expect(state.happenings.at(-1)).toMatchObject({ what: 'lost', rule: -1, tick: 400 });
  });

  it('runs from the load when told so', () => {
    const state = corridor((project) => (project.levels['clover-steps']!.clock.starts = 'load'));
    expect(run(state, REST, 1000).tick).toBe(300);
  });

  it('warns once', () => {
    const state = corridor((project) => (project.levels['clover-steps']!.clock.warnAtSeconds = literal(2)));
    run(state, DOWN, 1000);
    expect(state.happenings.filter((entry) => entry.what === 'warned').map((entry) => entry.tick)).toEqual([180]);
  });

  it('can be outlived', () => {
    const state = corridor((project) => (project.levels['clover-steps']!.clock.atExpiry = 'win'));
    expect(run(state, DOWN, 1000).phase).toBe('won');
  });
});

describe('a win', () => {
  it('comes at the tick at which the hive has been held', () => {
    const state = home();
    expect(state.phase).toBe('won');
    const end = state.happenings.at(-1)!;
    expect(end).toMatchObject({ what: 'won', tick: state.tick });
    expect(state.world.judge.rules[state.verdicts.ending.rule]!.id).toBe('won');
    // Half a second inside: 30 ticks, the 30th decides.
    expect(state.verdicts.held.some((ticks) => ticks === 30)).toBe(true);
  });
});

describe('an ended attempt', () => {
  it('stays ended, whatever is done', () => {
    const state = home();
    const before = hashState(state);
    const happened = state.happenings.length;
    for (let i = 0; i < 50; i++) step(state, DOWN);
    expect([hashState(state), state.happenings.length]).toEqual([before, happened]);
  });
});

describe('a hornet', () => {
  it('stays at home while it sees nobody and comes when it does', () => {
    expect(enemiesOf(run(corridor(hornetSight(0)), REST, 120)).all[0]!.x).toBe(15.5);
    expect(enemiesOf(run(corridor(hornetSight(20)), REST, 120)).all[0]!.x).toBeLessThan(13);
  });

  it('does not see through a wall', () => {
    const state = corridor((project) => {
      hornetSight(20)(project);
      project.levels['clover-steps']!.ground.rows = [
        '##################',
        '#..........#.....#',
        '#..........#.....#',
        '##################',
      ];
    });
    expect(enemiesOf(run(state, REST, 120)).all[0]!.x).toBe(15.5);
  });

  it('costs a life, sends the bee back and leaves it alone for a moment', () => {
    const state = corridor((project) => {
      hornetSight(30)(project);
      project.levels['clover-steps']!.clock.limitSeconds = null;
    });
    while (state.observed.lives === 4) step(state, state.tick < 60 ? DOWN : REST);
    expect(state.observed.lives).toBe(3);
    expect([state.body.x, state.body.y]).toEqual([1.5, 1.5]);
    expect(state.graceTicks).toBe(90);
    run(state, REST, 60);
    expect(state.observed.lives).toBe(3);
  });

  it('ends it with the last life, one tick after the touch, and no life goes below zero', () => {
    const state = corridor((project) => {
      hornetSight(30)(project);
      project.run.livesAtStart = literal(1);
      project.levels['clover-steps']!.clock.limitSeconds = null;
    });
    run(state, REST, 2000);
    const lost = state.happenings.find((entry) => entry.what === 'life lost')!;
    expect(state.phase).toBe('lost');
    expect(state.tick).toBe(lost.tick + 1);
    expect(state.observed.lives).toBe(0);
  });
});

describe('a nest', () => {
  it('sends its hornets one after the other and waits while the bee is too near', () => {
    const nest = (x: number) =>
      corridor((project) => {
        project.levels['clover-steps']!.clock.limitSeconds = null;
        project.levels['clover-steps']!.ground.pieces.push({
          id: 'nest',
          piece: 'spawner',
          kind: 'hornet',
          starts: 'load',
          at: { x, y: 2.5 },
          howMany: literal(3),
          firstAfterSeconds: literal(1),
          everySeconds: literal(2),
          safeDistance: 3,
        });
      });
    const sent = (state: AttemptState) =>
      run(state, REST, 600).happenings.flatMap((entry) =>
        entry.what === 'piece' && entry.did === 'sent' ? [entry.tick] : [],
      );
    expect(sent(nest(12.5))).toEqual([60, 180, 300]);
    expect(sent(nest(2.5))).toEqual([]);
  });
});

describe('the same seed and inputs', () => {
  it('give the same attempt, tick for tick', () => {
    fc.assert(
      fc.property(
        fc.integer(),
        fc.array(fc.constantFrom(...Array.from({ length: 33 }, (_, input) => input), 64, 70), {
          minLength: 1,
          maxLength: 60,
        }),
        (seed, inputs) => {
          const world = makeWorld(prepareLevel(homeBeforeDusk(), 12));
          const play = () => {
            const state = startAttempt(world, seed);
            for (const input of inputs) for (let i = 0; i < 10; i++) step(state, input);
            return hashState(state);
          };
          expect(play()).toBe(play());
        },
      ),
      { numRuns: 30 },
    );
  });
});
