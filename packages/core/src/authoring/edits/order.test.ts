import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { documentOf, emptyProject, projectOf, type Tally } from '../../document/model/index.ts';
import { applyPatch, type PatchOperation } from '../../basics/patch/index.ts';
import { insertEntry, moveEntry } from './index.ts';

const tally = (id: string): Tally => ({ id, name: id, start: 0 });
const path = ['tallies'];

/** A collection and a plain list that the same is done to. */
function beside() {
  let document = documentOf(emptyProject('Order'));
  const plain: string[] = [];
  const list = (): Tally[] => projectOf(document).tallies;
  const apply = (patch: PatchOperation[]): number => {
    document = applyPatch(document, patch);
    return patch.length;
  };
  return {
    plain,
    ids: () => list().map(({ id }) => id),
    insert(id: string, place: number): number {
      plain.splice(place, 0, id);
      return apply(insertEntry(path, list(), tally(id), place));
    },
    move(from: number, to: number): number {
      plain.splice(to, 0, ...plain.splice(from, 1));
      return apply(moveEntry(path, list(), from, to));
    },
  };
}

describe('a collection in order', () => {
  it('has what is put in and moved where a list has it', () => {
    const acts = fc.array(fc.tuple(fc.boolean(), fc.nat(40), fc.nat(40)), { maxLength: 40 });
    fc.assert(
      fc.property(acts, (all) => {
        const both = beside();
        all.forEach(([inserts, a, b], index) => {
          const count = both.plain.length;
          if (inserts || count === 0) both.insert(`t${index}`, a % (count + 1));
          else both.move(a % count, b % count);
        });
        expect(both.ids()).toEqual(both.plain);
      }),
    );
  });

  it('is touched in one place only, until no number is left between two', () => {
    const both = beside();
    both.insert('first', 0);
    both.insert('last', 1);
    const sizes = Array.from({ length: 80 }, (_, index) => both.insert(`t${index}`, 1));
    expect(both.ids()).toEqual(both.plain);
    expect(sizes.filter((size) => size === 1).length).toBeGreaterThan(75);
    expect(Math.max(...sizes)).toBeGreaterThan(1);
  });
});
