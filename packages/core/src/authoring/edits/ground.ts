import { sectionsOf } from '../../play/grid/index.ts';
import {
  entryOf,
  groundEntryOf,
  levelEntryOf,
  sectionItemOf,
  type Condition,
  type Effect,
  type Ground,
  type Id,
  type Item,
  type Level,
  type Piece,
  type Project,
  type Reading,
  type Section,
} from '../../document/model/index.ts';
import type { PatchOperation } from '../../basics/patch/index.ts';
import {
  conditionInWords,
  conditionsBesideRules,
  eachCondition,
  effectInWords,
  type Names,
} from '../../play/rules/index.ts';
import { at, removeAt, replaceAt, setOptional, type NamedEdit } from './edit.ts';
import { namesOneOf } from './namesPieces.ts';
import { appendEntries } from './order.ts';
import { withoutNames, type RemovalOfNames } from './removal.ts';

const same = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);

/** Operations that turn one entry into another: field by field, so that edits of different numbers do not conflict. */
function entryPatch(path: string, before: Record<string, unknown>, after: Record<string, unknown>): PatchOperation[] {
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((field): PatchOperation[] =>
    same(before[field], after[field]) ? [] : setOptional(`${path}/${field}`, before[field], after[field]),
  );
}

/**
 * Operations that turn one ground into another, as few and as small as possible: rows one by one, pieces by their
 * ids. Two people who change different rows and pieces of one ground do not meet.
 *
 * @param path of the ground
 */
export function groundPatch(path: readonly (string | number)[], before: Ground, after: Ground): PatchOperation[] {
  // A kind of ground that moves otherwise is another ground.
  if (before.kind !== after.kind) return [replaceAt(at(...path), groundEntryOf(after))];
  return [...cutPatch(path, before, after), ...sectionsPatch(path, sectionsOf(before), sectionsOf(after))];
}

/** Sections go by their ids, as pieces do. */
function sectionsPatch(
  path: readonly (string | number)[],
  before: readonly Section[],
  after: readonly Section[],
): PatchOperation[] {
  const now = new Map(after.map((section) => [section.id, section]));
  const was = new Set(before.map(({ id }) => id));
  const kept = before.flatMap((section): PatchOperation[] => {
    const place = [...path, 'sections', section.id];
    const next = now.get(section.id);
    if (next === section) return [];
    if (!next) return [removeAt(at(...place))];
    const { id: _id, rows: _rows, pieces: _pieces, ...words } = next;
    const { id: _was, rows: _rowsWere, pieces: _piecesWere, ...wordsWere } = section;
    return [...entryPatch(at(...place), wordsWere, words), ...cutPatch(place, section, next)];
  });
  const come = after.filter(({ id }) => !was.has(id));
  return [
    ...kept,
    ...appendEntries<Item>(
      [...path, 'sections'],
      before,
      come.map((section) => sectionItemOf(section)),
    ),
  ];
}

type Cut = Pick<Ground, 'rows' | 'pieces'>;

/** Rows one by one where their number and length stay, pieces by their ids. */
function cutPatch(path: readonly (string | number)[], before: Cut, after: Cut): PatchOperation[] {
  const sameSize = before.rows.length === after.rows.length && before.rows[0]?.length === after.rows[0]?.length;
  const rows = sameSize
    ? after.rows.flatMap((row, y) => (row === before.rows[y] ? [] : [replaceAt(at(...path, 'rows', y), row)]))
    : [replaceAt(at(...path, 'rows'), after.rows)];
  const now = new Map(after.pieces.map((piece) => [piece.id, piece]));
  const was = new Set(before.pieces.map(({ id }) => id));
  const kept = before.pieces.flatMap((piece): PatchOperation[] => {
    const place = at(...path, 'pieces', piece.id);
    const next = now.get(piece.id);
    if (next === piece) return [];
    if (!next) return [removeAt(place)];
    // Pieces that stay keep their places in the collection.
    const [old, fresh] = [entryOf(piece, 0), entryOf(next, 0)] as Record<string, unknown>[];
    return entryPatch(place, old as Record<string, unknown>, fresh as Record<string, unknown>);
  });
  const come = after.pieces.filter(({ id }) => !was.has(id)).map(({ order: _order, ...piece }) => piece as Piece);
  return [...rows, ...kept, ...appendEntries([...path, 'pieces'], before.pieces, come)];
}

/** An edit that makes a level's ground another. */
export const editGround = (level: Level, after: Ground, label: string): NamedEdit => ({
  label: `${label}, ${level.name}`,
  patch: groundPatch(['levels', level.id, 'ground'], level.ground, after),
});

/** Every sentence of a level that names one of these pieces: rules, its clock, its stars, its meetings. */
export function sentencesNaming(level: Level, ids: ReadonlySet<Id>, naming: Names): string[] {
  const inCondition = (condition: Condition): string[] => {
    const found: string[] = [];
    eachCondition(condition, (part) => {
      if ('reading' in part && namesOneOf(part.reading, ids)) found.push(conditionInWords(part, naming));
    });
    return found;
  };
  const inEffects = (effects: readonly Effect[]): string[] =>
    effects.flatMap((effect) => (namesOneOf(effect, ids) ? [effectInWords(effect, naming)] : []));
  return [
    ...level.rules.flatMap((rule) => [...inCondition(rule.when), ...inEffects(rule.then)]),
    ...conditionsBesideRules(level).flatMap(inCondition),
    ...(level.meetings?.zones ?? []).flatMap((zone) =>
      ids.has(zone) ? [`a meeting at ${naming.pieces[zone] ?? zone}`] : [],
    ),
  ];
}

/** The ground without pieces, and every sentence that names one of them; refused for the start. */
export function withoutPieces(
  project: Project,
  level: Level,
  ids: ReadonlySet<Id>,
): { ground: Ground; names: RemovalOfNames } | { refused: string } {
  const { ground } = level;
  if (ground.pieces.some(({ id, piece }) => piece === 'start' && ids.has(id)))
    return { refused: 'A ground has one start: move it instead.' };
  const isOne = (part: Reading | Effect): boolean => namesOneOf(part, ids);
  const names = withoutNames(project, { reading: isOne, effect: isOne, zone: (id) => ids.has(id), level });
  const pieces = ground.pieces
    .filter(({ id }) => !ids.has(id))
    .map((piece) =>
      // A latch no longer opens gates that are gone.
      piece.piece === 'latch' && piece.opens.some((gate) => ids.has(gate))
        ? { ...piece, opens: piece.opens.filter((gate) => !ids.has(gate)) }
        : piece,
    );
  return { ground: { ...ground, pieces }, names };
}

/** Losses of levels that take another's ground, in words; empty where there are none. */
export function lostByCopying(from: Level, to: Level, naming: Names): string[] {
  const kept = new Map(from.ground.pieces.map(({ id, piece }) => [id, piece]));
  const gone = new Set(to.ground.pieces.filter(({ id, piece }) => kept.get(id) !== piece).map(({ id }) => id));
  return [...new Set(sentencesNaming(to, gone, naming))];
}

/** Gives levels the ground of another, each as a whole: nothing of their own is left to be kept. */
export const copyGround = (from: Level, to: readonly Level[]): NamedEdit => ({
  label: `The ground of ${from.name} for ${to.length === 1 ? (to[0] as Level).name : `${to.length} levels`}`,
  patch: to.map(({ id }) => replaceAt(at('levels', id, 'ground'), levelEntryOf(from).ground)),
});
