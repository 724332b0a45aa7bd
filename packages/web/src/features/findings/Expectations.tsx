import { positionOf, type Expectation, type Project } from '@stadion/core/document/model';
import { X } from 'lucide-react';
import { dropExpectation } from '@stadion/core/authoring/edits';
import { useGoto } from '../../address/address.ts';
import { useEdit, useProject } from '../../store/hooks.ts';
import { useExpectations } from '../../answers/useExpectations.ts';

const VERDICTS = { won: 'won', lost: 'lost', goesOn: 'it goes on' } as const;
const percent = (share: number): string => `${Math.round(share * 1000) / 10} %`;

function inWords(expectation: Expectation, project: Project): string {
  const position = positionOf(project, expectation.slotId);
  if (expectation.is === 'verdict') return `${expectation.words}: ${VERDICTS[expectation.verdict]}`;
  const { pacer, low, high } = expectation;
  return `${project.pacers.find((entry) => entry.id === pacer)?.name ?? pacer} clears slot ${position} between ${percent(low)} and ${percent(high)}`;
}

/** Expectations, and whether they hold, after every edit. */
export function Expectations() {
  const project = useProject();
  const checks = useExpectations();
  const edit = useEdit();
  const goto = useGoto();
  return (
    <section aria-label="What is expected" className="mt-2 border-t border-line-strong pt-2.5">
      <h3 className="mb-1 text-[13px]">Expectations</h3>
      {checks.length === 0 ? (
        <p className="text-ink-3">None yet: keep a line of any table of edge cases, or a forecast.</p>
      ) : null}
      <ul aria-label="Expectations">
        {checks.map(({ expectation, met, said }) => (
          <li key={expectation.id} className="flex items-baseline gap-2 py-0.5">
            <span
              className={`w-16 shrink-0 font-semibold ${met === null ? 'text-ink-3' : met ? 'text-win' : 'text-loss'}`}
            >
              {met === null ? 'waits' : met ? '✓ met' : '✕ not met'}
            </span>
            <span className="grow">
              <button
                type="button"
                className="link"
                onClick={() => goto({ screen: 'level', slotId: expectation.slotId })}
              >
                {positionOf(project, expectation.slotId)}
              </button>{' '}
              {inWords(expectation, project)} <span className="text-ink-3">({said})</span>
            </span>
            <button
              type="button"
              className="rounded-r p-1 text-ink-3 hover:bg-loss-soft hover:text-loss"
              aria-label={`Drop the expectation: ${inWords(expectation, project)}`}
              onClick={() => edit(dropExpectation(expectation.id))}
            >
              <X size={13} />
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
