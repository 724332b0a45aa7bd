import { RampsScreen } from '../../features/ramps/RampsScreen.tsx';

export function RampsPage() {
  return <RampsScreen />;
}
