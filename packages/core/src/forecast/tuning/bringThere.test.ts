import { describe, expect, it } from '@jest/globals';
import { prepareLevel } from '../../play/movement/index.ts';
import type { Pacer, Piece, Project } from '../../document/model/index.ts';
import { garden, is, rule } from '../../testing/index.ts';
import type { Counted } from '../../basics/stats/index.ts';
import { levelRunner, seedOf } from '../trials/index.ts';
import {
  answered,
  batchPlayer,
  bringThere,
  fitRamps,
  moversLine,
  parameterLine,
  type Batch,
  type Brought,
  type FitAsked,
  type Goal,
  type RampFit,
} from './index.ts';
import { statistic } from '../../testing/statistic.ts';

const exit: Piece = { id: 'exit', piece: 'goal', name: 'Exit', at: { x: 15, y: 4 }, width: 2, height: 3 };

/** A short way to an exit against the clock: nothing but the time limit decides. The level stands at every slot. */
function againstTheClock(slots = 1): Project {
  const project = garden({
    pieces: [exit],
    rules: [rule('won', is('in', { reading: 'inside', zone: 'exit' }), [{ effect: 'win' }])],
    change: (_project, level) => {
      level.clock = { ...level.clock, limitSeconds: { from: 'parameter', parameter: 'clock' }, starts: 'load' };
    },
  });
  const [slot] = project.slots;
  project.slots = Array.from({ length: slots }, (_, index) => ({ ...slot!, id: `slot-${index + 1}` }));
  const clock = project.parameters.find(({ key }) => key === 'clock')!;
  clock.number = 'real';
  clock.pins = {};
  clock.sane = { min: 1, max: 12 };
  clock.ramp = { shape: { type: 'hold', value: 6 } };
  project.expectations = [];
  return project;
}

const steady = (project: Project): Pacer => ({ ...project.pacers[1]!, spread: 0.8 });

function search(project: Project, key: string, goal: Goal): Brought {
  const parameter = project.parameters.find((entry) => entry.key === key)!;
  return answered(
    bringThere(1, parameterLine(project, 1, parameter), goal),
    batchPlayer(project, steady(project), goal),
  );
}

function fitted(project: Project, asked: FitAsked): RampFit {
  return answered(fitRamps(project, asked), batchPlayer(project, steady(project)));
}

function rateAt(project: Project, clock: number, attempts = 2000): number {
  const game = levelRunner(prepareLevel(project, 1, { clock }));
  let won = 0;
  for (let i = 0; i < attempts; i++) if (game.play(steady(project), seedOf(9_000_000 + i)).won) won++;
  return won / attempts;
}

describe('bringing a level there', () => {
  const project = againstTheClock();

  /** Results of a level that is cleared the more often the longer its clock runs: by half at 5 seconds. */
  const byClock = ({ values, count }: Batch): Counted => ({
    successes: Math.round(count / (1 + Math.exp(5 - values['clock']!))),
    trials: count,
  });

  it('finds the value at which the wanted share clears it, where the shares are known', () => {
    const line = parameterLine(
      project,
      1,
      project.parameters.find(({ key }) => key === 'clock')!,
    );
    const { stage, answer, crossings } = answered(bringThere(1, line, { is: 'clearRate', share: 0.7 }), byClock);
    expect([stage, crossings.length]).toEqual(['done', 1]);
    expect(answer!.at).toBeCloseTo(5 + Math.log(0.7 / 0.3), 0);
    expect(answer!.interval.low).toBeLessThan(0.72);
    expect(answer!.interval.high).toBeGreaterThan(0.68);
  });

  statistic(
    'finds the value at which the wanted share clears it, and confirms it',
    () => {
      const { stage, answer, crossings, attempts } = search(project, 'clock', { is: 'clearRate', share: 0.7 });
      expect(stage).toBe('done');
      expect(crossings).toHaveLength(1);
      expect(attempts).toBeLessThan(8000);
      expect(Math.abs(rateAt(project, answer!.at) - 0.7)).toBeLessThan(0.04);
      expect(answer!.interval.low).toBeLessThan(0.72);
      expect(answer!.interval.high).toBeGreaterThan(0.68);
    },
    60_000,
  );

  it('says that there is none where no value does it, and what comes nearest', () => {
    const { answer, nearest, crossings } = search(project, 'hornetSpeed', { is: 'clearRate', share: 0.3 });
    expect([answer, crossings]).toEqual([null, []]);
    expect(nearest!.met / nearest!.attempts).toBeGreaterThan(0.4);
  }, 60_000);

  it('moves several parameters together by what each does, within their sane ranges', () => {
    const mover = { step: 0.5, interval: { low: 0, high: 0 } };
    const line = moversLine(project, 1, [
      { key: 'clock', effect: 0.04, ...mover },
      { key: 'hornetSpeed', effect: -0.03, ...mover },
    ]);
    const [there, far] = [line.values(5), line.values(1000)];
    expect(there['clock']).toBeCloseTo(6 + 5 * 0.8 * 0.5, 2);
    expect(there['hornetSpeed']!).toBeLessThan(line.values(0)['hornetSpeed']!);
    expect(far['clock']).toBe(12);
  });
});

