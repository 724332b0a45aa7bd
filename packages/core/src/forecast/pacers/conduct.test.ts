import { describe, expect, it } from '@jest/globals';
import { collectablesOf, startAttempt, step, type AttemptState } from '../../play/attempt/index.ts';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { makeWorld, prepareLevel } from '../../play/movement/index.ts';
import type { Level, Project } from '../../document/model/index.ts';
import { literal } from '../../document/model/index.ts';
import {
  demoOnGrounds,
  atLeast,
  clover,
  depth,
  garden,
  sampled,
  is,
  rule,
  withStandingHazards,
} from '../../testing/index.ts';
import { seedOf } from '../trials/index.ts';
import type { RoamMemory } from './drivers/roam/index.ts';
import { drawPlayer, makePlayer, PERFECT, playerInput, type Population } from './index.ts';

/** Plays one attempt, telling every tick. */
function play(
  project: Project,
  position: number,
  who: Population | undefined,
  attempt: number,
  eachTick: (state: AttemptState) => void = () => undefined,
): AttemptState {
  const seed = seedOf(attempt);
  const state = startAttempt(makeWorld(prepareLevel(project, position)), seed);
  const player = makePlayer(state, who ? drawPlayer(who, seed) : PERFECT, seed);
  while (state.phase === 'playing' && state.tick < 60 * 60) {
    step(state, playerInput(player, state));
    eachTick(state);
  }
  return state;
}

const demo = demoOnGrounds();
const [novice, steady, sharp] = demo.pacers;

/** Longest time at one spot without gathering anything, seconds. @param radius of a spot, units */
function longestHeldUp(project: Project, position: number, who: Population | undefined, attempt: number): number {
  const RADIUS = 2.5;
  let [x, y, since, left, longest] = [0, 0, 0, -1, 0];
  play(project, position, who, attempt, (state) => {
    const { body, tick } = state;
    const { remainingCount } = collectablesOf(state);
    if (remainingCount !== left || (body.x - x) ** 2 + (body.y - y) ** 2 > RADIUS ** 2)
      [x, y, since, left] = [body.x, body.y, tick, remainingCount];
    longest = Math.max(longest, tick - since);
  });
  return longest / 60;
}

const share = (count: number, holds: (attempt: number) => boolean): number =>
  Array.from({ length: count }, (_, attempt) => holds(attempt)).filter(Boolean).length / count;

describe('patience', () => {
  it('begins again when a lost life returns the gathered pieces', () => {
    const project = garden({
      pieces: [clover('near', 4.5), clover('walled', 17.5)],
      rows: [
        '####################',
        ...Array.from({ length: 10 }, () => '#.............#....#'),
        '####################',
      ],
      rules: [
        rule('won', is('w', { reading: 'offGround' }), [{ effect: 'win' }]),
        rule('late', atLeast('t', { reading: 'timeElapsed' }, 8), [
          { effect: 'loseLife', lives: literal(1), back: 'start', resets: ['gathered'] },
        ]),
      ],
    });
    project.levels['clover-steps']!.rules[0]!.when = atLeast('w', { reading: 'collected', of: 'any' }, 2);
    const state = startAttempt(makeWorld(prepareLevel(project, 1)), 1);
    const player = makePlayer(state, PERFECT, 1);
    const progressed: number[] = [];
    for (let tick = 0; tick < 490; tick++) {
      step(state, playerInput(player, state));
      progressed.push((player.memory as RoamMemory).progressTick);
    }
    expect(progressed[450]).toBeLessThan(120);
    expect(progressed.at(-1)).toBeGreaterThanOrEqual(480);
  });
});

