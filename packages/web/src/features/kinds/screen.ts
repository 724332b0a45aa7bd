import { NUMBER_KEYS, type ScreenDescription } from '../../address/screen.ts';

export const kindsScreen: ScreenDescription = {
  path: 'kinds',
  tab: 'Kinds',
  key: '3',
  does: 'Kinds screen',
  partKeys: [NUMBER_KEYS],
  load: async () => (await import('./KindsScreen.tsx')).KindsScreen,
};
