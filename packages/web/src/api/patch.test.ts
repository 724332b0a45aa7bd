import { describe, expect, it } from '@jest/globals';
import type { PatchOperation } from '@stadion/core/contract';
import jsonPatch, { type Operation } from 'fast-json-patch';
import fc from 'fast-check';
import { applyPatch, patchBetween, PatchMisfit, wholePatchBetween } from './patch.ts';

const start = { name: 'a', list: [{ id: 'x' }, { id: 'y' }, { id: 'z' }], map: { one: { n: 1 }, two: { n: 2 } } };

describe('applyPatch', () => {
  it.each([
    ['replaces', [{ op: 'replace', path: '/map/one/n', value: 9 }]],
    ['adds to a map', [{ op: 'add', path: '/map/three', value: { n: 3 } }]],
    ['adds into a list', [{ op: 'add', path: '/list/1', value: { id: 'new' } }]],
    ['appends to a list', [{ op: 'add', path: '/list/-', value: { id: 'new' } }]],
    ['removes from a list', [{ op: 'remove', path: '/list/0' }]],
    ['moves forward', [{ op: 'move', from: '/list/0', path: '/list/2' }]],
    ['moves back', [{ op: 'move', from: '/list/2', path: '/list/0' }]],
    [
      'does several in turn',
      [
        { op: 'remove', path: '/list/0' },
        { op: 'add', path: '/list/0', value: { id: 'w' } },
        { op: 'replace', path: '/name', value: 'b' },
      ],
    ],
  ] as [string, PatchOperation[]][])('%s as RFC 6902 has it', (_case, patch) => {
    const expected = jsonPatch.applyPatch(structuredClone(start), structuredClone(patch) as Operation[]).newDocument;
    expect(applyPatch(start, patch)).toEqual(expected);
  });

  it('leaves what it does not touch the same object', () => {
    const next = applyPatch(start, [{ op: 'replace', path: '/map/one/n', value: 9 }]);
    expect(next.map.two).toBe(start.map.two);
    expect(next.list).toBe(start.list);
    expect(start.map.one.n).toBe(1);
  });

  it.each(['/list/9', '/map/none', '/nothing/here', '/map/toString'])(
    'refuses to replace what is not there: %s',
    (path) => {
      expect(() => applyPatch(start, [{ op: 'replace', path, value: 1 }])).toThrow(PatchMisfit);
    },
  );
});

describe('patch and inverse', () => {
  it('cancel', () => {
    const name = fc.constantFrom('one', 'two', 'three');
    const operation: fc.Arbitrary<PatchOperation> = fc.oneof(
      fc.record({
        op: fc.constant('add' as const),
        path: name.map((key) => `/map/${key}`),
        value: fc.record({ n: fc.integer() }),
      }),
      fc.record({
        op: fc.constant('add' as const),
        path: fc.nat(3).map((at) => `/list/${at}`),
        value: fc.record({ id: fc.string() }),
      }),
      fc.record({
        op: fc.constant('move' as const),
        from: fc.nat(2).map((at) => `/list/${at}`),
        path: fc.nat(2).map((at) => `/list/${at}`),
      }),
      fc.record({ op: fc.constant('remove' as const), path: fc.nat(2).map((at) => `/list/${at}`) }),
    );
    fc.assert(
      fc.property(operation, (op) => {
        const next = applyPatch(start, [op]);
        expect(applyPatch(next, patchBetween(next, start))).toEqual(start);
      }),
    );
  });
});

describe('a patch from one document to quite another', () => {
  it('is by whole parts where it would be too long, and leads there', () => {
    const from = { name: 'a', list: Array.from({ length: 3000 }, (_, index) => index), gone: 1 };
    const to = { name: 'a', list: from.list.map((value) => value + 1), more: [2] };
    const patch = wholePatchBetween(from, to);
    expect(patch).toHaveLength(3);
    expect(applyPatch(from, patch)).toEqual(to);
    expect(wholePatchBetween({ a: 1, b: 2 }, { a: 1, b: 3 })).toEqual([{ op: 'replace', path: '/b', value: 3 }]);
  });
});
