import { Suspense, useMemo } from 'react';
import { ForecastPanel } from '../features/forecast/ForecastPanel.tsx';
import { LevelHead } from '../features/level/LevelHead.tsx';
import { LevelSheet } from '../features/level/LevelSheet.tsx';
import { FirstStep } from '../parts/FirstStep.tsx';
import { useSelection } from '../address/address.ts';
import { usePacer, useProject } from '../store/hooks.ts';
import { levelHere, type LevelContext } from '../readings/levelContext.ts';
import { useForecast } from '../answers/useForecast.ts';
import { part } from './parts.ts';
import { Waiting } from './Waiting.tsx';

const BoutView = part(async () => (await import('../features/bouts/BoutView.tsx')).BoutView);
const GroundView = part(async () => (await import('../features/ground/GroundView.tsx')).GroundView);
const Movers = part(async () => (await import('../features/movers/Movers.tsx')).Movers);
const Tuning = part(async () => (await import('../features/tuning/Tuning.tsx')).Tuning);

/** One side of the selected level, and what it leads to. */
export function LevelPage() {
  const project = useProject();
  const { position } = useSelection();
  const here = useMemo(() => levelHere(project, position), [project, position]);
  return here ? <Level here={here} /> : <FirstStep />;
}

function Level({ here }: { here: LevelContext }) {
  const { view } = useSelection();
  const live = useForecast(here.project, here.position, usePacer());
  return (
    <main className="flex min-h-0 min-w-0 grow">
      <Suspense fallback={<Waiting />}>
        {view === 'ground' && here.level.bout ? (
          <BoutView key={here.slotId} here={here} head={<LevelHead here={here} />} />
        ) : view === 'ground' ? (
          <GroundView
            key={here.slotId}
            here={here}
            forecast={live.forecast}
            head={(acts) => <LevelHead here={here}>{acts}</LevelHead>}
          />
        ) : (
          <LevelSheet key={here.slotId} here={here} />
        )}
      </Suspense>
      <ForecastPanel here={here} live={live}>
        <Suspense>
          <Movers />
          <Tuning slotId={here.slotId} />
        </Suspense>
      </ForecastPanel>
    </main>
  );
}
