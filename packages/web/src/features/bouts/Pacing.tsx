import { LEAST_SEEN, meetingsAlong, MOST_BOUTS_TO_A_LEVEL, pacingOf } from '@stadion/core/play/bouts';
import { useMemo, type ReactNode } from 'react';
import { useColumns } from '../../columns/columns.ts';
import { useGoto } from '../../address/address.ts';
import { SelectedColumn, SlotRow } from '../../columns/SlotRow.tsx';
import { formatNumber } from '../../ui/index.ts';
import { MeetingsHere } from './MeetingsHere.tsx';
import { Part, type BoutsHere } from './shared.tsx';
import { TravelTable, useTravel } from './Travel.tsx';

const ROW = 24;

/** Whom a party meets at this level, and what that comes to along the sequence. */
export function PacingRows({ here, bouts }: BoutsHere) {
  return (
    <Part title="Meetings and pacing" says="As if every fight is fought and won. Below: as each pacer plays.">
      <MeetingsHere here={here} bouts={bouts} />
      <PacingTable here={here} bouts={bouts} />
    </Part>
  );
}

function PacingTable({ here, bouts }: BoutsHere) {
  const { project, position } = here;
  const columns = useColumns();
  const goto = useGoto();
  const places = useMemo(() => meetingsAlong(project), [project]);
  const pacing = useMemo(() => pacingOf(bouts, places), [bouts, places]);
  const { journeys, stale, done } = useTravel(project);
  const things = [...(pacing.at(-1)?.things.keys() ?? [])];
  const row = (head: string, cell: (index: number) => ReactNode) => (
    <SlotRow
      columns={columns}
      height={ROW}
      head={<span className="block truncate text-[12px] leading-6 text-ink-2">{head}</span>}
      cell={(at) => <span className="num block text-center text-[12px] leading-6">{cell(at - 1)}</span>}
    />
  );
  const isNew = (along: readonly { level: number }[], index: number): boolean =>
    along[index]?.level !== (along[index - 1]?.level ?? 1);
  return (
    <>
      <div role="table" aria-label="Pacing" className="relative -mx-[22px] py-1">
        <SelectedColumn columns={columns} position={position} />
        {row('Level', (index) => (
          <button
            type="button"
            className="link"
            aria-label={`Go to level ${index + 1}`}
            onClick={() => goto({ slotId: project.slots[index]?.id })}
          >
            {index + 1}
          </button>
        ))}
        {row('Meetings', (index) => (places[index]!.meetings === 0 ? '' : formatNumber(places[index]!.meetings)))}
        {row('Experience of one', (index) =>
          places[index]!.meetings === 0 ? '' : formatNumber(Math.round(places[index]!.gain.experience)),
        )}
        {row('Party level after', (index) => (
          <span className={isNew(pacing, index) ? 'font-semibold' : 'text-ink-3'}>{pacing[index]?.level}</span>
        ))}
        {row('Bouts to the next', (index) => {
          const { boutsToNext = Number.POSITIVE_INFINITY } = pacing[index] ?? {};
          if (places[index]!.meetings === 0) return '';
          return (
            <span className={boutsToNext > MOST_BOUTS_TO_A_LEVEL ? 'text-loss' : ''}>
              {Number.isFinite(boutsToNext) ? boutsToNext : 'never'}
            </span>
          );
        })}
        {row('Coins by then', (index) => formatNumber(Math.round(pacing[index]?.coins ?? 0)))}
        {things.map((thing) => (
          <div key={thing} role="presentation">
            {row(`${thing}, %`, (index) => {
              const chance = pacing[index]?.things.get(thing);
              if (chance === undefined) return '';
              const isRare = index === pacing.length - 1 && chance < LEAST_SEEN;
              return <span className={isRare ? 'text-loss' : ''}>{Math.round(chance * 100)}</span>;
            })}
          </div>
        ))}
        {journeys.map(({ id, name, along }, index) => (
          <div
            key={id}
            role="presentation"
            className={`${stale ? 'opacity-60' : ''} ${index === 0 ? 'mt-1 border-t border-line pt-1' : ''}`}
          >
            {row(`Party level, ${name}`, (index) => (
              <span className={isNew(along, index) ? 'font-semibold' : 'text-ink-3'}>{along[index]?.level ?? '…'}</span>
            ))}
          </div>
        ))}
      </div>
      <div className={stale ? 'opacity-60' : ''} aria-busy={!done}>
        <TravelTable journeys={journeys} things={things} />
      </div>
    </>
  );
}
