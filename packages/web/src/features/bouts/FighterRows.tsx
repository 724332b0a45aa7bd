import { membersOf, statisticsOf } from '@stadion/core/play/bouts';
import { addFighter, at, levelsNeeding, removeFighter, replaceAt, setOptional } from '@stadion/core/authoring/edits';
import type { Fighter } from '@stadion/core/document/model';
import { useState } from 'react';
import { useEdit } from '../../store/hooks.ts';
import { mintId } from '../../store/mintId.ts';
import { Confirm, Menu, NumberChip } from '../../ui/index.ts';
import { Gives, Worn } from './Belongings.tsx';
import { OwnNumber } from './OwnNumber.tsx';
import { Part, Row, type BoutsHere } from './shared.tsx';
import { Uses } from './Uses.tsx';

/** Everybody who fights: what they are made of, what they do, what they take and what they bring. */
export function FighterRows({ here, bouts }: BoutsHere) {
  const edit = useEdit();
  const theirs = bouts.fighters.filter(({ side }) => side === 'theirs');
  return (
    <Part
      title="Fighters"
      says="Numbers of the party grow from level 1 to level 99. An enemy can be like another one, with some numbers changed."
      acts={
        <Menu
          trigger={
            <button type="button" className="link">
              + fighter
            </button>
          }
          entries={[
            { label: 'One of the party', onSelect: () => edit(addFighter(bouts, 'ours', undefined, mintId)) },
            { label: 'An enemy', onSelect: () => edit(addFighter(bouts, 'theirs', undefined, mintId)) },
            ...theirs.map((other) => ({
              label: `An enemy like ${other.name}, but`,
              onSelect: () => edit(addFighter(bouts, 'theirs', other, mintId)),
            })),
          ]}
        />
      }
    >
      {bouts.fighters.map((fighter) => (
        <FighterRow key={fighter.id} here={here} bouts={bouts} fighter={fighter} />
      ))}
    </Part>
  );
}

function FighterRow({ here, bouts, fighter }: BoutsHere & { fighter: Fighter }) {
  const edit = useEdit();
  const [removing, setRemoving] = useState(false);
  const path = at('bouts', 'fighters', fighter.id);
  const other = bouts.fighters.find(({ id }) => id === fighter.like?.fighter);
  const groups = bouts.groups.filter((group) =>
    membersOf(bouts, group, here.values).some(({ id }) => id === fighter.id),
  );
  const needing = levelsNeeding(here.project, { fighter: fighter.id });
  const numbersOf = (of: Fighter): Record<string, number> => {
    const numbers = statisticsOf(bouts, of, 1, here.values);
    return Object.fromEntries(bouts.statistics.map(({ key }, index) => [key, numbers[index] ?? 0]));
  };
  return (
    <>
      <Row
        name={fighter.name}
        what="A fighter"
        onRename={(text) => edit({ label: `Fighter ${text}`, patch: [replaceAt(`${path}/name`, text)] })}
        needed={needing}
        onRemove={() => setRemoving(true)}
        below={
          <>
            <Uses here={here} bouts={bouts} fighter={fighter} />
            {bouts.elements.length > 0 ? (
              <div className="say text-[12px]">
                <span className="join text-ink-3">takes</span>
                {bouts.elements.map(({ id, name }) => (
                  <span key={id} className="mr-2 inline-flex items-center gap-1.5">
                    <NumberChip
                      label={`Share of ${name} that ${fighter.name} takes`}
                      value={fighter.takes[id] ?? 1}
                      scale={100}
                      unit="%"
                      step={0.1}
                      min={0}
                      max={10}
                      onCommit={(share) =>
                        edit({
                          label: `${fighter.name} takes ${Math.round(share * 100)} % of ${name}`,
                          patch: setOptional(`${path}/takes/${id}`, fighter.takes[id], share === 1 ? undefined : share),
                        })
                      }
                    />
                    <span className="join">of {name.toLowerCase()}</span>
                  </span>
                ))}
              </div>
            ) : null}
            <Worn here={here} bouts={bouts} fighter={fighter} />
            {fighter.side === 'theirs' ? <Gives here={here} bouts={bouts} fighter={fighter} /> : null}
          </>
        }
      >
        <span className="join">
          {fighter.side === 'ours' ? 'is of the party' : other ? `is like ${other.name}, but` : 'is an enemy'}
        </span>
        {bouts.statistics.map((statistic) => (
          <span key={statistic.key} className="mr-2 inline-flex items-center gap-1.5">
            <span className="join text-ink-3">{statistic.name.toLowerCase()}</span>
            <OwnNumber here={here} bouts={bouts} fighter={fighter} other={other} statistic={statistic} />
          </span>
        ))}
      </Row>
      <Confirm
        open={removing}
        title={`Remove ${fighter.name}?`}
        does="Remove"
        onConfirm={() => edit(removeFighter(bouts, fighter, numbersOf))}
        onClose={() => setRemoving(false)}
      >
        {groups.length === 0
          ? 'It stands in no group.'
          : `It goes out of ${groups.map(({ name }) => name).join(', ')} as well.`}{' '}
        What is like it keeps its numbers.
      </Confirm>
    </>
  );
}
