import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Parameter, Ramp } from '../model/index.ts';
import {
  deriveValue,
  PLAIN,
  rampTable,
  rampValue,
  readRamp,
  roundToMultiple,
  rowWith,
  shapeDefinition,
  valuesAt,
} from './index.ts';

const parameter = (ramp: Ramp, pins: Record<string, number> = {}): Parameter => ({
  key: 'hornetSpeed',
  label: 'Hornet speed',
  unit: 'units/s',
  number: 'real',
  sane: { min: 0, max: 10 },
  ramp,
  pins,
  note: '',
});
/** Returns the value of a ramp at a position of a sequence without tiers. */
const at = (ramp: Ramp, position: number): number => rampValue(parameter(ramp), position);
const slots = Array.from({ length: 24 }, (_, i) => ({ id: `s${i + 1}`, levelId: 'a' }));
const hornets: Ramp = {
  shape: { type: 'steps', from: 1.6, add: 0.15, every: 2, startingAt: 1 },
  atMost: 3.2,
  roundTo: 0.05,
};

describe('steps', () => {
  // Computed by hand: k = ⌊(n − 1) / 2⌋, so n = 1, 2 → k 0; 3 → 1; 8 → 3: 1.6 + 0.45; 22 → 10: 3.1; 23 → 11: 3.25, capped.
  it.each([
    [1, 1.6],
    [2, 1.6],
    [3, 1.75],
    [8, 2.05],
    [22, 3.1],
    [23, 3.2],
    [24, 3.2],
  ])('at position %d is %d', (position, expected) => {
    expect(at(hornets, position)).toBe(expected);
  });

  it('waits for the position it starts at', () => {
    const ramp: Ramp = { shape: { type: 'steps', from: 2, add: 1, every: 3, startingAt: 5 } };
    expect([1, 5, 7, 8, 10, 11].map((n) => at(ramp, n))).toEqual([2, 2, 2, 3, 3, 4]);
  });

  it('goes down to its floor', () => {
    const ramp: Ramp = { shape: { type: 'steps', from: 60, add: -5, every: 1, startingAt: 1 }, atLeast: 38 };
    expect([1, 2, 5, 6].map((n) => at(ramp, n))).toEqual([60, 55, 40, 38]);
  });
});

describe('modifiers', () => {
  it('round after the cap', () => {
    // 3.4 → at most 3.22 → rounded to 0.05: 3.2; the other order would give 3.22.
    const ramp: Ramp = { shape: { type: 'hold', value: 3.4 }, atMost: 3.22, roundTo: 0.05 };
    expect(at(ramp, 1)).toBe(3.2);
  });

  it('hold whatever the shape says', () => {
    fc.assert(
      fc.property(
        fc.double({ noNaN: true, min: -1e6, max: 1e6 }),
        fc.integer({ min: 1, max: 500 }),
        (add, position) => {
          const value = at(
            { shape: { type: 'steps', from: 0, add, every: 1, startingAt: 1 }, atMost: 9, atLeast: -4 },
            position,
          );
          expect(value).toBeGreaterThanOrEqual(-4);
          expect(value).toBeLessThanOrEqual(9);
        },
      ),
    );
  });
});

describe('roundToMultiple', () => {
  it.each([
    [2.5, 1, 3],
    [-2.5, 1, -3],
    [1.075, 0.05, 1.1],
    [2.0500000000000003, 0.05, 2.05],
    [7, 5, 5],
    [7.5, 5, 10],
    [0.1 + 0.2, 0.1, 0.3],
  ])('of %d to %d is %d', (value, multiple, expected) => {
    expect(roundToMultiple(value, multiple)).toBe(expected);
  });
});

describe('pins', () => {
  const pinned = parameter(hornets, { s7: 1.76 });

  it('stand over the ramp at their slot', () => {
    expect(valuesAt({ parameters: [pinned], slots, tiers: [] }, 7)).toEqual({ hornetSpeed: 1.76 });
    expect(valuesAt({ parameters: [pinned], slots, tiers: [] }, 8)).toEqual({ hornetSpeed: 2.05 });
  });

  it('move with their slot', () => {
    const moved = [slots[6]!, ...slots.filter((_, i) => i !== 6)];
    expect(valuesAt({ parameters: [pinned], slots: moved, tiers: [] }, 1)).toEqual({ hornetSpeed: 1.76 });
    expect(valuesAt({ parameters: [pinned], slots: moved, tiers: [] }, 7)).toEqual({ hornetSpeed: 2.05 });
  });
});

describe('rampTable', () => {
  it('agrees with the values at each position', () => {
    const project = { parameters: [parameter(hornets, { s3: 9 })], slots, tiers: [] };
    const row = rampTable(project).rows.get('hornetSpeed')!;
    slots.forEach((_, i) => expect(row.values[i]).toBe(valuesAt(project, i + 1)['hornetSpeed']));
  });
});

describe('deriveValue', () => {
  it('tells every step in order and ends at the value', () => {
    const project = { parameters: [parameter(hornets, { s23: 2.63 })], slots, tiers: [] };
    const chain = deriveValue(project, project.parameters[0]!, 23);
    expect(chain.map((step) => step.step)).toEqual(['shape', 'at most', 'rounded', 'pinned']);
    expect(chain[0]!.value).toBeCloseTo(3.25, 12);
    expect(chain.slice(1).map((step) => step.value)).toEqual([3.2, 3.2, 2.63]);
    expect(chain.at(-1)!.value).toBe(valuesAt(project, 23)['hornetSpeed']);
  });
});

describe('readRamp', () => {
  it('finds where the cap is reached', () => {
    const row = rowWith({ parameters: [], slots, tiers: [] }, parameter(hornets));
    expect(readRamp(hornets, row)).toEqual({ capReachedAt: 23, lowest: 1.6, highest: 3.2 });
  });
});

describe('every shape', () => {
  it.each([
    [{ type: 'hold', value: 3 } as const, 'value', 4],
    [{ type: 'steps', from: 1, add: 2, every: 3, startingAt: 2 } as const, 'from', 4],
    [{ type: 'steps', from: 1, add: 2, every: 3, startingAt: 2 } as const, 'add', 4],
  ])('puts the line under a dragged handle: %j by %s', (shape, name, value) => {
    const handles = shapeDefinition(shape).handles(shape, PLAIN);
    const handle = handles.find((h) => h.name === name)!;
    const moved = handle.moveTo(shape, 6, value);
    expect(at({ shape: moved }, 6)).toBeCloseTo(value, 12);
    expect(handle.at(moved).value).toBeCloseTo(value, 12);
  });
});