describe('turning ramps to what is wanted', () => {
  const project = againstTheClock(3);
  const wanted = [0.9, 0.75, 0.6];

  /** Results by the clock at each of three levels, which are harder one after the other. */
  const byClock = ({ position, values, count }: Batch): Counted => ({
    successes: Math.round(count / (1 + Math.exp(3 + position - values['clock']!))),
    trials: count,
  });

  it('brings every level near where the shares are known, and leaves pins alone', () => {
    const { slots, stage } = answered(
      fitRamps(project, { keys: ['clock'], from: 1, to: 3, wanted, by: 'points' }),
      byClock,
    );
    expect(stage).toBe('done');
    for (const { after, wanted: share } of slots) expect(Math.abs(after!.share - share)).toBeLessThan(0.09);
    const pinned = structuredClone(project);
    pinned.parameters.find(({ key }) => key === 'clock')!.pins = { 'slot-2': 1.5 };
    const beside = answered(fitRamps(pinned, { keys: ['clock'], from: 2, to: 2, wanted, by: 'points' }), byClock);
    expect(beside.slots[0]).toMatchObject({ position: 2, unmet: 'pinned' });
  });

  it('says that one shape cannot do for all levels, where the shares are known', () => {
    const asked: FitAsked = { keys: ['clock'], from: 1, to: 3, wanted: [0.95, 0.3, 0.95], by: 'own' };
    expect(answered(fitRamps(project, asked), byClock).slots.some(({ unmet }) => unmet === 'shape')).toBe(true);
  });

  statistic(
    'brings every level near by a point at each, and leaves pins alone',
    () => {
      const { slots, ramps, stage } = fitted(project, { keys: ['clock'], from: 1, to: 3, wanted, by: 'points' });
      expect(stage).toBe('done');
      expect(slots.map(({ after, wanted: share }) => Math.abs(after!.share - share) < 0.09)).toEqual([
        true,
        true,
        true,
      ]);
      expect(ramps['clock']!.shape.type).toBe('points');
      const pinned = structuredClone(project);
      pinned.parameters.find(({ key }) => key === 'clock')!.pins = { 'slot-2': 1.5 };
      const beside = fitted(pinned, { keys: ['clock'], from: 2, to: 2, wanted, by: 'points' });
      expect(beside.slots[0]).toMatchObject({ position: 2, unmet: 'pinned' });
    },
    120_000,
  );

  it('leaves a stretch on which nothing changes', () => {
    const easy = againstTheClock();
    easy.parameters.find(({ key }) => key === 'clock')!.ramp = { shape: { type: 'hold', value: 12 } };
    const [slot] = fitted(easy, { keys: ['clock'], from: 1, to: 1, wanted: [0.6], by: 'own' }).slots;
    expect(slot!.before).toBe(1);
    expect(Math.abs(slot!.after!.share - 0.6)).toBeLessThan(0.09);
  });

  statistic(
    'says what stands in the way: the shape, or that nothing acts',
    () => {
      const own = fitted(project, {
        keys: ['clock'],
        from: 1,
        to: 3,
        wanted: [0.95, 0.3, 0.95],
        by: 'own',
      });
      // One number holds for all three.
      expect(own.slots.some(({ unmet }) => unmet === 'shape')).toBe(true);
      const idle = fitted(project, {
        keys: ['hornetSpeed'],
        from: 1,
        to: 1,
        wanted: [0.2],
        by: 'own',
      });
      expect(idle.slots[0]!.unmet).toBe('nothing acts');
    },
    120_000,
  );
});
