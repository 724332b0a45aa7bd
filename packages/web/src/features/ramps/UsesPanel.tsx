import { useMemo } from 'react';
import { useGoto } from '../../address/address.ts';
import { useProject } from '../../store/hooks.ts';
import { formatNumber } from '../../ui/index.ts';
import type { PanelProps } from './preview.ts';
import { usesInWords, type Use } from './uses.ts';

/** All that follows a parameter, with what each comes to. */
export function UsesPanel({ parameter, position }: PanelProps) {
  const project = useProject();
  const goto = useGoto();
  const uses = useMemo(() => usesInWords(project, parameter, position), [project, parameter, position]);
  if (uses.length === 0)
    return (
      <p className="text-ink-2">
        Nothing uses {parameter.label} yet: press <kbd>=</kbd> on a number of a level to let it follow.
      </p>
    );
  const open = ({ slotId, words }: Use): void =>
    words.startsWith('Formula') ? undefined : goto({ screen: 'level', slotId });
  return (
    <table aria-label={`What uses ${parameter.label}`} className="text-[12.5px]">
      <thead className="text-left text-ink-3">
        <tr>
          <th scope="col" className="pr-6 font-normal">
            {uses.length === 1 ? '1 number follows it' : `${uses.length} numbers follow it`}
          </th>
          <th scope="col" className="pr-6 font-normal">
            made of it
          </th>
          <th scope="col" className="pr-6 text-right font-normal">
            comes to
          </th>
          <th scope="col" className="font-normal">
            at level
          </th>
        </tr>
      </thead>
      <tbody>
        {uses.map((use, index) => (
          <tr key={index} className="border-t border-line">
            <td className="pr-6">{use.words}</td>
            <td className="pr-6 text-ink-2">
              {use.value === undefined ? 'changes it' : use.made === '' ? 'as it is' : use.made}
            </td>
            <td className="pr-6 text-right font-semibold">
              {use.value === undefined ? '—' : formatNumber(use.value, 3)}
            </td>
            <td>
              <button type="button" className="link" onClick={() => open(use)}>
                {use.at}
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
