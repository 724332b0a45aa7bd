import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { importProject } from '../../exchange/formats/index.ts';
import { documentOf, type Parameter, type Project } from '../../document/model/index.ts';
import { valuesAt } from '../../document/ramps/index.ts';
import { after } from '../../testing/index.ts';
import {
  addTier,
  duplicateLevel,
  moveSlot,
  moveTier,
  removeTier,
  setAxis,
  setCells,
  setRampAndPins,
  setShape,
  tierLimits,
} from './index.ts';

const of = (project: Project, key: string): Parameter => project.parameters.find((entry) => entry.key === key)!;
const project = homeBeforeDusk();

describe('values set in a grid', () => {
  it('are pins only where the ramp gives another', () => {
    const next = after(
      project,
      setCells(
        project,
        [
          { key: 'clock', slotId: 'slot-2', value: 50 },
          { key: 'clock', slotId: 'slot-3', value: 48 },
          { key: 'hornetSpeed', slotId: 'slot-7', value: 2.3 },
          { key: 'hornetSpeed', slotId: 'slot-14', value: undefined },
        ],
        'Paste',
      ),
    );
    // 48 and 2.3 are what the ramps give there.
    expect(of(next, 'clock').pins).toEqual({ 'slot-2': 50 });
    expect(of(next, 'hornetSpeed').pins).toEqual({ 'slot-21': 2.5, 'slot-24': 2.9 });
  });

  it('that are there already change nothing, also where a pin says what the ramp says', () => {
    const cells = [{ key: 'hornetsSent', slotId: 'slot-13', value: 2 }];
    expect(setCells(project, cells, 'Paste').patch).toEqual([]);
  });

  it('by the hundred are few operations', () => {
    const cells = project.parameters.flatMap(({ key }) =>
      project.slots.map(({ id }, index) => ({ key, slotId: id, value: 3 + index / 100 })),
    );
    const command = setCells(project, cells, 'Paste');
    expect(command.patch).toHaveLength(project.parameters.length);
    const next = after(project, command);
    expect(next.parameters.every(({ pins }) => pins['slot-24'] === 3.23)).toBe(true);
    const back = setCells(
      next,
      cells.map((cell) => ({ ...cell, value: undefined })),
      'Delete',
    );
    expect(back.patch).toHaveLength(project.parameters.length);
    expect(after(next, back).parameters.every(({ pins }) => Object.keys(pins).length === 0)).toBe(true);
  });

  it('of what is not there change nothing', () => {
    const cells = [
      { key: 'wind', slotId: 'slot-1', value: 2 },
      { key: 'clock', slotId: 'slot-99', value: 2 },
    ];
    expect(setCells(project, cells, 'Paste').patch).toEqual([]);
  });
});

describe('pins', () => {
  it('go with their slot when it is moved, and with its copy', () => {
    const moved = after(project, moveSlot(project, 'slot-7', 3));
    expect(valuesAt(moved, 3)['hornetSpeed']).toBe(2.55);
    const copied = after(project, duplicateLevel(project, 'slot-7'));
    expect([7, 8].map((position) => valuesAt(copied, position)['hornetSpeed'])).toEqual([2.55, 2.55]);
  });

  it('and the ramp are set as one', () => {
    const { ramp } = of(project, 'hornetSpeed');
    const next = after(
      project,
      setRampAndPins(
        project,
        'hornetSpeed',
        { ramp: { ...ramp, atMost: 3 }, pins: { 'slot-7': 2.6, 'slot-8': 2.9 } },
        'levels 7 to 8',
      ),
    );
    expect(of(next, 'hornetSpeed')).toMatchObject({ ramp: { atMost: 3 }, pins: { 'slot-7': 2.6, 'slot-8': 2.9 } });
    expect(Object.keys(of(next, 'hornetSpeed').pins)).toHaveLength(2);
  });
});

describe('the axis of a ramp', () => {
  it('becomes a reading, from the value that the ramp began with, and the sequence again', () => {
    const live = after(project, setAxis(project, 'clock', 'score'));
    expect(of(live, 'clock').ramp).toMatchObject({
      axis: 'score',
      atLeast: 40,
      shape: { type: 'steps', from: 48, startingAt: 0 },
    });
    const back = after(live, setAxis(live, 'clock', undefined));
    expect(of(back, 'clock').ramp.axis).toBeUndefined();
    expect(of(back, 'clock').ramp.shape).toMatchObject({ type: 'steps', from: 48, startingAt: 1 });
  });

  it('takes any shape, and leaves breathers behind', () => {
    const eased = structuredClone(project);
    of(eased, 'clock').ramp.breather = { every: 6, startingAt: 6, takes: { is: 'times', factor: 1.2 } };
    let live = after(eased, setAxis(eased, 'clock', 'timeElapsed'));
    expect(of(live, 'clock').ramp.breather).toBeUndefined();
    for (const type of ['growth', 'ease', 'sCurve', 'points', 'tiers', 'formula', 'hold', 'steps'] as const) {
      live = after(live, setShape(live, 'clock', type));
      expect(of(live, 'clock').ramp.shape.type).toBe(type);
    }
  });
});

describe('tiers', () => {
  const froms = (from: Project): number[] => from.tiers.map((tier) => tier.from);

  it.each([
    ['midday', 10, [1, 10, 13, 19]],
    ['midday', 99, [1, 12, 13, 19]],
    ['midday', -3, [1, 2, 13, 19]],
    ['dusk', 24, [1, 8, 13, 24]],
    ['morning', 5, [1, 8, 13, 19]],
  ])('%s moved to %d stays between its neighbours', (id, to, expected) => {
    expect(froms(after(project, moveTier(project, undefined, id, to)))).toEqual(expected);
  });

  it('are added where there are none, over the sequence and over a reading', () => {
    const bare = { ...project, tiers: [] };
    expect(froms(after(bare, addTier(bare, undefined, 9)))).toEqual([1, 9]);
    const live = after(project, addTier(project, 'score', 100));
    expect(live.liveTiers?.score?.map(({ from }) => from)).toEqual([0, 100]);
    const more = after(live, addTier(live, 'distance', 30));
    expect(Object.keys(more.liveTiers ?? {})).toEqual(['sectionsPassed', 'score', 'distance']);
    expect(addTier(live, 'score', 100)).toBeUndefined();
    expect(tierLimits(live, 'score', live.liveTiers!.score![1]!.id).min).toBe(1);
  });

  it('are removed with what ramps say of them; the next takes the place of the first', () => {
    const tiered = after(project, setShape(project, 'clock', 'tiers'));
    const next = after(tiered, removeTier(tiered, undefined, 'morning'));
    expect(next.tiers[0]).toMatchObject({ id: 'midday', from: 1 });
    const { shape } = of(next, 'clock').ramp;
    expect(shape.type === 'tiers' && Object.keys(shape.values)).toEqual(['midday', 'afternoon', 'dusk']);
  });

  it('named by a ramp must be there', () => {
    const wrong = structuredClone(project);
    of(wrong, 'clock').ramp.shape = { type: 'tiers', first: 1, values: { noon: 3 } };
    const checked = importProject(documentOf(wrong));
    expect(checked).toMatchObject({
      ok: false,
      problems: [{ message: 'There is no tier “noon” that this ramp goes by.' }],
    });
  });
});
