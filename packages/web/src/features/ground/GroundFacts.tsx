import { at, replaceAt } from '@stadion/core/edits';
import type { Pacer } from '@stadion/core/model';
import { literal } from '@stadion/core/model';
import type { Reach } from '@stadion/core/scene';
import { useEffect } from 'react';
import { useEdit } from '../../project/hooks.ts';
import type { LevelHere } from '../../project/levelHere.ts';
import { formatNumber } from '../../ui/index.ts';
import type { WaysAnswer } from '../../workers/ways.worker.ts';
import { nameOfPiece } from './words.ts';
import { useWays } from './useWays.ts';

/** What a ground comes to: how far its furthest cell is, and whether everything can be reached. */
export function FactsOfGround({ here, reach }: { here: LevelHere; reach: Reach }) {
  const { level } = here;
  const away = level.ground.pieces
    .filter(({ id }) => reach.unreachable.includes(id))
    .map((piece) => nameOfPiece(here, piece));
  return (
    <p className="text-ink-2">
      {level.ground.rows[0]?.length ?? 0} × {level.ground.rows.length} cells, {level.ground.pieces.length} pieces. The
      furthest cell is <b>{formatNumber(reach.furthest, 1)}</b> units from the start.{' '}
      {away.length === 0 ? (
        <>All {reach.wanted} things to come to can be reached.</>
      ) : (
        <b className="text-loss">Cannot be reached, even with all gates open: {away.join(', ')}.</b>
      )}
    </p>
  );
}

interface WaysProps {
  here: LevelHere;
  pacer: Pacer;
  ways: WaysAnswer | null;
  onWays: (ways: WaysAnswer | null) => void;
}

/** Where players pass and the fastest of them, worked out while it is looked at. */
export function FactsOfWays({ here, pacer, ways, onWays }: WaysProps) {
  const edit = useEdit();
  const answer = useWays(here.project, here.position, pacer);
  useEffect(() => onWays(answer), [answer, onWays]);
  if (!ways) return <p className="text-ink-3">The first ways are being gone…</p>;
  const { fastest, played, tried } = ways;
  const par = fastest && Math.ceil(fastest.seconds);
  return (
    <p className="text-ink-2">
      {played} attempts of {pacer.name} show where they pass.{' '}
      {fastest && par !== null ? (
        <>
          The fastest of {tried} players without faults takes <b>{formatNumber(fastest.seconds, 1)} s</b>.{' '}
          <button
            type="button"
            className="link"
            onClick={() =>
              edit({
                label: `Par of ${here.level.name} to ${par} s`,
                patch: [replaceAt(at('levels', here.level.id, 'clock', 'parSeconds'), literal(par))],
              })
            }
          >
            Make {par} s the par
          </button>
        </>
      ) : (
        <>None of {tried} players without faults has cleared it.</>
      )}
    </p>
  );
}
