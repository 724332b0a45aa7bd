import { startBouts } from '@stadion/core/authoring/edits';
import { useMemo } from 'react';
import { useSelection } from '../../address/address.ts';
import { useEdit, useProject } from '../../store/hooks.ts';
import { levelHere } from '../../readings/levelContext.ts';
import { KindsSwitch } from '../../parts/KindsSwitch.tsx';
import { FirstStep } from '../../parts/FirstStep.tsx';
import { QuietSheet } from '../../parts/QuietSheet.tsx';
import { Button } from '../../ui/index.ts';
import { ActionRows } from './ActionRows.tsx';
import { FighterRows } from './FighterRows.tsx';
import { GrowthRows } from './GrowthRows.tsx';
import { HowItGoes } from './HowItGoes.tsx';
import { ElementRows, GroupRows, StatisticRows } from './ListRows.tsx';
import { PacingRows } from './Pacing.tsx';
import { MeetingSheet } from './MeetingSheet.tsx';

/** Fights by turns: the meetings with their results, then the fighters. */
export function BoutsScreen() {
  const project = useProject();
  const { position } = useSelection();
  const edit = useEdit();
  const here = useMemo(() => levelHere(project, position), [project, position]);
  if (!here) return <FirstStep />;
  const { bouts, words } = project;
  if (!bouts)
    return (
      <main className="grow p-10">
        <KindsSwitch shows="bouts" />
        <h1 className="mt-4">No fights yet</h1>
        <p className="my-2 max-w-xl text-ink-2">
          A bout is a fight by turns: a party meets a group of enemies, each does one thing at a time, and formulas of
          your own say how much it does. The first one comes with usual statistics, one action, and one on either side.
        </p>
        <Button look="main" onClick={() => edit(startBouts(words.player[0]!.toUpperCase() + words.player.slice(1)))}>
          Add the first fight
        </Button>
      </main>
    );
  const shared = { here, bouts };
  return (
    <main className="flex min-h-0 min-w-0 grow">
      <QuietSheet>
        <div className="flex items-baseline gap-3">
          <h1>Bouts</h1>
          <KindsSwitch shows="bouts" />
          <p className="grow text-ink-2">
            Fights by turns. A number that follows a ramp is shown as it is at level {position}.
          </p>
        </div>
        <MeetingSheet {...shared} />
        <PacingRows {...shared} />
        <GrowthRows {...shared} />
        <FighterRows {...shared} />
        <ActionRows {...shared} />
        <GroupRows {...shared} />
        <HowItGoes {...shared} />
        <StatisticRows {...shared} />
        <ElementRows {...shared} />
      </QuietSheet>
    </main>
  );
}
