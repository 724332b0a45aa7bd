import { at, replaceAt, setMeetings, setOptional } from '@stadion/core/authoring/edits';
import { literal, type Meetings, type Project } from '@stadion/core/document/model';
import { useEdit } from '../../store/hooks.ts';
import { AmountChip } from '../../sentences/index.ts';
import { ChoiceChip, formatPercent, NumberChip } from '../../ui/index.ts';
import type { BoutsHere } from './shared.tsx';

/** Ways in which meetings are spread over a level. */
const SPREADS = { many: 'a number on the way', way: 'one per stretch of way', zones: 'at places' } as const;
type Spread = keyof typeof SPREADS;

const spreadOf = ({ every, zones }: Meetings): Spread => (zones ? 'zones' : every ? 'way' : 'many');

/** Units of way to a meeting that a designer begins with. */
const USUAL_EVERY = 12;

type Zone = Extract<Project['levels'][string]['ground']['pieces'][number], { piece: 'goal' | 'zone' }>;

/** Whom the party meets on the way through this level, where and how often. */
export function MeetingsHere({ here, bouts }: BoutsHere) {
  const edit = useEdit();
  const { level, position } = here;
  const { meetings } = level;
  const [first] = bouts.groups;
  if (level.bout)
    return (
      <p className="say py-1.5">
        Level {position}, {level.name}, is decided by a bout: nobody is met on a way through its ground.
      </p>
    );
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
  return (
    <div className="act-row say py-1.5">
      <span className="join">
        Level {position}, {level.name}, has meetings
      </span>
      <WhereMet here={here} meetings={meetings} />
      <span className="join">:</span>
      <GroupShares here={here} bouts={bouts} meetings={meetings} path={path} />
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
          { value: 'goOn', label: 'changes nothing' },
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

/** Places of the meetings: spread over the way with a distance between them, or at zones. */
function WhereMet({ here, meetings }: Pick<BoutsHere, 'here'> & { meetings: Meetings }) {
  const edit = useEdit();
  const { level } = here;
  const path = at('levels', level.id, 'meetings');
  const zones = level.ground.pieces.filter((piece): piece is Zone => piece.piece === 'goal' || piece.piece === 'zone');
  const spread = spreadOf(meetings);
  const { every: _every, zones: met = [], ...others } = meetings;
  const [zone] = zones;
  const choose = (next: Spread): void =>
    edit(
      setMeetings(level, {
        ...others,
        ...(next === 'way' ? { every: literal(USUAL_EVERY) } : {}),
        ...(next === 'zones' && zone ? { zones: [zone.id] } : {}),
      }),
    );
  const setZones = (ids: readonly string[]): void =>
    edit({
      label: `Where ${level.name} has meetings`,
      patch: [replaceAt(`${path}/zones`, ids)],
    });
  const spare = zones.filter(({ id }) => !met.includes(id));
  return (
    <>
      <ChoiceChip
        label="Where meetings are"
        value={spread}
        choices={(Object.entries(SPREADS) as [Spread, string][])
          .filter(([value]) => value !== 'zones' || zone !== undefined)
          .map(([value, label]) => ({ value, label }))}
        onChoose={(value) => choose(value as Spread)}
      />
      {meetings.every ? (
        <>
          <AmountChip
            here={here}
            label="Way to a meeting"
            amount={meetings.every}
            path={`${path}/every`}
            step={1}
            min={0.1}
            max={100_000}
            quiet
          />
          <span className="join">units of way, at most</span>
        </>
      ) : null}
      {spread === 'zones' ? (
        met.map((id, index) => (
          <ChoiceChip
            key={id}
            label={`Place ${index + 1} of a meeting`}
            value={id}
            choices={zones
              .filter((each) => each.id === id || !met.includes(each.id))
              .map((each) => ({ value: each.id, label: each.name }))}
            onChoose={(next) => setZones(met.with(index, next))}
            {...(met.length > 1
              ? { extra: [{ label: 'No meeting here', onSelect: () => setZones(met.toSpliced(index, 1)) }] }
              : {})}
          />
        ))
      ) : (
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
      )}
      {spread === 'zones' && spare.length > 0 ? (
        <ChoiceChip
          link
          label="Another place of a meeting"
          value=""
          shown="+ place"
          choices={spare.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={(id) => setZones([...met, id])}
        />
      ) : null}
    </>
  );
}

/** The groups that can be met, with their shares. */
function GroupShares({ here: { level }, bouts, meetings, path }: BoutsHere & { meetings: Meetings; path: string }) {
  const edit = useEdit();
  const met = bouts.groups.filter(({ id }) => Object.hasOwn(meetings.groups, id));
  const others = bouts.groups.filter(({ id }) => !Object.hasOwn(meetings.groups, id));
  const total = met.reduce((sum, { id }) => sum + (meetings.groups[id] ?? 0), 0);
  return (
    <>
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
          link
          label="Another group that is met"
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
    </>
  );
}
