import type { Severity } from '@stadion/core/authoring/findings';
import { wantedAt } from '@stadion/core/document/ramps';
import { useSortable } from '@dnd-kit/sortable';
import { memo } from 'react';
import { useFindingsMark } from '../../answers/useFindings.ts';
import { useSlotForecast } from '../../answers/usePacerForecasts.ts';
import { rateChangeInWords, useRateChange } from '../../readings/compared.ts';
import { useProjectPart } from '../../store/hooks.ts';
import { formatPercent } from '../../ui/index.ts';
import { BASE } from './geometry.ts';

interface Props {
  slotId: string;
  position: number;
  left: number;
  width: number;
  selected: boolean;
  onSelect: (slotId: string) => void;
}

/** The mark of findings by the gravest of them: filled the more, the graver. */
const MARKS: Readonly<Record<Severity, { fill: string; stroke: string }>> = {
  'stops play': { fill: 'var(--loss)', stroke: 'var(--loss)' },
  'surely wrong': { fill: 'var(--mark)', stroke: 'var(--mark-ink)' },
  doubtful: { fill: 'none', stroke: 'var(--line-strong)' },
};

/** Parts of a slot that its column shows. */
function useSlotShown(slotId: string, position: number) {
  const name = useProjectPart(({ slots, levels }) => levels[slots[position - 1]?.levelId ?? '']?.name ?? slotId);
  const pinned = useProjectPart(({ parameters }) => parameters.some(({ pins }) => slotId in pins));
  const repeats = useProjectPart(({ slots }) => {
    const levelId = slots[position - 1]?.levelId;
    return slots.some((slot) => slot.levelId === levelId && slot.id !== slotId);
  });
  const wantedRate = useProjectPart((project) => wantedAt(project, position));
  const forecast = useSlotForecast(slotId);
  const change = useRateChange(slotId, forecast);
  const mark = useFindingsMark(slotId);
  return { name, pinned, repeats, wantedRate, forecast, change, findings: mark?.count ?? 0, gravest: mark?.gravest };
}

/** One slot's column: its chart selects it, its number moves it. */
export const Column = memo(function Column({ slotId, position, left, width, selected, onSelect }: Props) {
  const shown = useSlotShown(slotId, position);
  const { name, pinned, repeats, wantedRate, forecast, change, findings, gravest } = shown;
  const { listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id: slotId,
  });
  const summary = forecast?.summary;
  const rate = summary
    ? `clear rate ${formatPercent(summary.clearRate)} (${formatPercent(summary.interval.low)} to ${formatPercent(summary.interval.high)})`
    : forecast?.failed
      ? 'it could not be tried: edit it, or load the page anew, to try again'
      : 'clear rate not known yet';
  const wanted = wantedRate === undefined ? '' : `, wanted ${formatPercent(wantedRate)}`;
  const found = findings === 0 ? '' : `, ${findings} finding${findings === 1 ? '' : 's'} (${gravest})`;
  const pins = pinned ? ', pinned values' : '';
  const differs = change ? `; ${rateChangeInWords(change)}` : '';
  const again = repeats ? ', a level that stands in several slots' : '';
  const said = `${position} ${name}: ${rate}${wanted}${found}${pins}${again}${differs}`;
  return (
    <div
      ref={setNodeRef}
      className="absolute top-0"
      style={{
        left,
        width,
        height: BASE + 48,
        transform: transform ? `translateX(${Math.round(transform.x)}px)` : undefined,
        transition,
        zIndex: isDragging ? 5 : undefined,
        opacity: isDragging ? 0.8 : undefined,
      }}
    >
      <button
        title={said}
        type="button"
        aria-label={said}
        aria-current={selected ? 'true' : undefined}
        className="absolute inset-x-0 top-0 rounded-[3px] hover:bg-edit/5"
        style={{ height: BASE }}
        onClick={() => onSelect(slotId)}
      />
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...listeners}
        aria-label={`Move ${name}, position ${position}: Space picks up, arrows move, Space puts down`}
        className={`absolute inset-x-0 flex h-[22px] cursor-grab touch-none items-center justify-center rounded-[3px] text-[12px] hover:bg-edit-soft ${selected ? 'font-bold text-edit-ink' : 'font-[550]'} ${isDragging ? 'bg-mark-soft ring-1 ring-mark-ink' : ''}`}
        style={{ top: BASE + 1 }}
        onClick={() => onSelect(slotId)}
      >
        {position}
      </button>
      {repeats ? (
        <svg
          width="14"
          height="4"
          viewBox="0 0 14 4"
          className="pointer-events-none absolute"
          style={{ top: BASE + 19, left: width / 2 - 7 }}
          aria-hidden
        >
          <path d="M0 1h10M4 3.2h10" stroke="var(--edit)" strokeWidth="1.2" />
        </svg>
      ) : null}
      {findings > 0 ? (
        <svg
          width="12"
          height="11"
          viewBox="0 0 12 11"
          className="pointer-events-none absolute"
          style={{ top: BASE + 6, left: width / 2 + 8 }}
          aria-hidden
        >
          <path d="M6 0l6 11H0z" {...MARKS[gravest ?? 'doubtful']} strokeWidth=".8" />
          {gravest === 'doubtful' ? null : (
            <path d="M6 3.6v3.4M6 8.4v1" stroke={gravest === 'stops play' ? '#fff' : '#3a2300'} strokeWidth="1.3" />
          )}
        </svg>
      ) : null}
      {pinned ? (
        <svg
          width="7"
          height="7"
          viewBox="0 0 7 7"
          className="pointer-events-none absolute"
          style={{ top: BASE + 9, left: width / 2 - 16 }}
          aria-hidden
        >
          <path d="M3.5 0L7 3.5 3.5 7 0 3.5z" fill="var(--mark)" stroke="var(--mark-ink)" strokeWidth=".7" />
        </svg>
      ) : null}
    </div>
  );
});
