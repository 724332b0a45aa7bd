import { cellAt } from '../../grid/index.ts';
import type { Piece } from '../../../document/model/index.ts';
import { mix, mixFloat } from '../../../basics/random/index.ts';
import type { LiveAmount } from '../../rules/index.ts';
import { asItIs, following, MOST } from '../following.ts';
import type { PreparedLevel } from '../level.ts';
import { markFigures, usualCollectableLook } from '../looks.ts';
import { isTouching } from '../touching.ts';
import type { AttemptState, PieceSort, World } from '../types.ts';

/** A piece to be gathered, made ready. */
interface PreparedCollectable {
  kind: number;
  worth: number;
  liveWorth?: LiveAmount;
  x: number;
  y: number;
  hidden: boolean;
}

export interface Collectable extends PreparedCollectable {
  gathered: boolean;
}

/** The collectables of one attempt. */
export interface Collectables {
  all: Collectable[];
  /** Indices of those to be gathered, in no order; the first `remainingCount` count. */
  remaining: number[];
  remainingCount: number;
}

/** The collectables within reach of some point of each cell; undefined for none. */
type Near = (number[] | undefined)[];

export const collectablesOf = (state: AttemptState): Collectables => state.pieces.collectable as Collectables;

const prepared = ({ motion }: PreparedLevel): readonly PreparedCollectable[] =>
  motion.pieces.collectable as readonly PreparedCollectable[];

/** Points that lie on the ground at the start, by kind of collectable, “any” last. */
export function worthAtStart(level: PreparedLevel): number[] {
  const any = level.motion.kindsOfCollectable;
  const worth = new Array<number>(any + 1).fill(0);
  for (const piece of prepared(level)) {
    if (piece.hidden) continue;
    for (const kind of [piece.kind, any]) worth[kind] = (worth[kind] as number) + piece.worth;
  }
  return worth;
}

/** Takes a piece off the ground: it is no more among those left. */
function takeAway(state: AttemptState, index: number): void {
  const mine = collectablesOf(state);
  const { remaining } = mine;
  const { left } = state.observed;
  remaining[remaining.indexOf(index)] = remaining[--mine.remainingCount] as number;
  for (const kind of [(mine.all[index] as Collectable).kind, left.length - 1]) left[kind] = (left[kind] as number) - 1;
}

/** Takes a piece off the ground and counts it. */
function take(state: AttemptState, index: number): void {
  const { observed, world } = state;
  const piece = collectablesOf(state).all[index] as Collectable;
  const any = world.level.motion.kindsOfCollectable;
  piece.gathered = true;
  takeAway(state, index);
  for (const kind of [piece.kind, any]) {
    observed.worth[kind] = (observed.worth[kind] as number) + piece.worth;
    observed.collected[kind] = (observed.collected[kind] as number) + 1;
  }
}

/** Lets a piece lie on the ground, to be gathered, and counts it as left. */
function putDown(state: AttemptState, index: number): void {
  const mine = collectablesOf(state);
  const { left } = state.observed;
  mine.remaining[mine.remainingCount++] = index;
  for (const kind of [(mine.all[index] as Collectable).kind, left.length - 1]) left[kind] = (left[kind] as number) + 1;
}

/** Lets a hidden piece appear. */
export function reveal(state: AttemptState, index: number): void {
  const piece = collectablesOf(state).all[index];
  if (!piece?.hidden) return;
  piece.hidden = false;
  putDown(state, index);
  state.happenings.push({ tick: state.tick, what: 'piece', piece: 'collectable', index, did: 'appears' });
}

/** Most ticks pass with nothing in reach: looking a cell up spares trying every piece. */
function piecesNear(pieces: readonly PreparedCollectable[], { grid, gatherReach: reach, half }: World): Near {
  const near: Near = new Array<number[] | undefined>(grid.walls.length).fill(undefined);
  pieces.forEach((piece, index) => {
    for (let row = Math.floor(piece.y - reach - half); row <= Math.floor(piece.y + reach + half); row++) {
      for (let column = Math.floor(piece.x - reach); column <= Math.floor(piece.x + reach); column++) {
        if (row < 0 || column < 0 || row >= grid.height || column >= grid.width) continue;
        (near[row * grid.width + column] ??= []).push(index);
      }
    }
  });
  return near;
}

/** Size of what is to be gathered, as it is drawn. Units. */
const DRAWN_RADIUS = 0.27;

