import { describe, expect, it } from '@jest/globals';
import type { Shape } from '../model/index.ts';
import { numberOf, ownNumber, PLAIN, shapeFields, withNumber, type RampContext } from './index.ts';

const context: RampContext = {
  ...PLAIN,
  bands: [
    { id: 'dawn', name: 'Dawn', from: 1 },
    { id: 'noon', name: 'Noon', from: 8 },
  ],
};
const steps: Shape = { type: 'steps', from: 2, add: 0.5, every: 3, startingAt: 1 };
const tiers: Shape = { type: 'tiers', first: 1, values: { dawn: 4 } };

describe('the numbers of a shape', () => {
  it('are read and written by their fields', () => {
    const fields = shapeFields(steps, context);
    expect(fields.map((field) => [field.name, ownNumber(steps, field)])).toEqual([
      ['from', 2],
      ['add', 0.5],
      ['every', 3],
      ['startingAt', 1],
    ]);
    expect(withNumber(steps, fields[1]!, 0.75)).toEqual({ ...steps, add: 0.75 });
  });

  it('of bands stand in a record of their own; a band without one goes on with the one before', () => {
    const noon = shapeFields(tiers, context).find(({ name }) => name === 'noon')!;
    expect(ownNumber(tiers, noon)).toBeUndefined();
    expect(numberOf({ shape: tiers }, noon, context)).toBe(4);
    const written = withNumber(tiers, noon, 9);
    expect(written).toEqual({ type: 'tiers', first: 1, values: { dawn: 4, noon: 9 } });
    expect(numberOf({ shape: written }, noon, context)).toBe(9);
  });
});
