import { MOST_LEVEL, statisticsOf } from '@stadion/core/play/bouts';
import { at, setLikeness, setStatistic } from '@stadion/core/authoring/edits';
import type { Fighter, Statistic } from '@stadion/core/document/model';
import { useEdit } from '../../store/hooks.ts';
import { AmountChip } from '../../sentences/index.ts';
import { formatNumber, NumberChip } from '../../ui/index.ts';
import type { BoutsHere } from './shared.tsx';

/** One number of a fighter: of its own, from level to level, or as another's times a factor. */
export function OwnNumber({
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
              { position: 1, value },
              { position: MOST_LEVEL, value: Math.round(value * 8) },
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
  const now = statisticsOf(bouts, fighter, 1, here.values)[bouts.statistics.indexOf(statistic)] ?? 0;
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
