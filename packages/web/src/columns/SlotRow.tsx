import type { ReactNode } from 'react';
import { GUTTER, shiftedBesideGutter, type Columns } from './columns.ts';

interface Props {
  columns: Columns;
  /** In the room left of the columns. */
  head: ReactNode;
  height: number;
  /** Content of the column of a position. */
  cell: (position: number) => ReactNode;
  /** Drawn behind the cells, over the columns. */
  behind?: ReactNode;
}

/** A row of what is known of every slot, in the columns of the track. */
export function SlotRow({ columns, head, height, cell, behind }: Props) {
  const { edge, column, visible, slots } = columns;
  return (
    <div role="row" className="relative" style={{ height }}>
      <div role="rowheader" className="absolute inset-y-0 left-3.5 z-[1]" style={{ width: GUTTER - 28 }}>
        {head}
      </div>
      <div className="absolute inset-y-0 right-0 overflow-hidden" style={{ left: GUTTER }} role="presentation">
        <div className="absolute inset-y-0 left-0 w-0" role="presentation" ref={shiftedBesideGutter}>
          {behind}
          {visible.map((position) =>
            position > slots ? null : (
              <div
                key={position}
                role="cell"
                className="absolute inset-y-0"
                style={{ left: edge(position), width: column }}
              >
                {cell(position)}
              </div>
            ),
          )}
        </div>
      </div>
    </div>
  );
}

/** The selected slot's column, over all rows. */
export function SelectedColumn({ columns, position }: { columns: Columns; position: number }) {
  if (position < 1) return null;
  return (
    <div
      className="pointer-events-none absolute inset-y-0 right-0 overflow-hidden"
      style={{ left: GUTTER }}
      aria-hidden
    >
      <div
        className="absolute inset-y-0 bg-edit-soft opacity-55"
        ref={shiftedBesideGutter}
        style={{ left: columns.edge(position), width: columns.column }}
      />
    </div>
  );
}
