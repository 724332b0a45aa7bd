import { NUMBER_KEYS, BORDER_KEYS, type ScreenDescription } from '../address/screen.ts';

export const levelScreen: ScreenDescription = {
  path: 'level',
  tab: 'Level',
  key: '2',
  does: 'Level screen',
  partKeys: [NUMBER_KEYS, BORDER_KEYS],
  load: async () => (await import('./LevelPage.tsx')).LevelPage,
};
