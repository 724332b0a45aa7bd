import type { Screen } from '../project/hooks.ts';

/** A key that a part of a screen takes while it has the focus. */
export interface PartKey {
  keys: string;
  does: string;
}

const NUMBER: PartKey = { keys: '↑ ↓ =', does: 'On a number: nudge (Shift: by ten), follow a parameter' };
const BORDER: PartKey = { keys: '← →', does: 'On the border of a tier: move where it begins' };

/** The keys of the parts of each screen; those of the whole screen are its shortcuts. */
export const PART_KEYS: Readonly<Record<Screen, readonly PartKey[]>> = {
  sequence: [NUMBER, BORDER],
  level: [NUMBER, BORDER],
  kinds: [NUMBER],
  bouts: [
    NUMBER,
    { keys: '1 … 9', does: 'In a bout by hand: choose' },
    { keys: 'Backspace', does: 'In a bout by hand: take the last choice back' },
  ],
  ramps: [
    NUMBER,
    BORDER,
    { keys: '↑ ↓ Delete', does: 'On a value of the open lane: pin it, let the ramp have it again' },
    { keys: '↑ ↓ ← →', does: 'On a handle: change its value and its level' },
    { keys: 'Shift ↑ ↓ ← →', does: 'In Numbers: mark a block; Enter types, Delete removes pins' },
    { keys: 'Alt ↓', does: 'In Numbers: fill the block with its first row' },
    { keys: 'Ctrl C, Ctrl V', does: 'In Numbers: copy and paste, with a spreadsheet too' },
  ],
  trials: [NUMBER],
  'hand-off': [],
  play: [],
};
