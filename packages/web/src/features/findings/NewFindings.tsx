import type { Finding } from '@stadion/core/authoring/findings';
import { useEffect, useRef, useState } from 'react';
import { useSelection } from '../../address/address.ts';
import { useFindings } from '../../answers/useFindings.ts';
import { keyOf } from './groups.ts';

/** Message about new findings. */
function saidOf(fresh: readonly Finding[]): string {
  const [first] = fresh;
  if (!first) return '';
  return fresh.length === 1 ? `New finding: ${first.sentence}` : `${fresh.length} new findings. ${first.sentence}`;
}

/** Says politely, for those who listen, when a finding appears; what was there on opening is not said. */
export function NewFindings() {
  const { projectId } = useSelection();
  const findings = useFindings();
  const before = useRef<{ projectId: string; keys: ReadonlySet<string> }>(undefined);
  const [said, setSaid] = useState('');
  useEffect(() => {
    const keys = new Set(findings.map(keyOf));
    const known = before.current?.projectId === projectId ? before.current.keys : undefined;
    before.current = { projectId, keys };
    if (!known || known.size === 0) return;
    const words = saidOf(findings.filter((finding) => !known.has(keyOf(finding))));
    if (words !== '') setSaid(words);
  }, [projectId, findings]);
  return (
    <p role="status" className="sr-only">
      {said}
    </p>
  );
}
