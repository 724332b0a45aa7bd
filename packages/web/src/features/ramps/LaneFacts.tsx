import { type Parameter } from '@stadion/core/document/model';
import { withoutNumber, type RampRow } from '@stadion/core/document/ramps';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { at, removeParameter, setParameterFact, setSane, type ParameterRemoval } from '@stadion/core/authoring/edits';
import { useSelection } from '../../address/address.ts';
import { useAppDispatch, useEdit, useProject } from '../../store/hooks.ts';
import { RemovalConfirm } from '../../parts/RemovalConfirm.tsx';
import { lanePanelOpened, type LanePanel } from '../../store/viewSlice.ts';
import { NoteOf } from '../../sentences/index.ts';
import { Menu, NumberChip, TextInPlace } from '../../ui/index.ts';
import { marksInWords, marksOf, positionsInWords } from './words.ts';

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

const PANELS: readonly { panel: LanePanel; label: string }[] = [
  { panel: 'uses', label: 'Uses' },
  { panel: 'range', label: 'Change a stretch' },
  { panel: 'table', label: 'Table' },
];
const LIVE_PANELS: readonly { panel: LanePanel; label: string }[] = [
  { panel: 'uses', label: 'Uses' },
  { panel: 'bounds', label: 'At its bounds' },
];

export const panelsFor = ({ ramp }: Parameter) => (ramp.axis === undefined ? PANELS : LIVE_PANELS);

/** Facts of the open lane beside its line: pins, marks, and links to more. */
export function LaneFacts({ parameter, row, panel }: { parameter: Parameter; row: RampRow; panel: LanePanel | null }) {
  const project = useProject();
  const edit = useEdit();
  const dispatch = useAppDispatch();
  const live = parameter.ramp.axis !== undefined;
  const pinned = project.slots.flatMap((slot, index) => (Object.hasOwn(parameter.pins, slot.id) ? [index + 1] : []));
  const broken = useMemo(() => withoutNumber(project, parameter), [project, parameter]);
  const position = useSelection().position;
  const [removal, setRemoval] = useState<ParameterRemoval>();
  const remove = (): void => {
    const command = removeParameter(project, parameter.key, position);
    if ('formulas' in command)
      toast(
        `${parameter.label} is read by the formula${command.formulas.length === 1 ? '' : 's'} of ${command.formulas.join(', ')}. Change ${command.formulas.length === 1 ? 'that formula' : 'those formulas'} first. Nothing was changed.`,
      );
    else if (command.numbers > 0 || command.sentences.length > 0) setRemoval(command);
    else edit(command);
  };
  return (
    <div className="mt-1 flex flex-col items-start gap-0.5 text-[12px]">
      {pinned.length === 0 ? null : (
        <span className="text-mark-ink">
          ◆ {pinned.length} pin{pinned.length === 1 ? '' : 's'}, at {pinned.slice(0, 5).join(', ')}
          {pinned.length > 5 ? ' …' : ''}
        </span>
      )}
      {broken.length === 0 ? null : (
        <span className="font-semibold text-loss">no number at {positionsInWords(broken, 3)}</span>
      )}
      {live
        ? null
        : marksInWords(parameter, marksOf(parameter, row, project.slots.length)).map((line) => (
            <span key={line} className={line.startsWith('outside') ? 'font-semibold text-loss' : 'text-ink-2'}>
              {line}
            </span>
          ))}
      <Sane parameter={parameter} />
      <span className="flex flex-wrap items-center gap-x-2">
        {panelsFor(parameter).map((entry) => (
          <button
            key={entry.panel}
            type="button"
            className={`link ${entry.panel === panel ? 'font-semibold' : ''}`}
            aria-expanded={entry.panel === panel}
            onClick={() => dispatch(lanePanelOpened(entry.panel === panel ? null : entry.panel))}
          >
            {entry.label}
          </button>
        ))}
      </span>
      <span className="flex items-center gap-2">
        <TextInPlace
          label="Unit"
          value={parameter.unit}
          placeholder="unit"
          className="w-14"
          onCommit={(unit) => edit(setParameterFact(project, parameter.key, 'unit', unit))}
        />
        <NoteOf what={parameter.label} path={at('parameters', parameter.key, 'note')} note={parameter.note} stays />
        <Menu
          trigger={
            <button type="button" className="link whitespace-nowrap">
              More ▾
            </button>
          }
          entries={[{ label: `Remove ${parameter.label}`, onSelect: remove }]}
        />
        <RemovalConfirm what={removal && parameter.label} removal={removal} onClose={() => setRemoval(undefined)}>
          {removal && removal.numbers > 0 ? (
            <p>
              {removal.numbers === 1
                ? 'The number that follows it keeps its present value.'
                : `The ${removal.numbers} numbers that follow it keep their present values.`}
            </p>
          ) : null}
        </RemovalConfirm>
      </span>
    </div>
  );
}
