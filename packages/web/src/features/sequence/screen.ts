import { NUMBER_KEYS, BORDER_KEYS, type ScreenDescription } from '../../address/screen.ts';

export const sequenceScreen: ScreenDescription = {
  path: 'sequence',
  tab: 'Sequence',
  key: '1',
  does: 'Sequence screen',
  partKeys: [NUMBER_KEYS, BORDER_KEYS],
  load: async () => (await import('./SequenceScreen.tsx')).SequenceScreen,
};
