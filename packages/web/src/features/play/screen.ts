import { type ScreenDescription } from '../../address/screen.ts';

export const playScreen: ScreenDescription = {
  path: 'play',
  key: 'P',
  does: 'Play the level',
  partKeys: [],
  load: async () => (await import('./PlayScreen.tsx')).PlayScreen,
};
