import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { homeBeforeDusk } from '../demo/index.ts';
import { rampTable } from '../../document/ramps/index.ts';
import { parameterTable, readParameterTable } from './index.ts';
import { depth } from '../../testing/index.ts';

const project = homeBeforeDusk();
const textOf = (from = project): string[][] => {
  const { header, rows } = parameterTable(from);
  return [header, ...rows.map((row) => row.map(String))];
};

describe('a table of values', () => {
  it('that was exported changes nothing when it is imported', () => {
    expect(readParameterTable(project, textOf())).toEqual({ ok: true, changes: [], notes: [] });
  });

  it('goes out and comes in exactly, whatever the values', () => {
    const values = fc.double({ min: -1e6, max: 1e6, noNaN: true });
    const slot = fc.integer({ min: 1, max: 24 }).map((position) => `slot-${position}`);
    fc.assert(
      fc.property(fc.dictionary(slot, values), (pins) => {
        const other = homeBeforeDusk();
        other.parameters[0]!.pins = pins;
        // Its own table changes nothing in it.
        expect(readParameterTable(other, textOf(other))).toMatchObject({ changes: [] });
        // In the demo it changes what differs, to what the table says.
        const reading = readParameterTable(project, textOf(other));
        if (!reading.ok) throw new Error('unread');
        const key = other.parameters[0]!.key;
        const then = homeBeforeDusk();
        for (const change of reading.changes) then.parameters[0]!.pins[change.slotId] = change.after;
        expect(textOf(then).map((row) => row[3])).toEqual(textOf(other).map((row) => row[3]));
        expect(reading.changes.every((change) => change.key === key)).toBe(true);
      }),
      { numRuns: depth(50, 15) },
    );
  });

  it('tells each cell that it changes, before and after', () => {
    const rows = [
      ['position', 'Hornet speed', 'clock'],
      ['7', '2.6', ''],
      ['8', '2.3', '50'],
    ];
    const before = rampTable(project).rows.get('clock')!.values[7]!;
    expect(readParameterTable(project, rows)).toEqual({
      ok: true,
      changes: [
        { key: 'hornetSpeed', slotId: 'slot-7', position: 7, before: 2.55, after: 2.6 },
        { key: 'clock', slotId: 'slot-8', position: 8, before, after: 50 },
      ],
      notes: ['22 levels are not in it and stay as they are.'],
    });
  });

  it('leaves columns aside that are no parameter', () => {
    const reading = readParameterTable(project, [
      ['slot', 'clock', 'wind'],
      ['slot-1', '48', '3'],
    ]);
    expect(reading).toMatchObject({
      ok: true,
      notes: ['Left aside: “wind”, no such parameter.', '23 levels are not in it and stay as they are.'],
    });
  });

  it.each([
    [[['a', 'b']], 1, 'No column is named after a parameter'],
    [[['clock']], 1, 'must say which level'],
    [
      [
        ['slot', 'clock'],
        ['slot-99', '4'],
      ],
      2,
      'There is no slot “slot-99”.',
    ],
    [
      [
        ['position', 'clock'],
        ['1', '4'],
        ['30', '4'],
      ],
      3,
      'There is no level at position “30”.',
    ],
    [
      [
        ['position', 'clock'],
        ['2', 'soon'],
      ],
      2,
      'Clock: “soon” is not a number.',
    ],
    [
      [
        ['position', 'clock'],
        ['2', '40'],
        ['2', '41'],
      ],
      3,
      'Level 2 is on line 2 already.',
    ],
  ])('is refused whole where it is wrong: %#', (rows, line, message) => {
    const reading = readParameterTable(project, rows);
    expect(reading).toMatchObject({ ok: false, problems: [{ line, message: expect.stringContaining(message) }] });
  });
});
