import { makeBoutWorld, MOST_LEVEL, prepareBout, type Meeting } from '@stadion/core/play/bouts';
import type { Fighter } from '@stadion/core/document/model';
import { useMemo } from 'react';
import { useSelection } from '../../address/address.ts';
import { useKept } from '../../store/useKept.ts';
import { ChoiceChip, NumberChip } from '../../ui/index.ts';
import { BothSides } from './BothSides.tsx';
import { BoutOdds } from './BoutOdds.tsx';
import { HarmTable } from './HarmTable.tsx';
import { Part, type BoutsHere } from './shared.tsx';
import { TryBout } from '../../sentences/TryBout.tsx';

interface Member {
  fighter: string;
  level: number;
  /** Names of what it has taken off. */
  without?: readonly string[];
}

const MOST_PARTY = 4;

/** One meeting from all sides: numbers, harm, results, and a try by hand. */
export function MeetingSheet({ here, bouts }: BoutsHere) {
  const ours = bouts.fighters.filter(({ side }) => side === 'ours');
  const { projectId } = useSelection();
  const [members, setMembers] = useKept<readonly Member[] | null>(`${projectId} party`, null);
  const [groupId, setGroupId] = useKept<string | null>(`${projectId} group`, null);
  const group = bouts.groups.find(({ id }) => id === groupId) ?? bouts.groups[0];
  const party = useMemo(
    () =>
      (members ?? ours.slice(0, MOST_PARTY).map(({ id }) => ({ fighter: id, level: 1 }))).filter(({ fighter }) =>
        bouts.fighters.some(({ id, side }) => id === fighter && side === 'ours'),
      ),
    // The fighters of the document are what matters of `ours`.
    // oxlint-disable-next-line react/exhaustive-deps
    [members, bouts.fighters],
  );
  const meeting = useMemo(
    (): Meeting | undefined =>
      group && {
        ...{ party, group, mayWithdraw: true, values: here.values },
        ...{ position: here.position, positions: here.project.slots.length },
      },
    [party, group, here],
  );
  const world = useMemo(() => meeting && makeBoutWorld(prepareBout(bouts, meeting)), [bouts, meeting]);
  const spare = ours[0];
  return (
    <Part title="Who meets whom">
      <div className="say py-1.5 text-[15px]">
        {party.map((member, index) => (
          <PartyMember
            key={index}
            member={member}
            index={index}
            choices={ours}
            onChange={(next) => setMembers(next ? party.with(index, next) : party.toSpliced(index, 1))}
            alone={party.length === 1}
          />
        ))}
        {spare && party.length < MOST_PARTY ? (
          <button
            type="button"
            className="link mr-1 text-[12px]"
            onClick={() => setMembers([...party, { fighter: spare.id, level: party[0]?.level ?? 1 }])}
          >
            + one
          </button>
        ) : null}
        <span className="join mx-1">{party.length === 1 ? 'meets' : 'meet'}</span>
        {group ? (
          <ChoiceChip
            label="Group that is met"
            value={group.id}
            choices={bouts.groups.map(({ id, name }) => ({ value: id, label: name }))}
            onChoose={setGroupId}
          />
        ) : (
          <span className="text-ink-3">nobody: add a group below.</span>
        )}
      </div>
      {world && meeting && world.fighters.length > world.ours && world.ours > 0 ? (
        <>
          <BothSides world={world} />
          <HarmTable world={world} />
          <BoutOdds bouts={bouts} meeting={meeting} />
          <TryBout key={JSON.stringify(world.bout)} world={world} />
        </>
      ) : (
        <p className="py-2 text-ink-3">One on either side is needed to see the odds.</p>
      )}
    </Part>
  );
}

function PartyMember({
  member,
  index,
  choices,
  onChange,
  alone,
}: {
  member: Member;
  index: number;
  choices: readonly Fighter[];
  onChange: (next: Member | null) => void;
  alone: boolean;
}) {
  const { without = [] } = member;
  const worn = choices.find(({ id }) => id === member.fighter)?.worn ?? [];
  return (
    <span>
      {index === 0 ? null : <span className="join mx-1">and</span>}
      <ChoiceChip
        label={`Place ${index + 1} of the party`}
        value={member.fighter}
        choices={choices.map(({ id, name }) => ({ value: id, label: name }))}
        onChoose={(fighter) => onChange({ ...member, fighter })}
        {...(alone ? {} : { extra: [{ label: 'Leave out', onSelect: () => onChange(null) }] })}
      />
      <span className="join mx-1">at level</span>
      <NumberChip
        label={`Level of place ${index + 1} of the party`}
        value={member.level}
        step={1}
        min={1}
        max={MOST_LEVEL}
        whole
        onCommit={(level) => onChange({ ...member, level })}
      />
      {worn.map(({ name }) => (
        <label key={name} className="ml-1.5 inline-flex items-center gap-1 text-[12px]">
          <input
            type="checkbox"
            checked={!without.includes(name)}
            onChange={({ target }) =>
              onChange({
                ...member,
                without: target.checked ? without.filter((each) => each !== name) : [...without, name],
              })
            }
          />
          {name}
        </label>
      ))}
    </span>
  );
}
