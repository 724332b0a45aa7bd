import { endingOfRule, leaves, resolveAmount } from '@stadion/core/play/rules';
import { at } from '@stadion/core/authoring/edits';
import { formatNumber } from '../../ui/index.ts';
import { AmountChip } from '../../sentences/index.ts';
import type { LevelContext } from '../../readings/levelContext.ts';

const SHADES = ['var(--win-3)', 'var(--win-2)', 'var(--mark)', 'var(--lavender)', 'var(--ink-3)'];
const WIDTH = 560;

/** The worth that the win asks for, if it asks for any. */
function neededWorth(here: LevelContext): number | undefined {
  for (const { rule } of here.rules) {
    if (endingOfRule(rule) !== 'won') continue;
    for (const { leaf } of leaves(rule.when)) {
      if (leaf.is === 'compare' && leaf.reading.reading === 'worth' && leaf.reading.of === 'any')
        return resolveAmount(leaf.amount, here.values, here.placed);
    }
  }
  return undefined;
}

/** Pieces to collect with their worth, and the budget: placed, needed, to spare. */
export function ToCollect({ here }: { here: LevelContext }) {
  const { project, placed } = here;
  const total = placed.worth['any'] ?? 0;
  const needed = neededWorth(here);
  const kinds = project.kinds.collectables
    .map((kind, index) => ({ kind, index, count: placed.count[kind.id] ?? 0, worth: placed.worth[kind.id] ?? 0 }))
    .filter(({ count }) => count > 0)
    .map((entry, place, all) => ({
      ...entry,
      before: all.slice(0, place).reduce((sum, other) => sum + other.worth, 0),
    }));
  if (kinds.length === 0) return <p className="text-ink-3">Nothing to collect lies on this ground.</p>;
  const scale = Math.max(total, needed ?? 0);
  const spare = needed === undefined ? undefined : total - needed;
  const words =
    needed === undefined
      ? `${formatNumber(total)} placed, no worth needed`
      : spare !== undefined && spare < 0
        ? `${formatNumber(needed)} needed, ${formatNumber(-spare)} more than placed`
        : `${formatNumber(needed)} needed, ${formatNumber(spare ?? 0)} to spare`;
  return (
    <div>
      <div className="say">
        {kinds.map(({ kind, index, count }) => (
          <span key={kind.id} className="say inline-flex">
            <span className="inline-flex items-center gap-1.5 font-[550]">
              <i className="size-2.5 rounded-[2px]" style={{ background: SHADES[index % SHADES.length] }} />
              {kind.name} ×{count}
            </span>
            <span className="join">worth</span>
            <AmountChip
              here={here}
              label={`Worth of ${kind.name}, in every level`}
              amount={kind.worth}
              path={at('kinds', 'collectables', kind.id, 'worth')}
              step={1}
              min={0}
              max={100000}
            />
          </span>
        ))}
        <span className="text-ink-3">{formatNumber(total)} placed</span>
      </div>
      <svg
        viewBox={`0 0 ${WIDTH} 24`}
        className="mt-1 block w-full"
        style={{ maxWidth: WIDTH }}
        role="img"
        aria-label={`${formatNumber(total)} placed, ${words}`}
      >
        <rect y="3" width={WIDTH} height="8" rx="2" fill="var(--line)" />
        {kinds.map(({ kind, index, worth, before }) => {
          const perPoint = scale === 0 ? 0 : WIDTH / scale;
          return (
            <rect
              key={kind.id}
              x={before * perPoint}
              y="3"
              width={worth * perPoint}
              height="8"
              fill={SHADES[index % SHADES.length]}
            />
          );
        })}
        {needed === undefined || scale === 0 ? null : (
          <line
            x1={Math.min(WIDTH - 1, (needed / scale) * WIDTH)}
            x2={Math.min(WIDTH - 1, (needed / scale) * WIDTH)}
            y1="0"
            y2="14"
            stroke="var(--ink)"
            strokeWidth="2"
          />
        )}
        <text
          x={needed === undefined || scale === 0 ? 0 : (needed / scale) * WIDTH + (needed / scale > 0.6 ? -5 : 5)}
          y="22.5"
          fontSize="11"
          textAnchor={needed !== undefined && needed / Math.max(1, scale) > 0.6 ? 'end' : 'start'}
          fill="var(--ink-2)"
        >
          {words}
        </text>
      </svg>
    </div>
  );
}
