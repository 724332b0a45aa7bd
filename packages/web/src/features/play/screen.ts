import { type ScreenDescription } from '../../project/screen.ts';

export const playScreen: ScreenDescription = {
  path: 'play',
  key: 'P',
  does: 'Play the level',
  partKeys: [],
  load: async () => (await import('./PlayScreen.tsx')).PlayScreen,
};
