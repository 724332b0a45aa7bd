import type { ReactNode } from 'react';
import { GUTTER } from '../../columns/columns.ts';
import type { LanePanel } from '../../store/viewSlice.ts';
import { BoundsPanel } from './BoundsPanel.tsx';
import { LaneTable } from './LaneTable.tsx';
import type { PanelProps } from './preview.ts';
import { StretchPanel } from './StretchPanel.tsx';
import { UsesPanel } from './UsesPanel.tsx';

const PANELS: Readonly<Record<LanePanel, (props: PanelProps) => ReactNode>> = {
  uses: UsesPanel,
  range: StretchPanel,
  table: LaneTable,
  bounds: BoundsPanel,
};

/** The panel below the open lane's sentence. */
export function Panel({ panel, height, ...props }: PanelProps & { panel: LanePanel; height: number }) {
  const Shown = PANELS[panel];
  return (
    <div
      role="region"
      aria-label={`More of ${props.parameter.label}`}
      // A panel of text is scrolled by keys; other panels have fields of their own.
      tabIndex={panel === 'bounds' ? 0 : undefined}
      className="absolute right-0 bottom-0 overflow-y-auto border-t border-line bg-sheet py-2 pr-3"
      style={{ left: GUTTER, height }}
    >
      <Shown {...props} />
    </div>
  );
}
