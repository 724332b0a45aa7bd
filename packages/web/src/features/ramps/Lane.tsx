import type { Parameter } from '@stadion/core/document/model';
import { rowWith, type RampRow, type Stretch } from '@stadion/core/document/ramps';
import { memo, useCallback, useMemo, useState } from 'react';
import type { Columns } from '../../columns/columns.ts';
import { useProject } from '../../store/hooks.ts';
import type { LanePanel } from '../../store/viewSlice.ts';
import { LaneChart, type LaneProject } from './LaneChart.tsx';
import { LaneFacts } from './LaneFacts.tsx';
import { LaneSentence } from './LaneSentence.tsx';
import { LiveLane } from './LiveLane.tsx';
import { Panel } from './Panel.tsx';
import type { Preview } from './preview.ts';
import { laneInWords, rampInWords } from './words.ts';

export const CLOSED_HEIGHT = 84;
/** Room for the line, its numbers and a sentence of two lines. */
const OPEN_HEIGHT = 228;
/** Further properties of a formula's field and its words. */
const FORMULA_HEIGHT = 56;
const PANEL_HEIGHTS: Readonly<Record<LanePanel, number>> = { uses: 196, range: 196, table: 196, bounds: 116 };

const panelHeight = (panel: LanePanel | null): number => (panel ? PANEL_HEIGHTS[panel] : 0);
/** The numbers and the sentence below the open lane's line. */
const BELOW_OPEN = 94;

const isFormula = ({ ramp }: Parameter): boolean => ramp.shape.type === 'formula';

/** How high a lane stands, px. */
export const heightOf = (parameter: Parameter, open: boolean, panel: LanePanel | null): number =>
  !open ? CLOSED_HEIGHT : OPEN_HEIGHT + (isFormula(parameter) ? FORMULA_HEIGHT : 0) + panelHeight(panel);

interface Props {
  /** Properties of every lane; the open one reads more by itself. */
  project: LaneProject;
  parameter: Parameter;
  row: RampRow;
  ghost: RampRow | undefined;
  columns: Columns;
  /** The selected slot's. */
  position: number;
  stretch: Stretch | null;
  open: boolean;
  panel: LanePanel | null;
  /** Where it stands in the list, px. */
  top: number;
  onToggle: (key: string) => void;
}

/** One parameter along the sequence. */
export const Lane = memo(function Lane(props: Props) {
  const { parameter, row, ghost, open, panel, top, onToggle, columns, position } = props;
  const { axis } = parameter.ramp;
  const height = heightOf(parameter, open, panel);
  const words = useMemo(() => laneInWords(parameter, row), [parameter, row]);
  return (
    <li
      className={`absolute inset-x-0 overflow-hidden border-b border-line bg-sheet ${open ? 'shadow-[inset_4px_0_0_var(--edit)]' : ''}`}
      style={{ height, top }}
      aria-label={words}
    >
      {open ? (
        <OpenPart {...props} height={height} />
      ) : axis === undefined ? (
        <LaneChart {...props} ghost={ghost} proposed={undefined} height={height} below={0} dimmed={false} />
      ) : (
        <LiveLane
          parameter={parameter}
          position={position}
          left={columns.left}
          width={columns.width}
          open={false}
          height={height}
          below={0}
        />
      )}
      <div className="absolute top-2 left-3.5 w-[164px]">
        <button
          type="button"
          aria-expanded={open}
          aria-label={`Lane of ${parameter.label}`}
          data-lane={parameter.key}
          className="text-left font-[650] hover:text-edit"
          onClick={() => onToggle(parameter.key)}
        >
          {parameter.label}{' '}
          <span aria-hidden className="text-ink-3">
            {open ? '▴' : '▾'}
          </span>
        </button>
        <div className="text-[11.5px] leading-[1.35] text-ink-3">
          {open ? null : <div>{parameter.unit}</div>}
          <div className={open ? 'line-clamp-2' : 'line-clamp-3'}>{rampInWords(parameter)}</div>
        </div>
        {open ? <LaneFacts parameter={parameter} row={row} panel={panel} /> : null}
      </div>
    </li>
  );
});

/** Parts of the open lane alone: handles, its sentence, and the preview of an edit under way. */
function OpenPart({ parameter, row, ghost, columns, position, stretch, panel, height }: Props & { height: number }) {
  const project = useProject();
  const [preview, setPreview] = useState<Preview | null>(null);
  const onPreview = useCallback((next: Preview | null) => setPreview(next), []);
  const below = BELOW_OPEN + (isFormula(parameter) ? FORMULA_HEIGHT : 0) + panelHeight(panel);
  const { count } = columns;
  const changed = preview?.parameter;
  const made = useMemo(() => changed && rowWith(project, changed, count), [changed, project, count]);
  const asLine = preview?.as === 'line' ? made : undefined;
  return (
    <>
      {parameter.ramp.axis === undefined ? (
        <LaneChart
          project={project}
          parameter={asLine && changed ? changed : parameter}
          row={asLine ?? row}
          ghost={ghost}
          proposed={preview?.as === 'ghost' ? made : undefined}
          columns={columns}
          position={position}
          stretch={stretch}
          open
          height={height}
          below={below}
          dimmed={preview?.broken ?? false}
        />
      ) : (
        <LiveLane
          parameter={changed ?? parameter}
          position={position}
          left={columns.left}
          width={columns.width}
          open
          height={height}
          below={below}
        />
      )}
      <LaneSentence parameter={parameter} position={position} bottom={panelHeight(panel)} onPreview={onPreview} />
      {panel ? (
        <Panel
          panel={panel}
          parameter={parameter}
          row={row}
          position={position}
          height={panelHeight(panel)}
          onPreview={onPreview}
        />
      ) : null}
    </>
  );
}
