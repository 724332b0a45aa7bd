import { mendAll, type Finding } from '@stadion/core/authoring/findings';
import { MAX_OPERATIONS_IN_AN_EDIT } from '@stadion/core/exchange/contract';
import { positionOf } from '@stadion/core/document/model';
import { useMemo, useState } from 'react';
import { useEdit, useProject, useProjectDocument } from '../../store/hooks.ts';
import { Button } from '../../ui/index.ts';
import { keyOf } from './groups.ts';

/** Mends all findings of one class as one edit, after showing what it would do. */
export function MendAll({ title, findings }: { title: string; findings: readonly Finding[] }) {
  const [open, setOpen] = useState(false);
  const mendable = findings.filter(({ mend }) => mend);
  if (mendable.length < 2) return null;
  return open ? (
    <Preview title={title} findings={mendable} onClose={() => setOpen(false)} />
  ) : (
    <Button onClick={() => setOpen(true)}>Mend all {mendable.length}…</Button>
  );
}

function Preview({ title, findings, onClose }: { title: string; findings: readonly Finding[]; onClose: () => void }) {
  const project = useProject();
  const document = useProjectDocument();
  const edit = useEdit();
  const { patch, mended } = useMemo(() => mendAll(document, findings), [document, findings]);
  const waiting = findings.length - mended.length;
  const tooMany = patch.length > MAX_OPERATIONS_IN_AN_EDIT;
  return (
    <div
      role="group"
      aria-label={`Mend all: ${title}`}
      className="my-1.5 w-full border border-line-strong bg-paper p-2"
    >
      <p className="mb-1">
        This is one edit, and can be undone.
        {waiting > 0 ? ` ${waiting} more ${waiting === 1 ? 'waits' : 'wait'} until it is done.` : ''}
        {tooMany ? ' It is too large for one edit: mend them one by one.' : ''}
      </p>
      <ul className="mb-2 max-h-40 overflow-y-auto">
        {mended.map((finding) => (
          <li key={keyOf(finding)}>
            {positionOf(project, finding.slotId)}&ensp;{finding.mend?.label}
          </li>
        ))}
      </ul>
      <div className="flex gap-1.5">
        <Button
          look="main"
          disabled={patch.length === 0 || tooMany}
          onClick={() => {
            edit({ label: `Mend ${mended.length}: ${title}`, patch });
            onClose();
          }}
        >
          Mend {mended.length}
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </div>
    </div>
  );
}
