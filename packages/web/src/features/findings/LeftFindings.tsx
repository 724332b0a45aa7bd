import { countAgain, leftBecause, type Finding } from '@stadion/core/authoring/findings';
import { positionOf } from '@stadion/core/document/model';
import { useEdit, useProject } from '../../store/hooks.ts';
import { keyOf } from './groups.ts';

/** Findings that are left as they are, with the reasons. */
export function LeftFindings({ findings }: { findings: readonly Finding[] }) {
  const project = useProject();
  const edit = useEdit();
  if (findings.length === 0) return null;
  return (
    <section aria-label="Left as they are" className="mt-2 border-t border-line-strong pt-2.5">
      <h3 className="mb-1 text-[13px]">Left as they are</h3>
      <ul>
        {findings.map((finding) => (
          <li key={keyOf(finding)} className="py-0.5 text-ink-2">
            {positionOf(project, finding.slotId)}&ensp;{finding.sentence}{' '}
            <span className="text-ink-3">{leftBecause(project, finding) || 'No reason was given.'}</span>{' '}
            <button type="button" className="link" onClick={() => edit(countAgain(project, finding))}>
              Look at it again
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
