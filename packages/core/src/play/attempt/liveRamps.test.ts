import { describe, expect, it } from '@jest/globals';
import { literal, type Project, type Ramp } from '../../document/model/index.ts';
import { clover, garden, inGarden, rule, run, atLeast } from '../../testing/index.ts';
import { headingInput, makeWorld, prepareLevel } from '../movement/index.ts';
import { enemiesOf, hashState, startAttempt, type AttemptState } from './index.ts';

const RIGHT = headingInput(0);
const hornet = { id: 'h', piece: 'enemy' as const, kind: 'hornet', at: { x: 17.5, y: 1.5 } };
/** Puts the hornets' speed on a ramp along a reading. */
const speedAlong =
  (ramp: Ramp, more: (project: Project) => void = () => {}) =>
  (project: Project): void => {
    const speed = project.parameters.find(({ key }) => key === 'hornetSpeed')!;
    speed.ramp = ramp;
    speed.pins = {};
    more(project);
  };
const speedOf = (state: AttemptState): number => enemiesOf(state).all[0]!.speed;
const perPiece: Ramp = {
  axis: 'collected',
  shape: { type: 'steps', from: 2, add: 0.5, every: 1, startingAt: 0 },
  atMost: 2.8,
};

describe('a ramp along a reading', () => {
  it('moves what follows it as pieces are gathered, up to its cap', () => {
    const state = inGarden({
      pieces: [hornet, clover('a', 4), clover('b', 6), clover('c', 8)],
      change: speedAlong(perPiece),
    });
    expect(speedOf(state)).toBe(2);
    const seen: [number, number][] = [];
    for (let tick = 0; tick < 120; tick++) {
      run(state, RIGHT, 1);
      const gathered = state.observed.collected.at(-1)!;
      if (seen.at(-1)?.[0] !== gathered) seen.push([gathered, speedOf(state)]);
    }
    // 2, + 0.5 a piece, at most 2.8: at the very tick at which the piece is gathered.
    expect(seen).toEqual([
      [0, 2],
      [1, 2.5],
      [2, 2.8],
      [3, 2.8],
    ]);
  });

  it('counts the bound in: at 2 s exactly, not a tick before', () => {
    const shape = { type: 'steps' as const, from: 2, add: 1, every: 2, startingAt: 0 };
    const state = inGarden({ pieces: [hornet], change: speedAlong({ axis: 'timeElapsed', shape }) });
    run(state, RIGHT, 119);
    expect(speedOf(state)).toBe(2);
    run(state, RIGHT, 1);
    expect(speedOf(state)).toBe(3);
  });

  it('takes its tiers from the reading', () => {
    const liveTiers = (project: Project): void => {
      project.liveTiers = {
        score: [
          { id: 'calm', name: 'Calm', from: 0 },
          { id: 'wild', name: 'Wild', from: 8 },
        ],
      };
      project.score = [{ id: 'n', reading: { reading: 'worth', of: 'any' }, times: literal(1) }];
    };
    const ramp: Ramp = { axis: 'score', shape: { type: 'tiers', first: 1, values: { calm: 2, wild: 4 } } };
    const state = inGarden({ pieces: [hornet, clover('a', 4), clover('b', 7)], change: speedAlong(ramp, liveTiers) });
    // A clover is worth 4: the second brings the score to 8, the tier's own bound.
    run(state, RIGHT, 40);
    expect([state.observed.collected.at(-1), speedOf(state)]).toEqual([1, 2]);
    run(state, RIGHT, 60);
    expect([state.observed.collected.at(-1), speedOf(state)]).toEqual([2, 4]);
  });

  it('reads a formula of the reading and of other parameters', () => {
    const ramp: Ramp = {
      axis: 'collected',
      shape: { type: 'formula', text: 'nestRest / 9 + reading * level / levels' },
    };
    const state = inGarden({ pieces: [hornet, clover('a', 4)], change: speedAlong(ramp) });
    // Level 1 of 24: the nest rests 9 s; 1 + 1 × 1 / 24 with one gathered.
    expect(speedOf(state)).toBeCloseTo(1, 12);
    run(state, RIGHT, 60);
    expect(speedOf(state)).toBeCloseTo(1 + 1 / 24, 12);
  });

  it('moves thresholds and the clock too', () => {
    const state = inGarden({
      pieces: [clover('a', 4)],
      rules: [
        rule(
          'won',
          {
            id: 'w',
            is: 'compare',
            reading: { reading: 'worth', of: 'any' },
            comparison: 'atLeast',
            amount: { from: 'parameter', parameter: 'hornetSpeed', times: 10, plus: 1 },
          },
          [{ effect: 'win' }],
        ),
      ],
      change: speedAlong(perPiece, (project) => {
        project.levels['clover-steps']!.clock.limitSeconds = { from: 'parameter', parameter: 'hornetSpeed', times: 10 };
      }),
    });
    expect([state.verdicts.amounts[0], state.observed.limitTicks]).toEqual([21, 1200]);
    run(state, RIGHT, 60);
    expect([state.verdicts.amounts[0], state.observed.limitTicks]).toEqual([26, 1500]);
  });

  it('keeps what a milestone has made of it, wherever its reading goes', () => {
    const state = inGarden({
      pieces: [hornet, clover('a', 4), clover('b', 7)],
      rules: [
        rule('faster', atLeast('one', { reading: 'collected', of: 'any' }, 1), [
          { effect: 'parameter', parameter: 'hornetSpeed', change: 'times', by: literal(2) },
          { effect: 'parameter', parameter: 'hornetSpeed', change: 'plus', by: literal(-1) },
        ]),
      ],
      change: speedAlong(perPiece),
    });
    run(state, RIGHT, 40);
    // 2.5 × 2 − 1, then 2.8 × 2 − 1.
    expect(speedOf(state)).toBeCloseTo(4, 12);
    run(state, RIGHT, 60);
    expect(speedOf(state)).toBeCloseTo(4.6, 12);
  });

  it('stands still where it is pinned, and costs nothing where no ramp goes along a reading', () => {
    const pinned = garden({
      pieces: [hornet],
      change: speedAlong(perPiece, (project) => {
        project.parameters.find(({ key }) => key === 'hornetSpeed')!.pins = { 'slot-1': 3 };
      }),
    });
    expect(prepareLevel(pinned, 1).motion.liveRamps).toBeUndefined();
    expect(enemiesOf(startAttempt(makeWorld(prepareLevel(pinned, 1)), 1)).all[0]!.speed).toBe(3);
    expect(prepareLevel(garden({}), 1).motion.dials).toEqual([]);
  });

  it('gives the same attempt again, sent as text and back', () => {
    const level = prepareLevel(garden({ pieces: [hornet, clover('a', 4)], change: speedAlong(perPiece) }), 1);
    const sent = JSON.parse(JSON.stringify(level)) as typeof level;
    const [here, there] = [level, sent].map((each) => run(startAttempt(makeWorld(each), 7), RIGHT, 90));
    expect(hashState(here!)).toBe(hashState(there!));
  });
});
