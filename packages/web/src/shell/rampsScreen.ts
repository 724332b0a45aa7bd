import { NUMBER_KEYS, BORDER_KEYS, type ScreenDescription } from '../address/screen.ts';

export const rampsScreen: ScreenDescription = {
  path: 'ramps',
  tab: 'Ramps',
  key: '4',
  does: 'Ramps screen',
  partKeys: [
    NUMBER_KEYS,
    BORDER_KEYS,
    { keys: '↑ ↓ Delete', does: 'On a value of the open lane: pin it, remove the pin' },
    { keys: '↑ ↓ ← →', does: 'On a handle: change its value and its level' },
    { keys: 'Shift ↑ ↓ ← →', does: 'In Numbers: mark a block; Enter types, Delete removes pins' },
    { keys: 'Alt ↓', does: 'In Numbers: fill the block with its first row' },
    { keys: 'Ctrl C, Ctrl V', does: 'In Numbers: copy and paste, with a spreadsheet too' },
  ],
  load: async () => (await import('./RampsPage.tsx')).RampsPage,
};