/** Something to be gathered. */
export const collectable: PieceSort<Extract<Piece, { piece: 'collectable' }>, PreparedCollectable, Collectables> = {
  name: 'collectable',
  subject: 'piece',
  prepare: ({ kind: id, at, hidden }, preparing) => {
    const { project, resolving, number } = preparing;
    const kind = resolving.subjects.collectable.get(id) as number;
    const worth = project.kinds.collectables[kind]?.worth;
    return {
      kind,
      worth: worth ? number(worth) : 0,
      ...following('liveWorth', worth, preparing),
      x: at.x,
      y: at.y,
      hidden: hidden === true,
    };
  },
  gives: ({ kind, hidden }) => ({ kind, hidden: hidden === true }),
  observe(pieces, { left }) {
    for (const { kind, hidden } of pieces) {
      if (hidden) continue;
      left[kind] = (left[kind] as number) + 1;
      left[left.length - 1] = (left.at(-1) as number) + 1;
    }
  },
  ready: piecesNear,
  start(pieces) {
    const remaining = pieces.flatMap((piece, index) => (piece.hidden ? [] : [index]));
    const all = pieces.map((source) => ({ ...source, gathered: false }));
    return { all, remaining, remainingCount: remaining.length };
  },
  more(all, first, state) {
    const mine = collectablesOf(state);
    all.slice(first).forEach((source, index) => {
      mine.all.push({ ...source, gathered: false });
      if (!source.hidden) putDown(state, first + index);
    });
    state.world.ready.collectable = piecesNear(all, state.world);
  },
  letGo(state, x) {
    collectablesOf(state).all.forEach((piece, index) => {
      if (piece.hidden || piece.x >= x) return;
      if (!piece.gathered) takeAway(state, index);
      piece.hidden = true;
    });
  },
  begin(state, { gathered = [] }) {
    for (const index of gathered) {
      const piece = collectablesOf(state).all[index];
      if (!piece || piece.gathered) continue;
      if (piece.hidden) {
        piece.hidden = false;
        putDown(state, index);
      }
      take(state, index);
    }
  },
  contact(state) {
    const { body, world } = state;
    const near = (world.ready.collectable as Near)[cellAt(world.grid, body.x, body.y)];
    if (!near) return;
    const { all } = collectablesOf(state);
    for (let i = 0; i < near.length; i++) {
      const index = near[i] as number;
      const piece = all[index] as Collectable;
      if (piece.gathered || piece.hidden || !isTouching(state, piece)) continue;
      take(state, index);
      state.happenings.push({ tick: state.tick, what: 'piece', piece: 'collectable', index, did: 'gathered' });
    }
  },
  turn(state) {
    for (const piece of collectablesOf(state).all)
      piece.worth = asItIs(piece.worth, piece.liveWorth, state.dials, -MOST, MOST);
  },
  resets: {
    gathered(state) {
      const { observed } = state;
      const mine = collectablesOf(state);
      observed.worth.fill(0);
      observed.collected.fill(0);
      observed.left.fill(0);
      mine.remainingCount = 0;
      mine.all.forEach((piece, index) => {
        piece.gathered = false;
        if (!piece.hidden) putDown(state, index);
      });
    },
  },
  hash(state, hash) {
    const { all, remaining, remainingCount } = collectablesOf(state);
    for (const piece of all) {
      hash = mix(hash, piece.gathered ? 1 : piece.hidden ? 2 : 0);
      if (piece.liveWorth) hash = mixFloat(hash, piece.worth);
    }
    // Their order decides which of two that are equally good a player goes for.
    for (let i = 0; i < remainingCount; i++) hash = mix(hash, remaining[i] as number);
    return hash;
  },
  layer: 2,
  scene: (pieces, _level, now, looks) =>
    pieces.flatMap(({ x, y, kind, hidden }, index) => {
      const piece = now && collectablesOf(now.state).all[index];
      if (piece ? piece.gathered || piece.hidden : hidden) return [];
      return [
        {
          key: `collectable-${index}`,
          figures: markFigures(looks?.collectables[kind] ?? usualCollectableLook(kind), x, y, DRAWN_RADIUS),
        },
      ];
    }),
  kindOf: (state, index) => {
    const piece = collectablesOf(state).all[index];
    return piece && { of: 'collectables', kind: piece.kind };
  },
};
