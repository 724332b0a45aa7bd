import { NUMBER_KEYS, type ScreenDescription } from '../../address/screen.ts';

export const trialsScreen: ScreenDescription = {
  path: 'trials',
  tab: 'Trials',
  key: '5',
  does: 'Trials screen',
  partKeys: [NUMBER_KEYS],
  load: async () => (await import('./TrialsScreen.tsx')).TrialsScreen,
};
