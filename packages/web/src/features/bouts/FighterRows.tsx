import { membersOf, statisticsOf } from '@stadion/core/bouts';
import {
  addFighter,
  at,
  removeFighter,
  replaceAt,
  setLikeness,
  setOptional,
  setStatistic,
  setUse,
} from '@stadion/core/edits';
import type { Fighter, Statistic } from '@stadion/core/model';
import { useState } from 'react';
import { useEdit } from '../../project/hooks.ts';
import { mintId } from '../../project/mintId.ts';
import { AmountChip } from '../../sentences/index.ts';
import { ChoiceChip, Confirm, formatNumber, Menu, NumberChip } from '../../ui/index.ts';
import { Part, Row, type BoutsHere } from './shared.tsx';

/** Levels between which a member of the party grows. */
const [FIRST, LAST] = [1, 99];

/** Everybody who fights: what they are made of, what they do, what they take and what they bring. */
export function FighterRows({ here, bouts }: BoutsHere) {
  const edit = useEdit();
  const theirs = bouts.fighters.filter(({ side }) => side === 'theirs');
  return (
    <Part
      title="Fighters"
      says="Of the party, numbers go from level 1 to level 99; an enemy can be like another, but."
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
  const numbersOf = (of: Fighter): Record<string, number> => {
    const numbers = statisticsOf(bouts, of, FIRST, here.values);
    return Object.fromEntries(bouts.statistics.map(({ key }, index) => [key, numbers[index] ?? 0]));
  };
  return (
    <>
      <Row
        name={fighter.name}
        what="A fighter"
        onRename={(text) => edit({ label: `Fighter ${text}`, patch: [replaceAt(`${path}/name`, text)] })}
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
            {fighter.gives ? (
              <div className="say text-[12px]">
                <span className="join text-ink-3">gives</span>
                <AmountChip
                  here={here}
                  label={`Experience that ${fighter.name} gives`}
                  amount={fighter.gives.experience}
                  path={`${path}/gives/experience`}
                  step={1}
                  min={0}
                  max={1e6}
                  quiet
                />
                <span className="join">experience and</span>
                <AmountChip
                  here={here}
                  label={`Coins that ${fighter.name} gives`}
                  amount={fighter.gives.coins}
                  path={`${path}/gives/coins`}
                  step={1}
                  min={0}
                  max={1e6}
                  quiet
                />
                <span className="join">coins</span>
              </div>
            ) : null}
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

/** One number of a fighter: of its own, from level to level, or as another's times a factor. */
function OwnNumber({
  here,
  bouts,
  fighter,
  other,
  statistic,
}: BoutsHere & { fighter: Fighter; other: Fighter | undefined; statistic: Statistic }) {
  const edit = useEdit();
  const { key, name } = statistic;
  const own = fighter.statistics[key];
  const label = `${name} of ${fighter.name}`;
  if (own?.from === 'growth') {
    const points = own.shape.type === 'points' ? own.shape.points : [];
    return (
      <>
        {points.map((point, index) => (
          <span key={point.position} className="inline-flex items-center gap-1.5">
            {index === 0 ? null : <span className="join">to</span>}
            <NumberChip
              label={`${label} at level ${point.position}`}
              value={point.value}
              step={1}
              min={0}
              max={1e6}
              onCommit={(value) =>
                edit(
                  setStatistic(fighter, statistic, {
                    from: 'growth',
                    shape: { type: 'points', between: 'straight', points: points.with(index, { ...point, value }) },
                  }),
                )
              }
              {...(index === 0
                ? { onClear: () => edit(setStatistic(fighter, statistic, { from: 'number', value: point.value })) }
                : {})}
            />
          </span>
        ))}
      </>
    );
  }
  if (own) {
    const value = own.from === 'number' ? own.value : 0;
    const grows = (): void =>
      edit(
        setStatistic(fighter, statistic, {
          from: 'growth',
          shape: {
            type: 'points',
            between: 'straight',
            points: [
              { position: FIRST, value },
              { position: LAST, value: Math.round(value * 8) },
            ],
          },
        }),
      );
    return (
      <>
        <AmountChip
          here={here}
          label={label}
          amount={own}
          path={at('bouts', 'fighters', fighter.id, 'statistics', key)}
          step={1}
          min={0}
          max={1e6}
          quiet
          {...(other ? { onClear: () => edit(setStatistic(fighter, statistic, undefined)) } : {})}
        />
        {fighter.side === 'ours' ? (
          <button type="button" className="act link text-[11px]" onClick={grows}>
            grows<span className="sr-only"> : {label}</span>
          </button>
        ) : null}
      </>
    );
  }
  const now = statisticsOf(bouts, fighter, FIRST, here.values)[bouts.statistics.indexOf(statistic)] ?? 0;
  if (!other)
    return (
      <NumberChip
        label={label}
        value={now}
        step={1}
        min={0}
        max={1e6}
        onCommit={(value) => edit(setStatistic(fighter, statistic, { from: 'number', value }))}
      />
    );
  const change = fighter.like?.changes[key];
  return (
    <>
      <span className="join">×</span>
      <NumberChip
        label={`${label} as ${other.name}, times`}
        value={change?.times ?? 1}
        step={0.1}
        min={0}
        max={1000}
        onCommit={(times) => edit(setLikeness(fighter, statistic, { times, plus: change?.plus ?? 0 }))}
        {...(change ? { onClear: () => edit(setLikeness(fighter, statistic, undefined)) } : {})}
      />
      <span className="join text-ink-3">= {formatNumber(now)}</span>
    </>
  );
}

/** What a fighter can do, and how often among what it can do. */
function Uses({ bouts, fighter }: BoutsHere & { fighter: Fighter }) {
  const edit = useEdit();
  const [can, cannot] = [true, false].map((does) =>
    bouts.actions.filter(({ id }) => Object.hasOwn(fighter.uses, id) === does),
  ) as [typeof bouts.actions, typeof bouts.actions];
  const total = can.reduce((sum, { id }) => sum + (fighter.uses[id]?.weight ?? 0), 0);
  const chooses = fighter.side === 'ours';
  return (
    <div className="say text-[12px]">
      <span className="join text-ink-3">can</span>
      {can.length === 0 ? <span className="join text-loss">do nothing</span> : null}
      {can.map((action) => {
        const use = fighter.uses[action.id]!;
        const set = (next: Partial<typeof use>): void => {
          const { belowHealth, everyTurns, ...rest } = { ...use, ...next };
          edit(
            setUse(fighter, action, {
              ...rest,
              ...(belowHealth === undefined || belowHealth >= 1 ? {} : { belowHealth }),
              ...(everyTurns === undefined || everyTurns <= 1 ? {} : { everyTurns }),
            }),
          );
        };
        return (
          <span key={action.id} className="mr-3 inline-flex items-center gap-1.5">
            <b>{action.name}</b>
            {chooses ? null : (
              <>
                <span className="join">, weight</span>
                <NumberChip
                  label={`Weight of ${action.name} for ${fighter.name}`}
                  value={use.weight}
                  step={1}
                  min={0}
                  max={1000}
                  onCommit={(weight) => set({ weight })}
                />
                <span className="join text-ink-3">
                  {total > 0 ? `${Math.round((use.weight / total) * 100)} %` : 'never'}
                </span>
                {use.belowHealth === undefined ? null : (
                  <>
                    <span className="join">, below</span>
                    <NumberChip
                      label={`${action.name} of ${fighter.name} only below this share of health`}
                      value={use.belowHealth}
                      scale={100}
                      unit="%"
                      step={0.05}
                      min={0}
                      max={1}
                      onCommit={(belowHealth) => set({ belowHealth })}
                      onClear={() => set({ belowHealth: 1 })}
                    />
                  </>
                )}
                {use.everyTurns === undefined ? null : (
                  <>
                    <span className="join">, every</span>
                    <NumberChip
                      label={`${action.name} of ${fighter.name} every so many turns`}
                      value={use.everyTurns}
                      step={1}
                      min={1}
                      max={100}
                      whole
                      onCommit={(everyTurns) => set({ everyTurns })}
                      onClear={() => set({ everyTurns: 1 })}
                    />
                    <span className="join">turns</span>
                  </>
                )}
                <ChoiceChip
                  act
                  label={`When ${fighter.name} can use ${action.name}`}
                  value=""
                  shown="+ when"
                  choices={[
                    { value: 'below', label: 'only below a share of health' },
                    { value: 'every', label: 'only every so many turns' },
                  ]}
                  onChoose={(what) => set(what === 'below' ? { belowHealth: 0.5 } : { everyTurns: 3 })}
                />
              </>
            )}
            <button
              type="button"
              className="act link text-[11px]"
              onClick={() => edit(setUse(fighter, action, undefined))}
            >
              ×
              <span className="sr-only">
                {' '}
                {fighter.name} no longer uses {action.name}
              </span>
            </button>
          </span>
        );
      })}
      {cannot.length > 0 ? (
        <ChoiceChip
          act
          label={`What ${fighter.name} can do besides`}
          value=""
          shown="+ action"
          choices={cannot.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={(id) =>
            edit(
              setUse(
                fighter,
                cannot.find((each) => each.id === id)!,
                { weight: 1 },
              ),
            )
          }
        />
      ) : null}
    </div>
  );
}
