import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { createRequire } from 'node:module';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { documentOf } from '../../document/model/index.ts';
import { patchSuiteFailures, type PatchSuiteTest } from '../../testing/index.ts';
import { applyPatch, applyWithInverse, invert, patchBetween, PatchMisfit, type PatchOperation } from './index.ts';

const load = createRequire(import.meta.url);
const suite = ['tests.json', 'spec_tests.json'].flatMap(
  (file) => load(`json-patch-test-suite/${file}`) as PatchSuiteTest[],
);
const start = { name: 'a', list: [{ id: 'x' }, { id: 'y' }, { id: 'z' }], map: { one: { n: 1 }, two: { n: 2 } } };

describe('a JSON Patch', () => {
  it(`is applied as the ${suite.length} tests of the JSON Patch test suite have it, and taken back`, () => {
    expect(suite.length).toBeGreaterThan(90);
    expect(patchSuiteFailures(suite)).toEqual([]);
  });

  it('leaves what it does not touch the same object, and the document as it was', () => {
    const next = applyPatch(start, [{ op: 'replace', path: '/map/one/n', value: 9 }]);
    expect(next.map.two).toBe(start.map.two);
    expect(next.list).toBe(start.list);
    expect(start.map.one.n).toBe(1);
  });

  it.each(['/list/9', '/map/none', '/nothing/here', '/map/toString', '/list/-', 'list', '/list/01'])(
    'is refused where there is nothing to replace: %s',
    (path) => {
      expect(() => applyPatch(start, [{ op: 'replace', path, value: 1 }])).toThrow(PatchMisfit);
    },
  );

  it('says which operation does not fit', () => {
    const patch: PatchOperation[] = [
      { op: 'replace', path: '/name', value: 'b' },
      { op: 'move', from: '/list/0', path: '/list/3' },
    ];
    expect(() => applyPatch(start, patch)).toThrow(expect.objectContaining({ index: 1, pointer: '/list/3' }));
  });

  it('never reaches beyond the document', () => {
    const next = applyPatch<object>({}, [{ op: 'add', path: '/__proto__', value: { stolen: true } }]);
    expect(Object.getPrototypeOf(next)).toBe(Object.prototype);
    expect('stolen' in {}).toBe(false);
  });
});

describe('patch and inverse', () => {
  const name = fc.constantFrom('one', 'two', 'three');
  const listPlace = (most: number) => fc.nat(most).map((place) => `/list/${place}`);
  const operation: fc.Arbitrary<PatchOperation> = fc.oneof(
    fc.record({ op: fc.constant('add' as const), path: name.map((key) => `/map/${key}`), value: fc.jsonValue() }),
    fc.record({ op: fc.constant('add' as const), path: listPlace(3), value: fc.record({ id: fc.string() }) }),
    fc.record({ op: fc.constant('move' as const), from: listPlace(2), path: listPlace(2) }),
    fc.record({ op: fc.constant('move' as const), from: listPlace(2), path: name.map((key) => `/map/${key}`) }),
    fc.record({ op: fc.constant('copy' as const), from: listPlace(2), path: listPlace(3) }),
    fc.record({ op: fc.constant('remove' as const), path: listPlace(2) }),
    fc.record({ op: fc.constant('replace' as const), path: fc.constantFrom('', '/name'), value: fc.jsonValue() }),
  );

  it('cancel, however many operations there are', () => {
    fc.assert(
      fc.property(fc.array(operation, { maxLength: 5 }), (patch) => {
        let applied;
        try {
          applied = applyWithInverse<unknown>(start, patch);
        } catch (error) {
          expect(error).toBeInstanceOf(PatchMisfit);
          return;
        }
        expect(applied.inverse.length).toBeLessThanOrEqual(2 * patch.length);
        expect(applyPatch(applied.document, applied.inverse)).toEqual(start);
      }),
    );
  });

  it('taking out one of 120 parameters with 20 pins each is taken back by one operation', () => {
    const project = homeBeforeDusk();
    const [first] = project.parameters;
    const pins = Object.fromEntries(Array.from({ length: 20 }, (_, slot) => [`slot-${slot + 1}`, slot]));
    project.parameters = Array.from({ length: 120 }, (_, index) => ({ ...first!, key: `p${index}`, pins }));
    const document = documentOf(project);
    const patch: PatchOperation[] = [{ op: 'remove', path: '/parameters/p60' }];
    const inverse = invert(document, patch);
    expect(inverse).toHaveLength(1);
    expect(applyPatch(applyPatch(document, patch), inverse)).toEqual(document);
  });
});

describe('a patch from one document to another', () => {
  it('leads there, whatever the two are', () => {
    fc.assert(
      fc.property(
        fc.dictionary(fc.string(), fc.jsonValue()),
        fc.dictionary(fc.string(), fc.jsonValue()),
        (from, to) => {
          expect(applyPatch<object>(from, patchBetween(from, to))).toEqual(to);
        },
      ),
    );
  });

  it('is by whole parts where it would be too long', () => {
    const from = { name: 'a', list: Array.from({ length: 3000 }, (_, index) => index), gone: 1 };
    const to = { name: 'a', list: from.list.map((value) => value + 1), more: [2] };
    const patch = patchBetween(from, to);
    expect(patch).toHaveLength(3);
    expect(applyPatch<object>(from, patch)).toEqual(to);
    expect(patchBetween({ a: 1, b: 2 }, { a: 1, b: 3 })).toEqual([{ op: 'replace', path: '/b', value: 3 }]);
  });
});
