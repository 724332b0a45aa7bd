import { usesOfParameter, type Parameter } from '@stadion/core/model';
import { useMemo } from 'react';
import { toast } from 'sonner';
import type { Columns } from '../../app/columns.ts';
import { removeParameter, setParameterFact, setSane } from '../../app/commands/index.ts';
import { useEdit, useProject } from '../../app/hooks.ts';
import { Menu, NumberChip, TextInPlace } from '../../ui/index.ts';
import { LaneChart } from './LaneChart.tsx';
import { LaneSentence } from './LaneSentence.tsx';
import { laneInWords, marksInWords, marksOf, rampInWords } from './words.ts';

/** Room for the line, its numbers and a sentence of two lines. */
export const OPEN_HEIGHT = 228;
export const CLOSED_HEIGHT = 84;

interface Props {
  parameter: Parameter;
  columns: Columns;
  /** The selected slot's. */
  position: number;
  open: boolean;
  /** Where it stands in the list, px. */
  top: number;
  onToggle: () => void;
}

/** One parameter along the sequence. */
export function Lane({ parameter, columns, position, open, top, onToggle }: Props) {
  const project = useProject();
  const height = open ? OPEN_HEIGHT : CLOSED_HEIGHT;
  const count = project.slots.length;
  const words = useMemo(() => laneInWords(parameter, count), [parameter, count]);
  const pinned = project.slots.flatMap((slot, index) => (Object.hasOwn(parameter.pins, slot.id) ? [index + 1] : []));
  return (
    <li
      className={`absolute inset-x-0 border-b border-line bg-sheet ${open ? 'shadow-[inset_4px_0_0_var(--edit)]' : ''}`}
      style={{ height, top }}
      aria-label={words}
    >
      <LaneChart parameter={parameter} columns={columns} position={position} open={open} height={height} />
      <div className="absolute top-2 left-3.5 w-[164px]">
        <button
          type="button"
          aria-expanded={open}
          aria-label={`Lane of ${parameter.label}`}
          className="text-left font-[650] hover:text-edit"
          onClick={onToggle}
        >
          {parameter.label}{' '}
          <span aria-hidden className="text-ink-3">
            {open ? '▴' : '▾'}
          </span>
        </button>
        <div className="text-[11.5px] leading-[1.35] text-ink-3">
          {open ? null : <div>{parameter.unit}</div>}
          <div>{rampInWords(parameter)}</div>
        </div>
        {open ? <LaneFacts parameter={parameter} pinned={pinned} /> : null}
      </div>
      {open ? <LaneSentence parameter={parameter} position={position} /> : null}
    </li>
  );
}

/** The range in which the values make sense: outside it they are marked, not refused. */
function Sane({ parameter }: { parameter: Parameter }) {
  const project = useProject();
  const edit = useEdit();
  const { min, max } = parameter.sane;
  const share = parameter.number === 'share';
  const step = share ? 0.01 : parameter.number === 'real' ? 0.1 : 1;
  const end = (name: 'min' | 'max', limits: { min?: number; max?: number }) => (
    <NumberChip
      {...limits}
      label={`${parameter.label} makes sense ${name === 'min' ? 'from' : 'up to'}`}
      value={parameter.sane[name]}
      step={step}
      {...(share ? { scale: 100, unit: '%' } : {})}
      onCommit={(value) => edit(setSane(project, parameter.key, name, value))}
    />
  );
  return (
    <span className="say text-ink-2">
      sane {end('min', { max: max - step })} to {end('max', { min: min + step })}
    </span>
  );
}

/** What the open lane says besides its line: pins, uses, and its own facts. */
function LaneFacts({ parameter, pinned }: { parameter: Parameter; pinned: readonly number[] }) {
  const project = useProject();
  const edit = useEdit();
  const uses = useMemo(() => usesOfParameter(project, parameter.key), [project, parameter.key]);
  const levels = new Set(uses.flatMap((use) => (use.levelId === undefined ? [] : [use.levelId]))).size;
  const kinds = uses.flatMap((use) => {
    const [part, list, index] = use.path;
    if (part !== 'kinds') return [];
    const entry = (project.kinds as unknown as Record<string, { name: string }[]>)[String(list)]?.[Number(index)];
    return entry ? [entry.name.toLowerCase()] : [];
  });
  const words = [...new Set(kinds), ...(levels === 0 ? [] : [`${levels} level${levels === 1 ? '' : 's'}`])].join(', ');
  const remove = (): void => {
    const command = removeParameter(project, parameter.key);
    if ('usedIn' in command) {
      toast(
        `${parameter.label} is used in ${command.usedIn} place${command.usedIn === 1 ? '' : 's'}: give those numbers of their own first. Nothing was changed.`,
      );
    } else edit(command);
  };
  return (
    <div className="mt-1.5 flex flex-col items-start gap-1 text-[12px]">
      {pinned.length === 0 ? null : (
        <span className="text-mark-ink">
          ◆ {pinned.length} pin{pinned.length === 1 ? '' : 's'}, at {pinned.slice(0, 5).join(', ')}
          {pinned.length > 5 ? ' …' : ''}
        </span>
      )}
      {marksInWords(parameter, marksOf(project, parameter)).map((line) => (
        <span key={line} className={line.startsWith('outside') ? 'font-semibold text-loss' : 'text-ink-2'}>
          {line}
        </span>
      ))}
      <Sane parameter={parameter} />
      <span className="line-clamp-2 text-ink-2">{words === '' ? 'Used by nothing yet' : `Used by: ${words}`}</span>
      <span className="flex items-center gap-2">
        <TextInPlace
          label="Unit"
          value={parameter.unit}
          placeholder="unit"
          className="w-20"
          onCommit={(unit) => edit(setParameterFact(project, parameter.key, 'unit', unit))}
        />
        <Menu
          trigger={
            <button type="button" className="link">
              More ▾
            </button>
          }
          entries={[{ label: `Remove ${parameter.label}`, onSelect: remove }]}
        />
      </span>
    </div>
  );
}
