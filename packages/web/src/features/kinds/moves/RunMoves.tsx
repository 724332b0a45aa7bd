import { at } from '@stadion/core/edits';
import { jumpFacts, USUAL_RUN } from '@stadion/core/grounds';
import { resolveAmount } from '@stadion/core/rules';
import type { ReactNode } from 'react';
import type { LevelHere } from '../../../project/levelHere.ts';
import { AmountChip } from '../../../sentences/index.ts';
import { formatNumber } from '../../../ui/index.ts';
import { NoMoves } from './NoMoves.tsx';

/** How the player is carried forward, jumps and slides, with what comes of it in cells. */
export function RunMoves({ here }: { here: LevelHere }) {
  const { run } = here.project.player.moves;
  if (!run)
    return (
      <NoMoves here={here} kind="run" says="On a run it goes as usual." does="set how it runs" usual={USUAL_RUN} />
    );
  const number = (field: keyof typeof run): number => resolveAmount(run[field], here.values, here.placed);
  const facts = jumpFacts({
    gravity: number('gravity'),
    jumpHeight: number('jumpHeight'),
    speed: number('speed'),
    edgeGraceSeconds: number('edgeGraceSeconds'),
  });
  const chip = (
    field: keyof typeof run,
    label: string,
    limits: { step: number; min?: number; max: number; unit?: string },
  ): ReactNode => (
    <AmountChip
      here={here}
      label={label}
      amount={run[field]}
      path={at('player', 'moves', 'run', field)}
      min={0}
      {...limits}
    />
  );
  return (
    <div className="say">
      <span className="join">On a run it goes at</span>
      {chip('speed', 'Running speed', { step: 0.1, max: 25 })}
      <span className="join">units a second and is</span>
      {chip('tall', 'Height of the body', { step: 0.1, min: 0.2, max: 3 })}
      <span className="join">units tall, half of that while it slides; it jumps</span>
      {chip('jumpHeight', 'Jump height on a run', { step: 0.1, max: 40 })}
      <span className="join">units high under a pull of</span>
      {chip('gravity', 'Pull downwards on a run', { step: 1, max: 200 })}
      <span className="join">, and let go early it keeps</span>
      {chip('shortHop', 'Share of the rise kept when let go, on a run', { step: 0.05, max: 1 })}
      <span className="join">of its rise. A press counts</span>
      {chip('edgeGraceSeconds', 'Grace after an edge, on a run', { step: 0.01, max: 2, unit: 's' })}
      <span className="join">after an edge and</span>
      {chip('pressEarlySeconds', 'Early press before landing, on a run', { step: 0.01, max: 2, unit: 's' })}
      <span className="join">before landing;</span>
      {chip('jumpsInAir', 'Jumps in the air, on a run', { step: 1, max: 20 })}
      <span className="join">more in the air.</span>
      <span className="text-ink-2">
        {Number.isFinite(facts.seconds)
          ? `A jump lasts ${formatNumber(facts.seconds, 2)} s and goes ${formatNumber(facts.length, 1)} cells across.`
          : 'Without a pull a jump never ends.'}
      </span>
    </div>
  );
}
