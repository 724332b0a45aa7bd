import type { Finding } from '@stadion/core/authoring/findings';
import { positionOf } from '@stadion/core/document/model';
import { useState } from 'react';
import { useProject } from '../../store/hooks.ts';
import { FindingItem } from './FindingItem.tsx';
import { keyOf, type GroupedBy } from './groups.ts';
import { MendAll } from './MendAll.tsx';

/** Several findings of one class as one line with their levels; each of them is shown on demand. */
export function BundleItem({ title, findings, by }: { title: string; findings: readonly Finding[]; by: GroupedBy }) {
  const project = useProject();
  const [open, setOpen] = useState(false);
  const positions = [...new Set(findings.map(({ slotId }) => positionOf(project, slotId)))];
  return (
    <li className="border-l-2 border-line-strong py-1 pl-2">
      <div className="flex flex-wrap items-baseline gap-x-2">
        <button
          type="button"
          data-finding
          className="text-left font-semibold"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          {open ? '▾' : '▸'} {title}
        </button>
        <span className="text-ink-3">
          {positions.length === 1 ? 'level' : 'levels'} {positions.join(', ')}
        </span>
        <MendAll title={title} findings={findings} />
      </div>
      {open ? (
        <ul className="mt-1 ml-3">
          {findings.map((finding) => (
            <FindingItem key={keyOf(finding)} finding={finding} by={by} />
          ))}
        </ul>
      ) : null}
    </li>
  );
}
