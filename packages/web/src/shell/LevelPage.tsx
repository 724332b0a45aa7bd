import { ForecastPanel } from '../features/forecast/ForecastPanel.tsx';
import { LevelSheet } from '../features/level/LevelSheet.tsx';
import { Movers } from '../features/movers/Movers.tsx';
import { useSelection } from '../project/hooks.ts';
import { FirstStep } from '../project/FirstStep.tsx';

/** All that holds at the selected slot, and what it leads to. */
export function LevelPage() {
  const { position } = useSelection();
  if (position === 0) return <FirstStep />;
  return (
    <main className="flex min-h-0 grow">
      <LevelSheet />
      <ForecastPanel>
        <Movers />
      </ForecastPanel>
    </main>
  );
}
