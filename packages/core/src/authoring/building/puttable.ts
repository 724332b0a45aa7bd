import { PIECES } from '../../play/attempt/index.ts';
import { groundKindOf } from '../../play/movement/index.ts';
import {
  isBarredOn,
  type Ground,
  type Id,
  type Piece,
  type PieceName,
  type Project,
} from '../../document/model/index.ts';
import { CELLS, type CellName } from './cells.ts';

/** A thing that can be put on a ground: a sort of piece, of a kind where the sort has kinds. */
export interface Puttable {
  /** Names it among all. @example 'spawner hornet' */
  key: string;
  /** In words. @example 'Hornet spawner' */
  label: string;
  piece: PieceName;
  kind?: Id;
  /** Put along the way of the pointer, spanned over an area, or put one at a time. */
  by: 'way' | 'area' | 'one';
}

const PLAIN: readonly Puttable[] = [
  { key: 'start', label: 'Start', piece: 'start', by: 'one' },
  { key: 'goal', label: 'Goal', piece: 'goal', by: 'area' },
  { key: 'zone', label: 'Zone', piece: 'zone', by: 'area' },
  { key: 'checkpoint', label: 'Checkpoint', piece: 'checkpoint', by: 'one' },
  { key: 'latch', label: 'Latch', piece: 'latch', by: 'one' },
  { key: 'gate', label: 'Gate', piece: 'gate', by: 'area' },
];

/** Everything that can be put on a kind of ground, in the order in which it is offered. */
export const puttablesOn = (project: Pick<Project, 'kinds'>, on: Ground['kind']): Puttable[] =>
  puttables(project).filter(({ piece }) => (PIECES[piece].onlyOn?.includes(on) ?? true) && !isBarredOn(on, piece));

/** Sorts of cells of a kind of ground. */
export const cellsOn = (on: Ground['kind']): CellName[] =>
  (Object.keys(CELLS) as CellName[]).filter((cell) => groundKindOf(on).cells.includes(CELLS[cell]));

/** Everything that can be put on the grounds of a project, in the order in which it is offered. */
export function puttables({ kinds }: Pick<Project, 'kinds'>): Puttable[] {
  const of = (piece: PieceName, list: readonly { id: Id; name: string }[], by: Puttable['by'], noun = ''): Puttable[] =>
    list.map(({ id, name }) => ({ key: `${piece} ${id}`, label: `${name}${noun}`, piece, kind: id, by }));
  return [
    ...PLAIN,
    ...of('collectable', kinds.collectables, 'way'),
    ...of('enemy', kinds.enemies, 'one'),
    ...of('spawner', kinds.enemies, 'one', ' spawner'),
    ...of('hazard', kinds.hazards, 'area'),
    ...of('emitter', kinds.hazards, 'one', ' emitter'),
    ...of('lane', kinds.enemies, 'one', ' lane'),
  ];
}

/** The key of what a piece is, among all that can be put. */
export const keyOf = (piece: Piece): string => ('kind' in piece ? `${piece.piece} ${piece.kind}` : piece.piece);
