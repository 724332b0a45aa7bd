import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../demo/index.ts';
import { documentOf, projectOf } from '../../model/index.ts';
import { applyPatch, type PatchOperation } from '../../patch/index.ts';
import { handOffOf } from '../index.ts';

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
