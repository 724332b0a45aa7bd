import { runsAlongRow, type Gap } from '@stadion/core/play/attempt';
import { heightOf, widthOf } from '@stadion/core/authoring/building';
import { at, replaceAt } from '@stadion/core/authoring/edits';
import { literal, type Amount, type Id, type Pacer } from '@stadion/core/document/model';
import { resolveAmount } from '@stadion/core/play/rules';
import type { Reach } from '@stadion/core/play/scene';
import { useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { formatNumber } from '../../ui/index.ts';
import type { WaysAnswer } from '../../answers/engine/jobs/ways.ts';
import { nameOfPiece } from './words.ts';

/** Facts of a ground: the distance of its furthest cell, and whether everything can be reached. */
export function FactsOfGround({ here, reach, gaps }: { here: LevelContext; reach: Reach; gaps: readonly Gap[] }) {
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
            ? 'Nothing to gather or reach stands here.'
            : reach.wanted === 1
              ? 'The only thing to gather or reach can be reached.'
              : `All ${reach.wanted} things to gather or reach can be reached.`}
        </>
      ) : (
        <b className="text-loss">Cannot be reached, whatever gates open: {away.join(', ')}.</b>
      )}
      <TightestGap gaps={gaps} />
    </p>
  );
}

/** The lanes of a ground side by side, so that their speeds and gaps can be compared. */
export function LanesOfGround({ here, onHold }: { here: LevelContext; onHold: (id: Id) => void }) {
  const lanes = here.level.ground.pieces.flatMap((piece) => (piece.piece === 'lane' ? [piece] : []));
  if (lanes.length < 2) return null;
  const number = (amount: Amount): string => formatNumber(resolveAmount(amount, here.values, here.placed), 2);
  const line = (lane: (typeof lanes)[number]): number => Math.floor(runsAlongRow(lane) ? lane.at.y : lane.at.x) + 1;
  return (
    <table aria-label="Lanes of the ground" className="mt-1 max-w-[640px] shrink-0 text-[12.5px]">
      <thead className="text-left text-ink-3">
        <tr>
          {['lane', 'row or column', 'drives', 'units a second', 'spacing', 'a player there'].map((head) => (
            <th key={head} scope="col" className="pr-4 font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lanes
          .toSorted((one, other) => line(one) - line(other))
          .map((lane) => (
            <tr key={lane.id} className="border-t border-line">
              <td className="pr-4">
                <button type="button" className="link" onClick={() => onHold(lane.id)}>
                  {nameOfPiece(here, lane)}
                </button>
              </td>
              <td className="pr-4">{line(lane)}</td>
              <td className="pr-4">{lane.towards}</td>
              <td className="pr-4 font-semibold">{number(lane.speed)}</td>
              <td className="pr-4">
                {lane.spacing === 'seconds'
                  ? `one every ${number(lane.every)} s`
                  : `gaps of ${number(lane.every)} units`}
              </td>
              <td>{lane.carries ? 'is carried' : 'is touched'}</td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}

/** Time that the tightest gap forgives at full speed, and the gaps that are too wide. */
function TightestGap({ gaps }: { gaps: readonly Gap[] }) {
  const jumped = gaps.filter(({ seconds }) => seconds > 0);
  const [tightest] = jumped.toSorted((one, other) => one.seconds - other.seconds);
  const beyond = gaps.filter(({ seconds }) => seconds <= 0);
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
      {beyond[0] === undefined
        ? null
        : beyond.length === 1
          ? ` The gap of ${beyond[0].width} cells at column ${beyond[0].x + 1} cannot be jumped.`
          : ` ${beyond.length} gaps cannot be jumped, the first at column ${beyond[0].x + 1}.`}
    </>
  );
}

interface WaysProps {
  here: LevelContext;
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
