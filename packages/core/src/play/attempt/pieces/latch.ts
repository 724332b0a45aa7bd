import type { Piece } from '../../../document/model/index.ts';
import type { PreparedLevel } from '../level.ts';
import { isTouching } from '../touching.ts';
import type { AttemptState, PieceSort } from '../types.ts';
import { setGate } from './gate.ts';

interface PreparedLatch {
  x: number;
  y: number;
  /** Indices of the gates that it opens. */
  opens: number[];
}

/** The latches of a level, in the order of the ground. */
export const latchesOf = ({ motion }: PreparedLevel): readonly PreparedLatch[] =>
  motion.pieces.latch as readonly PreparedLatch[];

function turnOn(state: AttemptState, index: number): void {
  state.observed.latches[index] = 1;
  for (const gate of latchesOf(state.world.level)[index]?.opens ?? []) setGate(state, gate, true);
}

/** Opens gates when it is first touched; it acts once, however often it is touched. */
export const latch: PieceSort<Extract<Piece, { piece: 'latch' }>, PreparedLatch> = {
  name: 'latch',
  subject: 'latch',
  prepare: ({ at, opens }, { resolving }) => ({
    x: at.x,
    y: at.y,
    opens: opens.map((gate) => resolving.subjects.gate.get(gate) as number),
  }),
  begin(state, { latches = [] }) {
    for (const index of latches) if (state.observed.latches[index] !== undefined) turnOn(state, index);
  },
  contact(state) {
    const latches = latchesOf(state.world.level);
    for (let i = 0; i < latches.length; i++) {
      if (state.observed.latches[i] === 1 || !isTouching(state, latches[i] as PreparedLatch)) continue;
      state.happenings.push({ tick: state.tick, what: 'piece', piece: 'latch', index: i, did: 'is on' });
      turnOn(state, i);
    }
  },
  scene: (latches, _level, now) =>
    latches.map(({ x, y }, index) => {
      const isOn = now?.state.observed.latches[index] === 1;
      return {
        key: `latch-${index}`,
        figures: [
          {
            is: 'rectangle',
            x: x - 0.26,
            y: y - 0.26,
            width: 0.52,
            height: 0.52,
            fill: isOn ? 'edit' : 'sheet',
            stroke: 'edit',
            line: 0.1,
          },
          { is: 'line', points: [x, y, x + (isOn ? 0.3 : -0.3), y - 0.42], stroke: 'edit', line: 0.1 },
        ],
      };
    }),
  resets: { latches: (state) => void state.observed.latches.fill(0) },
};
