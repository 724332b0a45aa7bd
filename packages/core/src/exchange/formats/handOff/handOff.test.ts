import { describe, expect, it } from '@jest/globals';
import { apply } from 'json-merge-patch';
import { homeBeforeDusk } from '../../demo/index.ts';
import { documentOf, projectOf } from '../../../document/model/index.ts';
import { applyPatch, type PatchOperation } from '../../../basics/patch/index.ts';
import { exportSlot, HandOff, handOffOf } from '../index.ts';

const add = (path: string, value: unknown): PatchOperation => ({ op: 'add', path, value }) as PatchOperation;
const number = (value: number) => ({ from: 'number', value });

describe('a hand-off made after an edit', () => {
  it.each([
    ['a pin', add('/parameters/hornetSpeed/pins/slot-7', 2.1), ['slot-7']],
    ['a rule', { op: 'remove', path: '/levels/two-ponds/rules/won' } as PatchOperation, ['slot-4']],
    ['a kind', add('/kinds/collectables/clover/worth', number(5)), 'all'],
    ['a standing rule', { op: 'remove', path: '/standing/wasp-touch' } as PatchOperation, 'all'],
    ['lives at the start', add('/run/livesAtStart', number(6)), 'all'],
    ['the player', add('/player/health', number(80)), 'all'],
    ['the score', { op: 'remove', path: '/score/nectar' } as PatchOperation, 'all'],
    ['a tier', add('/tiers/midday/from', 9), 'all'],
    ['a star gate', add('/slots/slot-20/starGate', number(25)), ['slot-20']],
    ['a ramp along a reading', add('/parameters/nestRest/ramp/axis', 'score'), 'all'],
    ['a name', add('/levels/clover-steps/name', 'Clover Stairs'), ['slot-1']],
  ])('is as one made from nothing, and keeps what %s does not concern', (_what, operation, concerned) => {
    const document = documentOf(homeBeforeDusk());
    const before = handOffOf(projectOf(document));
    const changed = applyPatch(document, [operation]);
    const after = handOffOf(projectOf(changed));
    expect(after).toEqual(handOffOf(projectOf(structuredClone(changed))));
    expect(after).not.toEqual(before);
    const anew = Object.keys(after.slots).filter((id) => after.slots[id] !== before.slots[id]);
    if (concerned === 'all') expect(anew.length).toBeGreaterThan(5);
    else expect(anew).toEqual(concerned);
  });
});

describe('rounds past the last slot', () => {
  const goingOn = (slots = 24) => {
    const project = homeBeforeDusk();
    project.slots = project.slots.slice(0, slots);
    project.run.afterLast = 'goOn';
    return project;
  };

  it('are none where the sequence ends, starts over, or loops', () => {
    const project = homeBeforeDusk();
    for (const [order, afterLast] of [
      ['inOrder', 'end'],
      ['inOrder', 'startOver'],
      ['loop', 'goOn'],
    ] as const) {
      Object.assign(project.run, { order, afterLast });
      expect(handOffOf(project).rounds).toBeUndefined();
    }
  });

  it('say what of a slot is another number there, and nothing else', () => {
    const project = goingOn();
    const handOff = handOffOf(project);
    expect(HandOff.safeParse(handOff).success).toBe(true);
    expect(Object.keys(handOff.rounds!)).toEqual(['2', '3', '4', '5']);
    for (const [round, slots] of Object.entries(handOff.rounds!))
      for (const [id, overlay] of Object.entries(slots)) {
        const first = handOff.slots[id]!;
        const position = (Number(round) - 1) * 24 + first.position;
        const later = apply(structuredClone(first), overlay) as object;
        expect({ ...later, position }).toEqual(exportSlot(project, position));
        expect(overlay).not.toHaveProperty('ground.rows');
      }
  });

  it('are made again only where an edit changes something', () => {
    const document = documentOf(goingOn());
    const before = handOffOf(projectOf(document)).rounds!;
    const after = handOffOf(
      projectOf(applyPatch(document, [{ op: 'remove', path: '/levels/two-ponds/rules/won' }])),
    ).rounds!;
    const anew = Object.keys(after['2']!).filter((id) => after['2']![id] !== before['2']![id]);
    expect(anew).toEqual(['slot-4']);
  });

  it('are fewer the longer the sequence is', () => {
    expect(Object.keys(handOffOf(goingOn(1)).rounds!)).toHaveLength(4);
    const long = goingOn();
    long.slots = Array.from({ length: 250 }, (_, i) => ({ ...long.slots[i % 24]!, id: `s${i}` }));
    expect(Object.keys(handOffOf(long).rounds!)).toHaveLength(1);
    expect(handOffOf(goingOn(0)).rounds).toBeUndefined();
  });
});
