import { setUse } from '@stadion/core/authoring/edits';
import type { Fighter } from '@stadion/core/document/model';
import { useEdit } from '../../store/hooks.ts';
import { ChoiceChip, NumberChip } from '../../ui/index.ts';
import type { BoutsHere } from './shared.tsx';

/** Actions of a fighter, with their weights. */
export function Uses({ bouts, fighter }: BoutsHere & { fighter: Fighter }) {
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
          const { belowHealth, aboveHealth, everyTurns, ...rest } = { ...use, ...next };
          edit(
            setUse(fighter, action, {
              ...rest,
              ...(belowHealth === undefined || belowHealth >= 1 ? {} : { belowHealth }),
              ...(aboveHealth === undefined || aboveHealth <= 0 ? {} : { aboveHealth }),
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
                {use.aboveHealth === undefined ? null : (
                  <>
                    <span className="join">, above</span>
                    <NumberChip
                      label={`${action.name} of ${fighter.name} only above this share of health`}
                      value={use.aboveHealth}
                      scale={100}
                      unit="%"
                      step={0.05}
                      min={0}
                      max={1}
                      onCommit={(aboveHealth) => set({ aboveHealth })}
                      onClear={() => set({ aboveHealth: 0 })}
                    />
                  </>
                )}
                {use.everyTurns === undefined ? null : (
                  <>
                    <span className="join">, every</span>
                    <NumberChip
                      label={`${action.name} of ${fighter.name} every few turns`}
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
                  link
                  label={`When ${fighter.name} can use ${action.name}`}
                  value=""
                  shown="+ when"
                  choices={[
                    { value: 'below', label: 'only below a share of health' },
                    { value: 'above', label: 'only above a share of health' },
                    { value: 'every', label: 'only every few turns' },
                  ]}
                  onChoose={(what) =>
                    set(
                      what === 'below'
                        ? { belowHealth: 0.5 }
                        : what === 'above'
                          ? { aboveHealth: 0.5 }
                          : { everyTurns: 3 },
                    )
                  }
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
          link
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
