import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { findReferenceProblems, usesOfParameter, type Project } from '../../document/model/index.ts';
import fc from 'fast-check';
import { after as edited, depth } from '../../testing/index.ts';
import {
  addLevel,
  addParameter,
  duplicateLevel,
  moveSlot,
  removeParameter,
  removePin,
  removeSlot,
  setPin,
  setShape,
  setWanted,
  type NamedEdit,
} from './index.ts';

const demo = homeBeforeDusk();
const after = (command: NamedEdit | undefined, project = demo): Project => edited(project, command);
const names = (project: Project): string[] => project.slots.map((slot) => project.levels[slot.levelId]!.name);
const froms = (project: Project): number[] => project.tiers.map((tier) => tier.from);

describe('the sequence', () => {
  it('takes a new level after a position and moves the tiers behind it on', () => {
    const project = after(addLevel(demo, 3));
    expect(names(project).slice(2, 5)).toEqual(['Orchard Round', 'New level', 'Two Ponds']);
    expect(froms(project)).toEqual([1, 9, 14, 20]);
  });

  it('duplicates a level with its pins, free to be changed by itself', () => {
    const command = duplicateLevel(demo, 'slot-7')!;
    const project = after(command);
    expect(names(project)[7]).toBe('Lavender Bank 2');
    expect(project.parameters[0]!.pins[command.slotId!]).toBe(2.55);
    expect(project.slots[7]!.wanted).toBe(0.88);
  });

  it('removes a slot with its level and its pins', () => {
    const project = after(removeSlot(demo, 'slot-7'));
    expect(project.slots).toHaveLength(23);
    expect(project.levels['lavender-bank']).toBeUndefined();
    expect(project.parameters[0]!.pins).not.toHaveProperty('slot-7');
    expect(froms(project)).toEqual([1, 7, 12, 18]);
  });

  it('takes out the only level of a tier, and the tiers after the next still move back', () => {
    const project = {
      ...demo,
      tiers: [1, 8, 9, 19].map((from, index) => ({ id: `t${index}`, name: `T${index}`, from })),
    };
    expect(froms(after(removeSlot(project, 'slot-8'), project))).toEqual([1, 8, 9, 18]);
    expect(froms(after(removeSlot(project, 'slot-3'), project))).toEqual([1, 7, 8, 18]);
  });

  it('keeps a level that stands in another slot as well', () => {
    const twice: Project = { ...demo, slots: [...demo.slots, { id: 'again', levelId: 'lavender-bank' }] };
    expect(after(removeSlot(twice, 'slot-7'), twice).levels['lavender-bank']).toBeDefined();
  });

  it('can be emptied to the last level', () => {
    let project = demo;
    for (const slot of demo.slots) project = after(removeSlot(project, slot.id), project);
    expect(project.slots).toEqual([]);
  });

  it.each([
    ['slot-1', 3, ['Dew on the Beds', 'Orchard Round', 'Clover Steps']],
    ['slot-3', 1, ['Orchard Round', 'Clover Steps', 'Dew on the Beds']],
  ])('moves %s to %d', (slot, to, expected) => {
    expect(names(after(moveSlot(demo, slot, to))).slice(0, 3)).toEqual(expected);
  });

  it('stays whole through any row of changes', () => {
    const change = fc.tuple(fc.constantFrom('add', 'duplicate', 'remove', 'move'), fc.nat(30), fc.nat(30));
    fc.assert(
      fc.property(fc.array(change, { maxLength: 8 }), (changes) => {
        let project = demo;
        for (const [what, a, b] of changes) {
          const slot = project.slots[a % Math.max(1, project.slots.length)]?.id ?? '';
          const command =
            what === 'add'
              ? addLevel(project, a % (project.slots.length + 1))
              : what === 'duplicate'
                ? duplicateLevel(project, slot)
                : what === 'remove'
                  ? removeSlot(project, slot)
                  : moveSlot(project, slot, b);
          if (command) project = after(command, project);
        }
        expect(froms(project)[0]).toBe(1);
      }),
      { numRuns: depth(25, 4) },
    );
  });
});

describe('wanted', () => {
  it('is set, changed and taken away', () => {
    expect(after(setWanted(demo, 'slot-1', 0.5)).slots[0]!.wanted).toBe(0.5);
    expect(after(setWanted(demo, 'slot-1', undefined)).slots[0]).not.toHaveProperty('wanted');
  });
});

describe('parameters', () => {
  it.each([
    ['Rest of the Day', 'restOfTheDay'],
    ['Clock', 'clock2'],
    ['42', 'parameter'],
  ])('called %s get the key %s', (label, key) => {
    const command = addParameter(demo, label);
    expect(command.key).toBe(key);
    expect(after(command).parameters.at(-1)).toMatchObject({ key, label });
  });

  it('are removed, and the amounts that followed them keep their value', () => {
    for (const { key, label } of demo.parameters) {
      const command = removeParameter(demo, key, 1);
      if ('formulas' in command) {
        expect([label, command.formulas.length > 0]).toEqual([label, true]);
        continue;
      }
      expect(command.numbers + command.sentences.length).toBe(usesOfParameter(demo, key).length);
      const next = after(command);
      expect(next.parameters.some((parameter) => parameter.key === key)).toBe(false);
      expect(findReferenceProblems(next)).toEqual([]);
    }
    const limits = Object.values(after(removeParameter(demo, 'clock', 1) as NamedEdit).levels).map(
      ({ clock }) => clock.limitSeconds,
    );
    expect(limits.some((limit) => limit?.from === 'parameter' && limit.parameter === 'clock')).toBe(false);
    const project = after(addParameter(demo, 'Wind'));
    expect(after(removeParameter(project, 'wind', 1) as NamedEdit, project)).toEqual(after(undefined));
  });

  it('are pinned and let go', () => {
    const project = after(setPin(demo, 'clock', 'slot-2', 33));
    expect(project.parameters[3]!.pins['slot-2']).toBe(33);
    expect(after(removePin(project, 'clock', 'slot-2'), project).parameters[3]!.pins).toEqual({});
  });

  it('change shape through their first and last value', () => {
    const held = after(setShape(demo, 'clock', 'hold'));
    expect(held.parameters[3]!.ramp.shape).toEqual({ type: 'hold', value: 48 });
  });
});
