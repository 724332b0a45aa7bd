import type { Parameter } from '@stadion/core/document/model';
import type { RampRow } from '@stadion/core/document/ramps';

/** What an edit that is being made would give, before it is made. */
export interface Preview {
  parameter: Parameter;
  /** In place of the line, or as a ghost beside it. */
  as: 'line' | 'ghost';
  /** What is typed cannot be read: the last line that could is shown dimmed. */
  broken?: boolean;
}

/** What every panel below the open lane is given. */
export interface PanelProps {
  parameter: Parameter;
  row: RampRow;
  position: number;
  onPreview: (preview: Preview | null) => void;
}
