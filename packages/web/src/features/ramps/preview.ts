import type { Parameter } from '@stadion/core/document/model';
import type { RampRow } from '@stadion/core/document/ramps';

/** Result of an edit that is being made, before it is made. */
export interface Preview {
  parameter: Parameter;
  /** In place of the line, or as a ghost beside it. */
  as: 'line' | 'ghost';
  /** The text cannot be read: the last line that could be drawn is shown dimmed. */
  broken?: boolean;
}

/** Properties of every panel below the open lane. */
export interface PanelProps {
  parameter: Parameter;
  row: RampRow;
  position: number;
  onPreview: (preview: Preview | null) => void;
}
