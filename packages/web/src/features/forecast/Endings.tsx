import { formatPercent } from '../../ui/index.ts';
import { HATCH } from '../../ui/shades.ts';

export interface EndingPart {
  name: string;
  count: number;
  colour: string;
  /** Losses are hatched besides their colour. */
  loss: boolean;
}

/** How attempts end, as one bar and its legend. */
export function Endings({ parts, total }: { parts: readonly EndingPart[]; total: number }) {
  const background = (part: EndingPart): string => (part.loss ? `${HATCH}, ${part.colour}` : part.colour);
  return (
    <div>
      <div className="flex h-4 gap-px overflow-hidden" aria-hidden>
        {parts.map((part) => (
          <div
            key={part.name}
            style={{ width: `${(part.count / Math.max(1, total)) * 100}%`, background: background(part) }}
          />
        ))}
      </div>
      <ul className="mt-1 flex flex-wrap gap-x-3.5 gap-y-0.5 text-[12px]">
        {parts.map((part) => (
          <li key={part.name}>
            <i className="mr-1.5 inline-block size-[9px]" style={{ background: background(part) }} />
            {part.name} <b>{formatPercent(part.count / Math.max(1, total))}</b>
          </li>
        ))}
      </ul>
    </div>
  );
}
