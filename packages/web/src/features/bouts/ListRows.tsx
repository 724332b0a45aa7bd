import { MOST_MEMBERS } from '@stadion/core/play/bouts';
import {
  addElement,
  addGroup,
  addStatistic,
  at,
  removeElement,
  levelsNeeding,
  removeGroup,
  removeStatistic,
  renameStatistic,
  replaceAt,
} from '@stadion/core/authoring/edits';
import { literal, type Group, type Statistic } from '@stadion/core/document/model';
import { useEdit } from '../../store/hooks.ts';
import { mintId } from '../../store/mintId.ts';
import { AmountChip } from '../../sentences/index.ts';
import { ChoiceChip } from '../../ui/index.ts';
import { Part, Row, type BoutsHere } from './shared.tsx';

const ROLES: readonly { value: Statistic['role']; label: string }[] = [
  { value: 'lost', label: 'is lost: a fighter with none left falls' },
  { value: 'strikes', label: 'strikes' },
  { value: 'protects', label: 'protects' },
  { value: 'first', label: 'says who comes first' },
  { value: 'other', label: 'is used by formulas only' },
];

/** The designer's own statistics. */
export function StatisticRows({ bouts }: BoutsHere) {
  const edit = useEdit();
  return (
    <Part
      title="Statistics"
      says="Formulas read them by the word in brackets."
      acts={
        <button type="button" className="link" onClick={() => edit(addStatistic(bouts))}>
          + statistic
        </button>
      }
    >
      {bouts.statistics.map((statistic) => {
        const { key, name, role } = statistic;
        return (
          <Row
            key={key}
            name={name}
            what="A statistic"
            onRename={(text) => edit(renameStatistic(bouts, statistic, text))}
            onRemove={() => edit(removeStatistic(bouts, statistic))}
          >
            <span className="join text-ink-3">({key})</span>
            <ChoiceChip
              label={`What ${name} does`}
              value={role}
              choices={ROLES}
              onChoose={(next) =>
                edit({ label: `${name}: ${next}`, patch: [replaceAt(at('bouts', 'statistics', key, 'role'), next)] })
              }
            />
          </Row>
        );
      })}
    </Part>
  );
}

/** Elements that actions can have. */
export function ElementRows({ bouts }: BoutsHere) {
  const edit = useEdit();
  return (
    <Part
      title="Elements"
      says="What an action is made of; fighters take more or less of each."
      acts={
        <button type="button" className="link" onClick={() => edit(addElement(bouts, mintId))}>
          + element
        </button>
      }
    >
      {bouts.elements.length === 0 ? <p className="py-2 text-ink-3">None: all harm is alike.</p> : null}
      {bouts.elements.map((element) => (
        <Row
          key={element.id}
          name={element.name}
          what="An element"
          onRename={(text) =>
            edit({ label: `Element ${text}`, patch: [replaceAt(at('bouts', 'elements', element.id, 'name'), text)] })
          }
          onRemove={() => edit(removeElement(bouts, element))}
        />
      ))}
    </Part>
  );
}

/** Enemies that are met together. */
export function GroupRows({ here, bouts }: BoutsHere) {
  const edit = useEdit();
  const theirs = bouts.fighters.filter(({ side }) => side === 'theirs');
  const setMembers = (group: Group, members: Group['members'], label: string): void =>
    edit({ label, patch: [replaceAt(at('bouts', 'groups', group.id, 'members'), members)] });
  return (
    <Part
      title="Groups"
      says="Enemies that are met together, eight at most."
      acts={
        theirs.length > 0 ? (
          <button type="button" className="link" onClick={() => edit(addGroup(bouts, mintId))}>
            + group
          </button>
        ) : null
      }
    >
      {bouts.groups.length === 0 ? <p className="py-2 text-ink-3">No groups yet.</p> : null}
      {bouts.groups.map((group) => (
        <Row
          key={group.id}
          name={group.name}
          what="A group"
          onRename={(text) =>
            edit({ label: `Group ${text}`, patch: [replaceAt(at('bouts', 'groups', group.id, 'name'), text)] })
          }
          needed={levelsNeeding(here.project, { group: group.id })}
          onRemove={() => edit(removeGroup(Object.values(here.project.levels), group))}
        >
          <span className="join">is</span>
          {group.members.map((member, index) => (
            <span key={index} className="inline-flex items-center gap-1.5">
              {index === 0 ? null : <span className="join">and</span>}
              <AmountChip
                here={here}
                label={`How many in place ${index + 1} of ${group.name}`}
                amount={member.count}
                path={at('bouts', 'groups', group.id, 'members', index, 'count')}
                step={1}
                min={0}
                max={MOST_MEMBERS}
                whole
                quiet
              />
              <ChoiceChip
                label={`Who is in place ${index + 1} of ${group.name}`}
                value={member.fighter}
                choices={theirs.map(({ id, name }) => ({ value: id, label: name }))}
                onChoose={(fighter) =>
                  setMembers(group, group.members.with(index, { ...member, fighter }), `${group.name} changed`)
                }
                {...(group.members.length > 1
                  ? {
                      extra: [
                        {
                          label: 'Take out',
                          onSelect: () => setMembers(group, group.members.toSpliced(index, 1), `${group.name} smaller`),
                        },
                      ],
                    }
                  : {})}
              />
            </span>
          ))}
          {group.members.length < MOST_MEMBERS && theirs[0] ? (
            <button
              type="button"
              className="act link ml-2"
              onClick={() =>
                setMembers(
                  group,
                  [...group.members, { fighter: theirs[0]!.id, count: literal(1) }],
                  `${group.name} larger`,
                )
              }
            >
              + more
            </button>
          ) : null}
        </Row>
      ))}
    </Part>
  );
}
