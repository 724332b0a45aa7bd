import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';
import { useColumns } from '../../app/columns.ts';
import { useGoto, useProject, useSelection } from '../../app/hooks.ts';
import { CLOSED_HEIGHT, Lane, OPEN_HEIGHT } from './Lane.tsx';

/** All lanes, one below the other; only those in sight are drawn. */
export function Lanes({ open }: { open: string | undefined }) {
  const { parameters } = useProject();
  const { position } = useSelection();
  const goto = useGoto();
  const columns = useColumns();
  const box = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- it keeps its own state; nothing here is memoized from it
  const lanes = useVirtualizer({
    count: parameters.length,
    getScrollElement: () => box.current,
    estimateSize: (index) => (parameters[index]?.key === open ? OPEN_HEIGHT : CLOSED_HEIGHT),
    getItemKey: (index) => parameters[index]?.key ?? index,
    overscan: 1,
  });
  const openIndex = parameters.findIndex((parameter) => parameter.key === open);
  useEffect(() => {
    lanes.measure();
    if (openIndex >= 0) lanes.scrollToIndex(openIndex);
  }, [lanes, openIndex]);
  return (
    <div ref={box} className="min-h-0 grow overflow-y-auto">
      <ul
        aria-label={`Lanes: ${parameters.length} parameters`}
        className="relative"
        style={{ height: lanes.getTotalSize() }}
      >
        {lanes.getVirtualItems().map(({ index, start }) => {
          const parameter = parameters[index];
          if (!parameter) return null;
          const isOpen = parameter.key === open;
          return (
            <Lane
              key={parameter.key}
              parameter={parameter}
              columns={columns}
              position={position}
              open={isOpen}
              top={start}
              onToggle={() => goto({ lane: isOpen ? undefined : parameter.key })}
            />
          );
        })}
      </ul>
    </div>
  );
}
