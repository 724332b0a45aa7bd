import { describe, expect, it } from '@jest/globals';
import { headingInput } from '../movement/index.ts';
import {
  fromParameter,
  literal,
  type Amount,
  type Level,
  type Parameter,
  type Piece,
  type Project,
  type Ramp,
} from '../../document/model/index.ts';
import { clover, garden, inGarden, rule, run, atLeast } from '../../testing/index.ts';
import { makeWorld, prepareLevel } from '../movement/index.ts';
import { enemiesOf, startAttempt, type AttemptState } from './index.ts';

const RIGHT = headingInput(0);
const power = fromParameter('power');

/** A parameter of 2 that a milestone makes 5 after a second. */
function withPower(change: (project: Project, level: Level) => void): (project: Project, level: Level) => void {
  return (project, level) => {
    const parameter: Parameter = {
      key: 'power',
      label: 'Power',
      number: 'real',
      unit: '',
      sane: { min: 0, max: 100 },
      ramp: { shape: { type: 'hold', value: 2 } },
      pins: {},
      note: '',
    };
    project.parameters.push(parameter);
    change(project, level);
  };
}
const milestone = rule('stronger', atLeast('at-one', { reading: 'timeElapsed' }, 1), [
  { effect: 'parameter', parameter: 'power', change: 'set', by: literal(5) },
]);

const hornet: Piece = { id: 'h', piece: 'enemy', kind: 'hornet', at: { x: 17.5, y: 9.5 } };
const nest: Piece = {
  id: 'nest',
  piece: 'spawner',
  kind: 'hornet',
  at: { x: 17.5, y: 1.5 },
  starts: 'load',
  howMany: power,
  firstAfterSeconds: literal(0.1),
  everySeconds: literal(0.1),
  safeDistance: 0,
};
const emitter: Piece = {
  id: 'emitter',
  piece: 'emitter',
  kind: 'pond',
  at: { x: 10, y: 9.5 },
  aim: 0,
  everySeconds: literal(0.5),
  speed: power,
  reach: literal(20),
};
const speedOfShot = (state: AttemptState): number => {
  const last = state.shots.filter(({ active }) => active).at(-1);
  return last ? Math.abs(last.vx) : 0;
};
const setHornet = (field: 'damage' | 'health' | 'sight', amount: Amount) => (project: Project) =>
  Object.assign(
    project.kinds.enemies.find(({ id }) => id === 'hornet')!,
    { [field]: amount },
  );

describe('an amount that follows a parameter', () => {
  it.each<[string, Piece[], (project: Project, level: Level) => void, (state: AttemptState) => number, number, number]>(
    [
      ['damage of an enemy', [hornet], setHornet('damage', power), (s) => enemiesOf(s).all[0]!.damage, 2, 5],
      ['health of an enemy', [hornet], setHornet('health', power), (s) => enemiesOf(s).all[0]!.health, 2, 5],
      ['sight of an enemy', [hornet], setHornet('sight', power), (s) => enemiesOf(s).all[0]!.sight, 2, 5],
      [
        'how many a spawner sends',
        [nest],
        () => {},
        (s) => enemiesOf(s).all.filter(({ active }) => active).length,
        2,
        5,
      ],
      ['speed of an emitter’s shots', [emitter], () => {}, speedOfShot, 2, 5],
    ],
  )('%s changes with it, in the attempt', (_what, pieces, change, read, before, after) => {
    const state = inGarden({ pieces, rules: [milestone], change: withPower(change) });
    run(state, 0, 55);
    expect(read(state)).toBeCloseTo(before, 9);
    run(state, 0, 60);
    expect(read(state)).toBeCloseTo(after, 9);
  });

  it('an enemy that has been hurt keeps the share that is left of it', () => {
    const state = inGarden({ pieces: [hornet], rules: [milestone], change: withPower(setHornet('health', power)) });
    enemiesOf(state).all[0]!.health = 0.5;
    run(state, 0, 70);
    expect(enemiesOf(state).all[0]!.health).toBeCloseTo(1.25, 9);
  });

  it('is counted among the enemies left when a spawner is to send more', () => {
    const state = inGarden({
      pieces: [{ ...nest, everySeconds: literal(9) } as Piece],
      rules: [milestone],
      change: withPower(setHornet('health', literal(1))),
    });
    expect(state.observed.enemiesLeft.at(-1)).toBe(2);
    run(state, 0, 70);
    expect(state.observed.enemiesLeft.at(-1)).toBe(5);
  });

  it('worth grows along what was gathered while hornets quicken along the same reading', () => {
    const along = (values: [number, number][]): Ramp => ({
      axis: 'score',
      shape: { type: 'points', between: 'hold', points: values.map(([position, value]) => ({ position, value })) },
    });
    const project = garden({
      pieces: [hornet, ...Array.from({ length: 12 }, (_, index) => clover(`c-${index}`, 4 + index))],
      change: withPower((made) => {
        const [kind] = made.kinds.collectables;
        kind!.worth = power;
        // The first ones bring 60 points fast: 20 each, then 6 and 9 as asked.
        made.parameters.find(({ key }) => key === 'power')!.ramp = along([
          [0, 20],
          [60, 6],
          [90, 9],
        ]);
        const speed = made.parameters.find(({ key }) => key === 'hornetSpeed')!;
        speed.ramp = along([
          [0, 1],
          [60, 2],
          [90, 3],
        ]);
        speed.pins = {};
      }),
    });
    const state = startAttempt(makeWorld(prepareLevel(project, 1)), 1);
    const steps: [worth: number, speed: number][] = [];
    let before = 0;
    for (let tick = 0; tick < 400 && state.observed.collected.at(-1)! < 10; tick++) {
      run(state, RIGHT, 1);
      const worth = state.observed.worth.at(-1)!;
      if (worth !== before) steps.push([worth - before, enemiesOf(state).all[0]!.speed]);
      before = worth;
    }
    expect(steps).toEqual([
      [20, 1],
      [20, 1],
      [20, 2],
      [6, 2],
      [6, 2],
      [6, 2],
      [6, 2],
      [6, 3],
      [9, 3],
      [9, 3],
    ]);
  });
});
