import { changeOf, type RampRow } from '@stadion/core/document/ramps';
import { useProject } from '../../store/hooks.ts';
import type { PanelProps } from './preview.ts';
import { derivationInWords } from './scale.ts';
import { sayValue } from './words.ts';

/** How a value changes on the one before it, in percent. */
export function percentChange(row: RampRow, index: number): string {
  if (index === 0) return '';
  const { by, share } = changeOf(row.values[index - 1] ?? 0, row.values[index] ?? 0);
  if (by === 0) return '·';
  const sign = by > 0 ? '+' : '−';
  return share === null ? `${sign}∞` : `${sign}${Math.round(Math.abs(share) * 1000) / 10} %`;
}

/** The lane as a table: every level's value, its change and the chain that made it. */
export function LaneTable({ parameter, row }: PanelProps) {
  const project = useProject();
  return (
    <table aria-label={`Values of ${parameter.label}`} className="text-[12.5px]">
      <thead className="text-left text-ink-3">
        <tr>
          {['level', '', 'value', 'change', 'made by'].map((word) => (
            <th key={word} scope="col" className="pr-6 font-normal">
              {word}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {project.slots.map((slot, index) => (
          <tr key={slot.id} className="border-t border-line">
            <th scope="row" className="pr-3 text-right font-semibold">
              {index + 1}
            </th>
            <td className="pr-6 text-ink-2">{project.levels[slot.levelId]?.name}</td>
            <td className="pr-6 text-right font-semibold">
              {Object.hasOwn(parameter.pins, slot.id) ? '◆ ' : ''}
              {sayValue(parameter, row.values[index] ?? 0, 3)}
            </td>
            <td className="pr-6 text-right">{percentChange(row, index)}</td>
            <td className="text-ink-2">
              {derivationInWords(project, parameter, index + 1, (value) => sayValue(parameter, value, 3))}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
