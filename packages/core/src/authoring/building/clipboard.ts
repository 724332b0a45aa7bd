import {
  freshId,
  KINDS_OF_PIECE,
  literal,
  Limits,
  PieceEntry,
  type Amount,
  type Ground,
  type Id,
  type MintId,
  type Piece,
  type Project,
} from '../../document/model/index.ts';
import type { Values } from '../../document/ramps/index.ts';
import { resolveAmount } from '../../play/rules/index.ts';
import { boxOf, moved } from './shape.ts';
import type { Cell } from './cells.ts';

/** The first line of what is copied, so that it is known again wherever it has been. */
const HEAD = 'Stadion pieces';

interface Copied {
  pieces: unknown[];
  /** Names of the kinds, by id, so that another project knows what is meant. */
  kinds: Record<string, string>;
  /** Values of the parameters that are followed. */
  values: Record<string, number>;
}

const AMOUNTS = ['howMany', 'firstAfterSeconds', 'everySeconds', 'speed', 'reach'] as const;

/** Amounts of a piece, by the names of their fields. */
const amountsOf = (piece: Piece): [string, Amount][] =>
  AMOUNTS.flatMap((name): [string, Amount][] => {
    const amount = (piece as unknown as Record<string, Amount | undefined>)[name];
    return amount ? [[name, amount]] : [];
  });

/** Pieces as text that can be pasted: into this ground, another level, another project, or a message to somebody. */
export function copiedText(project: Project, pieces: readonly Piece[], values: Values): string {
  const kinds: Record<string, string> = {};
  const followed: Record<string, number> = {};
  for (const piece of pieces) {
    const list = KINDS_OF_PIECE[piece.piece];
    const kind = list && 'kind' in piece && project.kinds[list].find(({ id }) => id === piece.kind);
    if (kind) kinds[kind.id] = kind.name;
    for (const [, amount] of amountsOf(piece))
      if (amount.from === 'parameter') followed[amount.parameter] = values[amount.parameter] ?? 0;
  }
  const copied: Copied = { pieces: [...pieces], kinds, values: followed };
  return `${HEAD}\n${JSON.stringify(copied, null, 1)}`;
}

/** Result of a paste. */
export interface Pasted {
  ground: Ground;
  /** Ids of what has come. */
  ids: Id[];
  /** Omissions and changes, in words. */
  dropped: string[];
}

function read(text: string): Copied | string {
  const body = text.trim();
  const nothing =
    'This is no copy of pieces. Copy some on a ground with Ctrl C, or paste a block of text under As text.';
  if (!body.startsWith(HEAD)) return nothing;
  try {
    const copied = JSON.parse(body.slice(HEAD.length)) as Partial<Copied>;
    if (!Array.isArray(copied.pieces)) return nothing;
    return { pieces: copied.pieces, kinds: copied.kinds ?? {}, values: copied.values ?? {} };
  } catch {
    return 'The copied text is not whole: copy it again from its first line to its last.';
  }
}

/**
 * A ground with copied pieces on it, the upper left one at a cell. Kinds are known by id, else by name; what this project
 * does not know is left out and told. Latches keep their gates where those come along, or stand on this ground.
 *
 * @returns why it cannot be pasted, as text
 */
export function pasted(
  project: Project,
  ground: Ground,
  text: string,
  at: Cell,
  mint: MintId = freshId,
): Pasted | string {
  const copied = read(text);
  if (typeof copied === 'string') return copied;
  const dropped: string[] = [];
  const whole = copied.pieces.flatMap((entry): Piece[] => {
    const { id, ...rest } = (entry ?? {}) as Record<string, unknown>;
    const parsed = PieceEntry.safeParse({ order: 1, ...rest });
    if (!parsed.success || typeof id !== 'string') {
      dropped.push('a piece that cannot be read');
      return [];
    }
    const { order: _order, ...piece } = parsed.data;
    return [{ ...piece, id } as Piece];
  });
  const pieces = whole.flatMap((piece) => known(project, piece, copied, dropped));
  if (pieces.length === 0) return `Nothing could be pasted${dropped.length > 0 ? `: ${dropped.join('; ')}` : ''}.`;
  if (ground.pieces.length + pieces.length > Limits.pieces)
    return `At most ${Limits.pieces} pieces on a ground: this has ${ground.pieces.length}, ${pieces.length} would come. Nothing was pasted.`;

  const left = Math.min(...pieces.map((piece) => Math.floor(boxOf(piece).x)));
  const top = Math.min(...pieces.map((piece) => Math.floor(boxOf(piece).y)));
  const taken = new Set(ground.pieces.map(({ id }) => id));
  const renamed = new Map<string, Id>();
  for (const { id } of pieces) {
    const fresh = mint(id, taken);
    taken.add(fresh);
    renamed.set(id, fresh);
  }
  const gates = new Set(ground.pieces.flatMap((piece) => (piece.piece === 'gate' ? [piece.id] : [])));
  const come = pieces.map((piece): Piece => {
    const next = moved(piece, ground, at.x - left, at.y - top);
    next.id = renamed.get(piece.id) as Id;
    if (next.piece !== 'latch') return next;
    const opens = next.opens.flatMap((gate): Id[] => {
      const here = renamed.get(gate) ?? (gates.has(gate) ? gate : undefined);
      if (here === undefined) dropped.push(`a gate that ${next.name} opened elsewhere`);
      return here === undefined ? [] : [here];
    });
    return { ...next, opens };
  });
  return { ground: { ...ground, pieces: [...ground.pieces, ...come] }, ids: come.map(({ id }) => id), dropped };
}

/** A piece as this project can have it: one, or none. */
function known(project: Project, piece: Piece, { kinds, values }: Copied, dropped: string[]): Piece[] {
  if (piece.piece === 'start') {
    dropped.push('the start: a ground has one');
    return [];
  }
  const next = { ...piece } as Piece & Record<string, unknown>;
  const list = KINDS_OF_PIECE[piece.piece];
  if (list && 'kind' in piece) {
    const name = kinds[piece.kind];
    const kind =
      project.kinds[list].find(({ id }) => id === piece.kind) ?? project.kinds[list].find((one) => one.name === name);
    if (!kind) {
      dropped.push(`${name ?? piece.kind}: this project has no such kind`);
      return [];
    }
    (next as { kind: Id }).kind = kind.id;
  }
  for (const [field, amount] of amountsOf(piece)) {
    if (amount.from !== 'parameter' || project.parameters.some(({ key }) => key === amount.parameter)) continue;
    (next as Record<string, unknown>)[field] = literal(resolveAmount(amount, values, { count: {}, worth: {} }));
    dropped.push(`the parameter ${amount.parameter}: its value was taken`);
  }
  return [next];
}
