import { useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useMemo, useRef } from 'react';
import { useColumns } from '../../columns/columns.ts';
import { useGoto, useSelection } from '../../address/address.ts';
import { useAppSelector, useProject } from '../../store/hooks.ts';
import { useRamps } from '../../readings/ramps.ts';
import { useCompared } from '../../readings/compared.ts';
import { useStaysInPlace } from '../../ui/index.ts';
import { heightOf, Lane } from './Lane.tsx';
import { panelsFor } from './LaneFacts.tsx';

/** All lanes, one below the other; only those in sight are drawn. */
export function Lanes({ open }: { open: string | undefined }) {
  const { parameters, slots, tiers } = useProject();
  const { position } = useSelection();
  const goto = useGoto();
  const columns = useColumns();
  const table = useRamps(columns.count - columns.slots);
  const compared = useCompared();
  const stretch = useAppSelector((state) => state.view.stretch);
  const wanted = useAppSelector((state) => state.view.lanePanel);
  const box = useRef<HTMLDivElement>(null);
  const openIndex = parameters.findIndex((parameter) => parameter.key === open);
  const opened = parameters[openIndex];
  const panel = (opened && panelsFor(opened).find((entry) => entry.panel === wanted)?.panel) ?? null;
  // oxlint-disable-next-line react/incompatible-library -- it keeps its own state; nothing here is memoized from it
  const lanes = useVirtualizer({
    count: parameters.length,
    getScrollElement: () => box.current,
    estimateSize: (index) => {
      const parameter = parameters[index];
      return parameter ? heightOf(parameter, index === openIndex, panel) : 0;
    },
    getItemKey: (index) => parameters[index]?.key ?? index,
    overscan: 1,
  });
  const openHeight = opened ? heightOf(opened, true, panel) : 0;
  useEffect(() => {
    lanes.measure();
    if (openIndex >= 0) lanes.scrollToIndex(openIndex);
  }, [lanes, openIndex, openHeight]);
  // Findings of the open lane, and what it is compared with, come and go above: it stays in sight as far as it was.
  useStaysInPlace(box, (by) => {
    const element = box.current;
    const lane = lanes.getVirtualItems().find(({ index }) => index === openIndex);
    if (!element || !lane) return;
    const hidden = lane.end - element.scrollTop - element.clientHeight;
    element.scrollTop += Math.max(0, Math.min(by, hidden));
  });
  // A ghost that lies under its line says nothing.
  const ghosts = useMemo(
    () =>
      new Map(
        [...(compared?.rows ?? [])].filter(([key, { values }]) => {
          const now = table.rows.get(key)?.values;
          return now && values.some((value, index) => Math.abs(value - (now[index] ?? value)) > 1e-9);
        }),
      ),
    [compared, table],
  );
  const shared = useMemo(() => ({ slots, tiers }), [slots, tiers]);
  const onToggle = useCallback((key: string) => goto({ lane: key === open ? undefined : key }), [goto, open]);
  return (
    <div ref={box} className="min-h-0 grow overflow-y-auto">
      <ul
        aria-label={`Lanes: ${parameters.length} parameters`}
        className="relative"
        style={{ height: lanes.getTotalSize() }}
      >
        {lanes.getVirtualItems().map(({ index, start }) => {
          const parameter = parameters[index];
          const row = parameter && table.rows.get(parameter.key);
          if (!row) return null;
          const isOpen = parameter.key === open;
          return (
            <Lane
              key={parameter.key}
              project={shared}
              parameter={parameter}
              row={row}
              ghost={ghosts.get(parameter.key)}
              columns={columns}
              position={position}
              stretch={isOpen ? stretch : null}
              open={isOpen}
              panel={isOpen ? panel : null}
              top={start}
              onToggle={onToggle}
            />
          );
        })}
      </ul>
    </div>
  );
}
