import { makeBoutWorld, meetingOf, prepareBout } from '@stadion/core/play/bouts';
import { useMemo, type ReactNode } from 'react';
import { useFindings } from '../../answers/useFindings.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { QuietSheet } from '../../parts/QuietSheet.tsx';
import { BoutSentence } from '../../sentences/BoutSentence.tsx';
import { FindingNotes } from '../../sentences/FindingNote.tsx';
import { TryBout } from '../../sentences/TryBout.tsx';
import { BothSides } from './BothSides.tsx';
import { BoutOdds } from './BoutOdds.tsx';
import { HarmTable } from './HarmTable.tsx';

/** The bout that decides a level, with its numbers there. @param head over it, with what can be done there */
export function BoutView({ here, head }: { here: LevelContext; head: ReactNode }) {
  const { project, level, position, values, slotId } = here;
  const { bouts } = project;
  const findings = useFindings().filter((finding) => finding.slotId === slotId);
  const meeting = useMemo(
    () => bouts && level.bout && meetingOf({ bouts, slots: project.slots }, level.bout, position, values),
    [bouts, level.bout, values, position, project.slots],
  );
  const world = useMemo(() => bouts && meeting && makeBoutWorld(prepareBout(bouts, meeting)), [bouts, meeting]);
  return (
    <QuietSheet>
      {head}
      <div className="mt-2 text-[15px]">
        <BoutSentence here={here} />
      </div>
      <FindingNotes findings={findings} at={(path) => path.startsWith(`/levels/${level.id}/bout`)} />
      {bouts && meeting && world && world.fighters.length > world.ours ? (
        <>
          <BothSides world={world} />
          <HarmTable world={world} />
          <BoutOdds bouts={bouts} meeting={meeting} />
          <TryBout key={JSON.stringify(world.bout)} world={world} />
        </>
      ) : (
        <p className="py-2 text-ink-3">
          Nobody is there to be fought: the group is empty at this level. Change its counts on Kinds, In bouts.
        </p>
      )}
    </QuietSheet>
  );
}
