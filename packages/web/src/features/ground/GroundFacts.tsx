import { heightOf, widthOf } from '@stadion/core/building';
import { at, replaceAt } from '@stadion/core/edits';
import { literal, type Pacer } from '@stadion/core/model';
import type { Gap } from '@stadion/core/attempt';
import type { Reach } from '@stadion/core/scene';
import { useEdit } from '../../project/hooks.ts';
import type { LevelHere } from '../../project/levelHere.ts';
import { formatNumber } from '../../ui/index.ts';
import type { WaysAnswer } from '../../workers/ways.worker.ts';
import { nameOfPiece } from './words.ts';

/** What a ground comes to: how far its furthest cell is, and whether everything can be reached. */
export function FactsOfGround({ here, reach, gaps }: { here: LevelHere; reach: Reach; gaps: readonly Gap[] }) {
  const { level } = here;
  const away = level.ground.pieces
    .filter(({ id }) => reach.unreachable.includes(id))
    .map((piece) => nameOfPiece(here, piece));
  return (
    <p className="h-[38px] shrink-0 overflow-y-auto text-ink-2">
      {widthOf(level.ground)} × {heightOf(level.ground)} cells, {level.ground.pieces.length}{' '}
      {level.ground.pieces.length === 1 ? 'piece' : 'pieces'}. The furthest cell is{' '}
      <b>{formatNumber(reach.furthest, 1)}</b> units from the start.{' '}
      {away.length === 0 ? (
        <>
          {reach.wanted === 0
            ? 'Nothing stands there to gather or to reach.'
            : reach.wanted === 1
              ? 'The one thing to gather or reach can be reached.'
              : `All ${reach.wanted} things to gather or reach can be reached.`}
        </>
      ) : (
        <b className="text-loss">Cannot be reached, whatever gates open: {away.join(', ')}.</b>
      )}
      <TightestGap gaps={gaps} />
    </p>
  );
}

/** How much the least forgiving gap forgives to one who comes running. */
function TightestGap({ gaps }: { gaps: readonly Gap[] }) {
  const jumped = gaps.filter(({ seconds }) => seconds > 0);
  const [tightest] = jumped.toSorted((one, other) => one.seconds - other.seconds);
  const beyond = gaps.length - jumped.length;
  if (gaps.length === 0) return null;
  return (
    <>
      {' '}
      {tightest ? (
        <>
          {gaps.length === 1 ? 'The gap' : `The tightest of ${gaps.length} gaps`}, {tightest.width} cells at column{' '}
          {tightest.x + 1}, forgives <b>{Math.round(tightest.seconds * 1000)} ms</b>.
        </>
      ) : null}
      {beyond === 0 ? null : beyond === 1 ? ' One gap cannot be jumped.' : ` ${beyond} gaps cannot be jumped.`}
    </>
  );
}

interface WaysProps {
  here: LevelHere;
  pacer: Pacer;
  ways: WaysAnswer | null;
}

/** Where players pass and the fastest of them. */
export function FactsOfWays({ here, pacer, ways }: WaysProps) {
  const edit = useEdit();
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
