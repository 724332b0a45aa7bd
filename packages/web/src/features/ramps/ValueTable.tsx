import { rampTable } from '@stadion/core/ramps';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef } from 'react';
import { useProject } from '../../app/hooks.ts';
import { sayValue } from './words.ts';

const ROW_HEIGHT = 26;

/** The same numbers as a table: a row per slot, a column per parameter. */
export function ValueTable() {
  const project = useProject();
  const table = useMemo(() => rampTable(project), [project]);
  const box = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- it keeps its own state; nothing here is memoized from it
  const rows = useVirtualizer({
    count: table.slotIds.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
  });
  const items = rows.getVirtualItems();
  const before = items[0]?.start ?? 0;
  const after = rows.getTotalSize() - (items.at(-1)?.end ?? 0);
  return (
    <div
      ref={box}
      className="min-h-0 grow overflow-auto bg-sheet"
      tabIndex={0}
      aria-label="Values of all parameters"
      role="region"
    >
      <table className="w-full border-collapse text-right" aria-rowcount={table.slotIds.length + 1}>
        <thead className="sticky top-0 bg-band">
          <tr>
            <th scope="col" className="px-3 py-1.5 text-left">
              Level
            </th>
            {project.parameters.map((parameter) => (
              <th key={parameter.key} scope="col" className="px-3 py-1.5 font-[650]">
                {parameter.label}
                <span className="block text-[11px] font-normal text-ink-3">
                  {parameter.number === 'share' ? '%' : parameter.unit}
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {before > 0 ? <tr style={{ height: before }} aria-hidden /> : null}
          {items.map(({ index }) => {
            const slotId = table.slotIds[index] as string;
            const level = project.levels[project.slots[index]?.levelId ?? ''];
            return (
              <tr
                key={slotId}
                className="border-t border-line"
                style={{ height: ROW_HEIGHT }}
                aria-rowindex={index + 2}
              >
                <th scope="row" className="px-3 text-left font-normal whitespace-nowrap">
                  <b>{index + 1}</b> {level?.name}
                </th>
                {project.parameters.map((parameter) => {
                  const pinned = Object.hasOwn(parameter.pins, slotId);
                  return (
                    <td key={parameter.key} className={`px-3 ${pinned ? 'font-bold text-mark-ink' : ''}`}>
                      {pinned ? <span aria-label="pinned">◆ </span> : null}
                      {sayValue(parameter, table.rows.get(parameter.key)?.[index] ?? 0)}
                    </td>
                  );
                })}
              </tr>
            );
          })}
          {after > 0 ? <tr style={{ height: after }} aria-hidden /> : null}
        </tbody>
      </table>
    </div>
  );
}
