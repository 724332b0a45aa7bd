import { PlayScreen } from '../../features/play/PlayScreen.tsx';

export function PlayPage() {
  return <PlayScreen />;
}