describe('the unit of worth', () => {
  /** All worths, and all that is compared with them, times a factor. */
  function inUnits(factor: number): Project {
    const project = homeBeforeDusk();
    const times = (amount: { from: string; value?: number }): void => {
      if (amount.from === 'number') amount.value = amount.value! * factor;
    };
    for (const kind of project.kinds.collectables) times(kind.worth);
    for (const part of project.score) if (part.reading.reading !== 'worth') times(part.times);
    const conditions = (value: unknown): void => {
      if (value === null || typeof value !== 'object') return;
      const entry = value as {
        reading?: { reading: string };
        amount?: { from: string };
        effect?: string;
        add?: object;
      };
      if (entry.amount && ['worth', 'score'].includes(entry.reading?.reading ?? '')) times(entry.amount);
      if (entry.effect === 'score') times(entry.add as { from: string });
      for (const part of Object.values(value)) conditions(part);
    };
    for (const level of Object.values(project.levels)) {
      conditions(level.rules);
      const { stars } = level;
      if (stars.is === 'ladder' && ['worth', 'score'].includes(stars.reading))
        for (const threshold of stars.thresholds) if (threshold) times(threshold);
    }
    return project;
  }
  const ends = (project: Project): string[] =>
    [1, 7, 9, 18, 19].flatMap((position) =>
      [0, 1, 2].map((attempt) => {
        const { phase, tick, body, verdicts } = play(project, position, steady, attempt);
        return `${phase} ${tick} ${body.x} ${body.y} ${verdicts.stars}`;
      }),
    );
  const usual = ends(homeBeforeDusk());

  it.each(sampled([0.25, 8, 100], 2))('is nothing that a player goes by: × %d', (factor) => {
    expect(ends(inUnits(factor))).toEqual(usual);
  });
});

describe('a player that is held up', () => {
  it.each([
    ['against a corner', 12, undefined, [13, 40, 147]],
    ['before hornets in a door', 13, sharp, [5, 18, 21, 24, 64]],
    ['at a door that it overshoots', 20, sharp, [14]],
  ] as const)('%s goes on within ten seconds', (_case, position, who, attempts) => {
    for (const attempt of attempts) expect(longestHeldUp(demo, position, who, attempt)).toBeLessThan(10);
  });
});

describe('what lies still in plain sight', () => {
  const alone = withStandingHazards();
  const harmless = ({ ground }: Level): void => {
    ground.pieces = ground.pieces.filter(({ piece }) => !['enemy', 'spawner', 'emitter'].includes(piece));
  };
  Object.values(alone.levels).forEach(harmless);

  it.each([
    ['ditch', 14],
    ['web', 23],
  ])('takes few: the %s', (_what, position) => {
    const lost = (who: Population): number =>
      share(depth(80, 25), (attempt) => play(alone, position, who, attempt).phase === 'lost');
    expect(lost(novice!)).toBeLessThan(0.15);
    expect(lost(steady!)).toBeLessThanOrEqual(0.04);
  });
});

describe('a player without faults', () => {
  it.each(sampled([12, 13, 14, 21, 23], 5))('clears slot %d, and no less than the ablest pacer does', (position) => {
    const cleared = (who?: Population): number =>
      share(20, (attempt) => play(demo, position, who, attempt).phase === 'won');
    expect(cleared()).toBeGreaterThanOrEqual(Math.max(0.9, cleared(sharp)));
  });

  it('loses no life where none need be lost', () => {
    const { livesAtStart } = demo.run;
    for (let attempt = 0; attempt < 10; attempt++)
      expect(literal(play(demo, 14, undefined, attempt).observed.lives)).toEqual(livesAtStart);
  });
});

describe('a piece in a wall', () => {
  it('is left there: the others are gathered', () => {
    const project = garden({
      pieces: [clover('walled', 4.5), clover('free', 8.5)],
      rows: [
        '####################',
        ...Array.from({ length: 10 }, (_, y) => (y === 4 ? '#...#..............#' : '#..................#')),
        '####################',
      ],
      rules: [rule('won', atLeast('one', { reading: 'collected', of: 'any' }, 1), [{ effect: 'win' }])],
    });
    expect(share(10, (attempt) => play(project, 1, steady, attempt).phase === 'won')).toBe(1);
  });
});
