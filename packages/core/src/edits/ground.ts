import {
  entryOf,
  numbersOf,
  type Condition,
  type Effect,
  type Ground,
  type Id,
  type Level,
  type Piece,
} from '../model/index.ts';
import type { PatchOperation } from '../patch/index.ts';
import { conditionInWords, eachCondition, effectInWords, type Names } from '../rules/index.ts';
import { addAt, at, removeAt, replaceAt, type NamedEdit } from './edit.ts';
import { appendEntries } from './order.ts';

const same = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);

/** What makes one piece of another: field by field, so that edits of different numbers do not meet. */
function piecePatch(path: string, before: Piece, after: Piece): PatchOperation[] {
  if (before === after) return [];
  const [was, is] = [entryOf(before, before.order ?? 0), entryOf(after, before.order ?? 0)] as Record<
    string,
    unknown
  >[];
  if (!was || !is || was['piece'] !== is['piece']) return [replaceAt(path, entryOf(after, before.order ?? 1))];
  return [...new Set([...Object.keys(was), ...Object.keys(is)])].flatMap((field): PatchOperation[] => {
    const place = `${path}/${field}`;
    if (same(was[field], is[field])) return [];
    if (is[field] === undefined) return [removeAt(place)];
    return [was[field] === undefined ? addAt(place, is[field]) : replaceAt(place, is[field])];
  });
}

/**
 * What makes one ground of another, in as few and as small operations as there are: rows one by one, pieces by their
 * ids. Two people who change different rows and pieces of one ground do not meet.
 *
 * @param path of the ground
 */
export function groundPatch(path: readonly (string | number)[], before: Ground, after: Ground): PatchOperation[] {
  const rows =
    before.rows.length === after.rows.length && before.rows[0]?.length === after.rows[0]?.length
      ? after.rows.flatMap((row, y) => (row === before.rows[y] ? [] : [replaceAt(at(...path, 'rows', y), row)]))
      : [replaceAt(at(...path, 'rows'), after.rows)];
  const [old, next] = [
    new Map(before.pieces.map((piece) => [piece.id, piece])),
    new Map(after.pieces.map((piece) => [piece.id, piece])),
  ];
  const gone = before.pieces.filter(({ id }) => !next.has(id)).map(({ id }) => removeAt(at(...path, 'pieces', id)));
  const numbers = numbersOf(before.pieces);
  const changed = before.pieces.flatMap((piece, index) => {
    const now = next.get(piece.id);
    return now ? piecePatch(at(...path, 'pieces', piece.id), { ...piece, order: numbers[index] as number }, now) : [];
  });
  const come = after.pieces.filter(({ id }) => !old.has(id));
  const order = before.pieces.map((piece, index) => ({ ...piece, order: numbers[index] as number }));
  return [
    ...rows,
    ...gone,
    ...changed,
    ...appendEntries(
      [...path, 'pieces'],
      order,
      come.map(({ order: _o, ...piece }) => piece as Piece),
    ),
  ];
}

/** An edit that makes a level's ground another. */
export const editGround = (level: Level, after: Ground, label: string): NamedEdit => ({
  label: `${label}, ${level.name}`,
  patch: groundPatch(['levels', level.id, 'ground'], level.ground, after),
});

/** The fields by which conditions and effects name pieces. */
const NAMING = ['zone', 'latch', 'gate', 'spawner', 'piece', 'at'] as const;

const names = (thing: object, ids: ReadonlySet<string>): boolean =>
  NAMING.some((field) => {
    const named = (thing as Record<string, unknown>)[field];
    return typeof named === 'string' && ids.has(named);
  });

/** Every sentence of a level that names one of these pieces: rules, its clock, its stars. */
export function sentencesNaming(level: Level, ids: ReadonlySet<Id>, naming: Names): string[] {
  const inCondition = (condition: Condition): string[] => {
    const found: string[] = [];
    eachCondition(condition, (part) => {
      if ('reading' in part && names(part.reading, ids)) found.push(conditionInWords(part, naming));
    });
    return found;
  };
  const inEffects = (effects: readonly Effect[]): string[] =>
    effects.flatMap((effect) => (names(effect, ids) ? [effectInWords(effect, naming)] : []));
  return [
    ...level.rules.flatMap((rule) => [...inCondition(rule.when), ...inEffects(rule.then)]),
    ...(level.clock.startsWhen ? inCondition(level.clock.startsWhen) : []),
    ...(level.stars.is === 'conditions'
      ? level.stars.conditions.flatMap((star) => (star ? inCondition(star) : []))
      : []),
  ];
}

/** What taking pieces away comes to: the ground without them, or why they stay. */
export function withoutPieces(
  level: Level,
  ids: ReadonlySet<Id>,
  naming: Names,
): { ground: Ground } | { refused: string } {
  const { ground } = level;
  if (ground.pieces.some(({ id, piece }) => piece === 'start' && ids.has(id)))
    return { refused: 'A ground has one start: move it instead.' };
  const sentences = [...new Set(sentencesNaming(level, ids, naming))];
  if (sentences.length > 0)
    return {
      refused: `Nothing was removed. Rules name it: ${sentences.map((words) => `“${words}”`).join(', ')}. Change them first.`,
    };
  const pieces = ground.pieces
    .filter(({ id }) => !ids.has(id))
    .map((piece) =>
      // Latches let go of gates that are no more.
      piece.piece === 'latch' && piece.opens.some((gate) => ids.has(gate))
        ? { ...piece, opens: piece.opens.filter((gate) => !ids.has(gate)) }
        : piece,
    );
  return { ground: { ...ground, pieces } };
}

/** What levels lose when they take another's ground, in words; nothing where they lose nothing. */
export function lostByCopying(from: Level, to: Level, naming: Names): string[] {
  const kept = new Map(from.ground.pieces.map(({ id, piece }) => [id, piece]));
  const gone = new Set(to.ground.pieces.filter(({ id, piece }) => kept.get(id) !== piece).map(({ id }) => id));
  return [...new Set(sentencesNaming(to, gone, naming))];
}

/** Gives levels the ground of another. */
export const copyGround = (from: Level, to: readonly Level[]): NamedEdit => ({
  label: `The ground of ${from.name} for ${to.length === 1 ? (to[0] as Level).name : `${to.length} levels`}`,
  patch: to.flatMap((level) => groundPatch(['levels', level.id, 'ground'], level.ground, from.ground)),
});
