import { LEAST_SEEN, meetingsAlong, MOST_BOUTS_TO_A_LEVEL, pacingOf } from '@stadion/core/bouts';
import { at, setMeetings, setOptional } from '@stadion/core/edits';
import { literal, type Meetings } from '@stadion/core/model';
import { useMemo, type ReactNode } from 'react';
import { useColumns } from '../../project/columns.ts';
import { useEdit, useGoto } from '../../project/hooks.ts';
import { SelectedColumn, SlotRow } from '../../project/SlotRow.tsx';
import { AmountChip } from '../../sentences/index.ts';
import { ChoiceChip, formatNumber, formatPercent, NumberChip } from '../../ui/index.ts';
import { Part, type BoutsHere } from './shared.tsx';

const ROW = 24;

/** Whom a party meets at this level, and what that comes to along the sequence. */
export function PacingRows({ here, bouts }: BoutsHere) {
  return (
    <Part title="Meetings and pacing" says="If every meeting is fought and won.">
      <MeetingsHere here={here} bouts={bouts} />
      <PacingTable here={here} bouts={bouts} />
    </Part>
  );
}

function MeetingsHere({ here, bouts }: BoutsHere) {
  const edit = useEdit();
  const { level, position } = here;
  const { meetings } = level;
  const [first] = bouts.groups;
  if (!meetings)
    return (
      <p className="say py-1.5">
        Level {position}, {level.name}, meets nobody on its way.{' '}
        {first ? (
          <button
            type="button"
            className="link"
            onClick={() =>
              edit(
                setMeetings(level, {
                  ...{ groups: { [first.id]: 1 }, many: literal(2), mayWithdraw: true, whenLost: 'goOn' },
                }),
              )
            }
          >
            + meetings
          </button>
        ) : null}
      </p>
    );
  const path = at('levels', level.id, 'meetings');
  const set = (next: Partial<Meetings>): void => edit(setMeetings(level, { ...meetings, ...next }));
  const met = bouts.groups.filter(({ id }) => Object.hasOwn(meetings.groups, id));
  const others = bouts.groups.filter(({ id }) => !Object.hasOwn(meetings.groups, id));
  const total = met.reduce((sum, { id }) => sum + (meetings.groups[id] ?? 0), 0);
  return (
    <div className="act-row say py-1.5">
      <span className="join">
        Level {position}, {level.name}, has about
      </span>
      <AmountChip
        here={here}
        label="Meetings"
        amount={meetings.many}
        path={`${path}/many`}
        step={1}
        min={0}
        max={100}
        quiet
      />
      <span className="join">meetings:</span>
      {met.map(({ id, name }) => {
        const share = meetings.groups[id] ?? 0;
        const setShare = (next: number | undefined): void =>
          edit({
            label: `${name} in ${level.name}`,
            patch: setOptional(`${path}/groups/${id}`, meetings.groups[id], next),
          });
        return (
          <span key={id} className="inline-flex items-center gap-1.5">
            <NumberChip
              label={`Share of ${name} among the meetings`}
              value={share}
              scale={100}
              unit="%"
              step={0.1}
              min={0}
              max={1}
              onCommit={setShare}
              {...(met.length > 1 ? { onClear: () => setShare(undefined) } : {})}
            />
            <span className="join">
              {name}
              {total > 0 && Math.abs(total - 1) > 0.005 ? ` (${formatPercent(share / total)} of all)` : ''}
            </span>
          </span>
        );
      })}
      {others.length > 0 ? (
        <ChoiceChip
          act
          label="Group that is met besides"
          value=""
          shown="+ group"
          choices={others.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={(id) =>
            edit({
              label: `Another group in ${level.name}`,
              patch: setOptional(`${path}/groups/${id}`, undefined, 0.2),
            })
          }
        />
      ) : null}
      <span className="join">; the party</span>
      <ChoiceChip
        label="May the party withdraw"
        value={meetings.mayWithdraw ? 'may' : 'not'}
        choices={[
          { value: 'may', label: 'may withdraw' },
          { value: 'not', label: 'cannot withdraw' },
        ]}
        onChoose={(value) => set({ mayWithdraw: value === 'may' })}
      />
      <span className="join">, and a lost bout</span>
      <ChoiceChip
        label="What a lost bout means"
        value={meetings.whenLost}
        choices={[
          { value: 'goOn', label: 'lets it go on' },
          { value: 'lost', label: 'loses the level' },
        ]}
        onChoose={(value) => set({ whenLost: value as Meetings['whenLost'] })}
      />
      <button type="button" className="act link ml-2 text-[12px]" onClick={() => edit(setMeetings(level, undefined))}>
        No meetings here
      </button>
    </div>
  );
}

function PacingTable({ here, bouts }: BoutsHere) {
  const { project, position } = here;
  const columns = useColumns();
  const goto = useGoto();
  const places = useMemo(() => meetingsAlong(project), [project]);
  const pacing = useMemo(() => pacingOf(bouts, places), [bouts, places]);
  const things = [...(pacing.at(-1)?.things.keys() ?? [])];
  const row = (head: string, cell: (index: number) => ReactNode) => (
    <SlotRow
      columns={columns}
      height={ROW}
      head={<span className="block truncate text-[12px] leading-6 text-ink-2">{head}</span>}
      cell={(at) => <span className="num block text-center text-[12px] leading-6">{cell(at - 1)}</span>}
    />
  );
  const isNew = (index: number): boolean => pacing[index]?.level !== (pacing[index - 1]?.level ?? 1);
  return (
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
        <span className={isNew(index) ? 'font-semibold' : 'text-ink-3'}>{pacing[index]?.level}</span>
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
          {row(thing, (index) => {
            const chance = pacing[index]?.things.get(thing);
            if (chance === undefined) return '';
            const isRare = index === pacing.length - 1 && chance < LEAST_SEEN;
            return <span className={isRare ? 'text-loss' : ''}>{formatPercent(chance)}</span>;
          })}
        </div>
      ))}
    </div>
  );
}
