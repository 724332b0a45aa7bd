import { PatchMisfit } from './operation.ts';

const BAD_ESCAPE = /~(?![01])/;

/** The parts of a JSON pointer (RFC 6901). @throws PatchMisfit for what is none */
export function partsOf(pointer: unknown): string[] {
  if (typeof pointer !== 'string') throw new PatchMisfit('A path is expected here.', '');
  if (pointer === '') return [];
  if (!pointer.startsWith('/') || BAD_ESCAPE.test(pointer))
    throw new PatchMisfit(`“${pointer}” is not a JSON pointer.`, pointer);
  return pointer
    .slice(1)
    .split('/')
    .map((part) => part.replaceAll('~1', '/').replaceAll('~0', '~'));
}

const PLACE_IN_LIST = /^(0|[1-9]\d*)$/;

/** The place in a list that a part names. @param most the last place allowed @throws PatchMisfit */
export function placeInList(part: string, most: number, pointer: string): number {
  const place = PLACE_IN_LIST.test(part) ? Number(part) : Number.NaN;
  if (!(place <= most)) throw new PatchMisfit(`There is no place ${part} in the list at ${pointer}.`, pointer);
  return place;
}
