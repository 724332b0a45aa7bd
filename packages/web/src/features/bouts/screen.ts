import { NUMBER_KEYS, type ScreenDescription } from '../../address/screen.ts';

export const boutsScreen: ScreenDescription = {
  path: 'bouts',
  under: 'kinds',
  key: 'B',
  does: 'Bouts screen',
  partKeys: [
    NUMBER_KEYS,
    { keys: '1 … 9', does: 'In a bout by hand: choose' },
    { keys: 'Backspace', does: 'In a bout by hand: take the last choice back' },
  ],
  load: async () => (await import('./BoutsScreen.tsx')).BoutsScreen,
};
