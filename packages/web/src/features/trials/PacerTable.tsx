import { isBelow } from '../../readings/isBelow.ts';
import { wantedAt } from '@stadion/core/document/ramps';
import { useState } from 'react';
import { addPacer } from '@stadion/core/authoring/edits';
import { useColumns } from '../../columns/columns.ts';
import { useGoto, useSelection } from '../../address/address.ts';
import { useEdit, usePacer, useProject } from '../../store/hooks.ts';
import { mintId } from '../../store/mintId.ts';
import { formatNumber, formatPercent } from '../../ui/index.ts';
import { HATCH } from '../../ui/shades.ts';
import { cellText, strengthOf, UNITS, valueOf, type Measure, type Shown } from './measures.ts';
import { PacerWords } from './PacerWords.tsx';
import { SelectedColumn, SlotRow } from '../../columns/SlotRow.tsx';
import type { PacerRow, useShown } from './useTrials.ts';

interface Props {
  rows: readonly PacerRow[];
  shown: ReturnType<typeof useShown>;
  measure: Measure;
  /** Whose share is shown, where that of a cause is. */
  cause: string;
}

const ROW = 46;

/** Pacers by slots: the measure in every cell, hatched where fewer clear it than wanted. */
export function PacerTable({ rows, shown, measure, cause }: Props) {
  const project = useProject();
  const columns = useColumns();
  const { position } = useSelection();
  const goto = useGoto();
  const edit = useEdit();
  const chosen = usePacer();
  const [open, setOpen] = useState<string>();
  const opened = project.pacers.find(({ id }) => id === open);
  const all = [...shown.pacers, shown.audience];
  const most = Math.max(
    0,
    ...all.flatMap((known) => [...known.values()].map((each) => valueOf(each, measure, cause) ?? 0)),
  );
  const cell =
    (who: string, known: ReadonlyMap<string, Shown>, isDone: (slotId: string) => boolean) => (at: number) => {
      const slot = project.slots[at - 1];
      const here = slot && known.get(slot.id);
      if (!slot) return null;
      const name = project.levels[slot.levelId]?.name ?? slot.levelId;
      return (
        <Cell
          shown={here}
          done={isDone(slot.id)}
          measure={measure}
          cause={cause}
          most={most}
          wanted={wantedAt(project, at)}
          label={`${who}, ${at} ${name}`}
          onOpen={() => goto({ screen: 'level', slotId: slot.id })}
        />
      );
    };
  return (
    <div>
      <div role="table" aria-label={`Pacers and slots: ${UNITS[measure]}`} className="relative pt-2.5 pb-1">
        <SelectedColumn columns={columns} position={position} />
        {rows.map(({ pacer, share, entries }, index) => (
          <SlotRow
            key={pacer.id}
            columns={columns}
            height={ROW}
            head={
              <>
                <button
                  type="button"
                  className="link block max-w-full truncate text-[13px] font-[550]"
                  aria-expanded={open === pacer.id}
                  onClick={() => setOpen(open === pacer.id ? undefined : pacer.id)}
                >
                  {pacer.name}
                </button>
                <span className="block truncate text-[12px] text-ink-3">{formatPercent(share)} of the audience</span>
              </>
            }
            cell={cell(pacer.name, shown.pacers[index] ?? new Map(), (id) => entries.get(id)?.done ?? false)}
          />
        ))}
        <div className="h-2" />
        <SlotRow
          columns={columns}
          height={ROW}
          head={
            <>
              <b className="block text-[13px]">Audience</b>
              <span className="block text-[12px] text-ink-3">the mix of all pacers</span>
            </>
          }
          cell={cell('Audience', shown.audience, (id) => rows.every(({ entries }) => entries.get(id)?.done))}
        />
      </div>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-3.5 pb-2 text-[12.5px] text-ink-2">
        <span>In the cells: {UNITS[measure]}.</span>
        {measure === 'clearRate' ? (
          <span>
            <i
              className="mr-1 inline-block h-3 w-5 bg-loss align-[-2px]"
              style={{ backgroundImage: HATCH }}
              aria-hidden
            />
            hatched: fewer clear it than wanted
          </span>
        ) : null}
        <span>Click a cell to open its level, a pacer to see and change what it can do.</span>
        <button
          type="button"
          className="link"
          onClick={() => {
            const added = addPacer(project, chosen, mintId);
            edit(added);
            setOpen(added.id);
          }}
        >
          + pacer like {chosen.name}
        </button>
      </div>
      {opened ? <PacerWords pacer={opened} onClose={() => setOpen(undefined)} /> : null}
    </div>
  );
}

interface CellProps {
  shown: Shown | undefined;
  done: boolean;
  measure: Measure;
  cause: string;
  most: number;
  wanted: number | undefined;
  label: string;
  onOpen: () => void;
}

function Cell({ shown, done, measure, cause, most, wanted, label, onOpen }: CellProps) {
  if (!shown)
    return (
      <button type="button" className="size-full text-ink-3" aria-label={`${label}: not known yet`} onClick={onOpen}>
        ·
      </button>
    );
  const below = measure === 'clearRate' && isBelow(shown.clearRate, wanted);
  const text = cellText(shown, measure, cause);
  const value = valueOf(shown, measure, cause);
  const strength = strengthOf(value, measure, most);
  const isLoss = below || measure === 'cause' || measure === 'tries';
  const share =
    Math.round((isLoss && measure === 'clearRate' ? 1 - strength : strength) * (isLoss ? 42 : 43) + 12) /
    (done ? 1 : 2);
  const said =
    measure === 'clearRate'
      ? `${text} % (${formatPercent(shown.interval.low)} to ${formatPercent(shown.interval.high)})${wanted === undefined ? '' : `, wanted ${formatPercent(wanted)}`}`
      : `${value === null ? 'none' : formatNumber(value, 2)} ${UNITS[measure]}`;
  return (
    <button
      type="button"
      title={said}
      aria-label={`${label}: ${said}`}
      onClick={onOpen}
      className={`absolute inset-x-px top-0.5 bottom-1 overflow-hidden text-[12px] font-semibold text-ink tabular-nums ${done ? '' : 'italic'}`}
      style={{
        background: `${below ? `${HATCH}, ` : ''}color-mix(in srgb, ${isLoss ? 'var(--loss)' : 'var(--win)'} ${share}%, var(--sheet))`,
      }}
    >
      {text}
    </button>
  );
}
