import { cellAt, cellsIn, type Body } from '../../grid/index.ts';
import type { Piece } from '../../../document/model/index.ts';
import { mix } from '../../../basics/random/index.ts';
import type { Area, PreparedLevel } from '../level.ts';
import type { Figure } from '../mark.ts';
import type { AttemptState, PieceSort } from '../types.ts';
import { viewOf } from '../view.ts';
import { enemiesOf } from './enemies.ts';

interface PreparedGate extends Area {
  /** At the start. */
  open: boolean;
}

/** The gates of a level, in the order of the ground. */
export const gatesOf = ({ motion }: PreparedLevel): readonly PreparedGate[] =>
  motion.pieces.gate as readonly PreparedGate[];

/** Whether each gate closes as soon as nobody stands in it. */
const closingOf = (state: AttemptState): boolean[] => state.pieces.gate as boolean[];

/** Does a body stand in an area, with any part? */
const overlaps = ({ x, y, radius }: Body, area: Area): boolean =>
  x + radius > area.x && x - radius < area.x + area.width && y + radius > area.y && y - radius < area.y + area.height;

/** Does somebody stand in the gate? */
const isOccupied = (state: AttemptState, area: Area): boolean =>
  overlaps(state.body, area) || enemiesOf(state).all.some((enemy) => enemy.active && overlaps(enemy, area));

/** Opens a gate, or closes it as soon as nobody stands in it. */
export function setGate(state: AttemptState, index: number, open: boolean): void {
  const { gates } = state.observed;
  if (gates[index] === undefined) return;
  const closing = closingOf(state);
  closing[index] = false;
  if ((gates[index] === 1) === open) return;
  if (!open && isOccupied(state, gatesOf(state.world.level)[index] as PreparedGate)) {
    closing[index] = true;
    return;
  }
  gates[index] = open ? 1 : 0;
  state.view = viewOf(state.world, gates);
  // Chasers look for their way again: the remembered one may lie behind the gate.
  for (const enemy of enemiesOf(state).all) enemy.targetCell = cellAt(state.view.grid, enemy.x, enemy.y);
  const did = open ? 'opens' : 'closes';
  state.happenings.push({ tick: state.tick, what: 'piece', piece: 'gate', index, did });
}

/** Closed gates in which the player stands are open until it has stepped out. */
function openRound(state: AttemptState, gates: readonly PreparedGate[], closing: boolean[]): void {
  const { gates: open } = state.observed;
  let opened = false;
  gates.forEach((area, index) => {
    if (open[index] === 1 || !overlaps(state.body, area)) return;
    open[index] = 1;
    closing[index] = true;
    opened = true;
  });
  if (opened) state.view = viewOf(state.world, open);
}

/** To be called when the player has been put somewhere else. */
export const makeRoom = (state: AttemptState): void => openRound(state, gatesOf(state.world.level), closingOf(state));

/** Bars the way while it is closed. */
export const gate: PieceSort<Extract<Piece, { piece: 'gate' }>, PreparedGate, boolean[]> = {
  name: 'gate',
  subject: 'gate',
  prepare: ({ at, width, height, open }) => ({ x: at.x, y: at.y, width, height, open }),
  observe: (gates, seen) => gates.forEach(({ open }, index) => (seen.gates[index] = open ? 1 : 0)),
  bars: (area, grid) => cellsIn(grid, area),
  start(gates, state) {
    const closing = gates.map(() => false);
    openRound(state, gates, closing);
    return closing;
  },
  /** Closes the gates that waited for somebody to step out. */
  settle(state) {
    const closing = closingOf(state);
    for (let i = 0; i < closing.length; i++) if (closing[i]) setGate(state, i, false);
  },
  scene: (gates, _level, now) =>
    gates.map(({ x, y, width, height, open }, index) => {
      const isOpen = now ? now.state.observed.gates[index] === 1 : open;
      const frame: Figure = {
        is: 'rectangle',
        x: x + 0.08,
        y: y + 0.08,
        width: width - 0.16,
        height: height - 0.16,
        stroke: 'edit',
        line: 0.12,
        ...(isOpen ? { dash: [0.15, 0.2] } : {}),
      };
      const bars = isOpen ? 0 : Math.ceil((width - 0.2) / 0.4);
      return {
        key: `gate-${index}`,
        figures: [
          frame,
          ...Array.from({ length: bars }, (_, bar): Figure => ({
            is: 'rectangle',
            x: x + 0.2 + bar * 0.4,
            y: y + 0.1,
            width: 0.14,
            height: height - 0.2,
            fill: 'edit',
          })),
        ],
      };
    }),
  resets: {
    latches: (state) => gatesOf(state.world.level).forEach(({ open }, index) => setGate(state, index, open)),
  },
  hash: (state, hash) => closingOf(state).reduce((sum, closes) => mix(sum, closes ? 1 : 0), hash),
};
