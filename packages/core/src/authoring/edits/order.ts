import { entryOf, idOf, numbersOf, type Id, type Item } from '../../document/model/index.ts';
import type { PatchOperation } from '../../basics/patch/index.ts';
import { addAt, at, replaceAt } from './edit.ts';

type Path = readonly (string | number)[];

/** An entry and the number by which its collection keeps it in order. */
interface Numbered {
  id: Id;
  order: number;
}

function numbered(list: readonly Item[]): Numbered[] {
  const numbers = numbersOf(list);
  return list.map((item, index) => ({ id: idOf(item), order: numbers[index] as number }));
}

/**
 * The order of an entry at a place of a list: between those of its neighbours. Where no number is left
 * between them, the list is numbered again.
 *
 * @param place from 0
 */
function orderAt(
  path: Path,
  list: readonly Numbered[],
  place: number,
): { order: number; renumbered: PatchOperation[] } {
  const [before, after] = [list[place - 1]?.order, list[place]?.order];
  if (before === undefined) return { order: after === undefined ? 1 : after - 1, renumbered: [] };
  if (after === undefined) return { order: before + 1, renumbered: [] };
  const order = (before + after) / 2;
  if (before < order && order < after) return { order, renumbered: [] };
  return {
    order: place + 1,
    renumbered: list.map(({ id }, index) => replaceAt(at(...path, id, 'order'), index < place ? index + 1 : index + 2)),
  };
}

/**
 * Puts an entry into a collection of the document; no other entry is touched.
 *
 * @param path of the collection
 * @param list the collection as it is read
 * @param place from 0; the end when absent
 */
export function insertEntry<T extends Item>(
  path: Path,
  list: readonly T[],
  item: T,
  place = list.length,
): PatchOperation[] {
  const { order, renumbered } = orderAt(path, numbered(list), place);
  return [...renumbered, addAt(at(...path, idOf(item)), entryOf(item, order))];
}

/** Puts entries at the end of a collection, one after the other. */
export function appendEntries<T extends Item>(path: Path, list: readonly T[], items: readonly T[]): PatchOperation[] {
  const last = numbered(list).at(-1)?.order ?? 0;
  return items.map((item, index) => addAt(at(...path, idOf(item)), entryOf(item, last + index + 1)));
}

/** Moves an entry of a collection. @param from its place in the list, from 0 @param to the place it comes to, from 0 */
export function moveEntry(path: Path, list: readonly Item[], from: number, to: number): PatchOperation[] {
  const item = list[from];
  if (!item || from === to) return [];
  const { order, renumbered } = orderAt(path, numbered(list).toSpliced(from, 1), to);
  return [...renumbered, replaceAt(at(...path, idOf(item), 'order'), order)];
}
