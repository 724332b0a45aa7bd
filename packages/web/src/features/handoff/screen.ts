import { type ScreenDescription } from '../../address/screen.ts';

export const handoffScreen: ScreenDescription = {
  path: 'hand-off',
  tab: 'Hand-off',
  key: '6',
  does: 'Hand-off screen',
  partKeys: [],
  load: async () => (await import('./HandoffScreen.tsx')).HandoffScreen,
};
