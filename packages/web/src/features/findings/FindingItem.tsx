import { leaveSo, mendsOf, type Finding, type Remedy } from '@stadion/core/authoring/findings';
import { useState, type KeyboardEvent } from 'react';
import { addressOf, useGoto, useSelection } from '../../address/address.ts';
import { useEdit, useProject } from '../../store/hooks.ts';
import { placeOfFinding } from '../../address/placeOfFinding.ts';
import { Button } from '../../ui/index.ts';
import { LeaveForm } from './LeaveForm.tsx';
import { SOURCES, type GroupedBy } from './groups.ts';
import { useNavigate } from 'react-router';

interface Props {
  finding: Finding;
  /** Words that the heading above it already shows. */
  by: GroupedBy;
}

const STRIPES: Readonly<Record<Finding['severity'], string>> = {
  'stops play': 'border-loss',
  'surely wrong': 'border-mark',
  doubtful: 'border-line-strong',
};

/** Where searches stand that lead out of a finding. */
const REMEDIES: Readonly<Record<Remedy, { words: string; screen: 'level' | 'trials'; query: string }>> = {
  bringThere: { words: 'Bring it there…', screen: 'level', query: 'open=bring' },
  starShares: { words: 'Set stars from shares…', screen: 'level', query: 'open=stars' },
  turnRamps: { words: 'Turn the ramps…', screen: 'trials', query: 'show=wanted' },
};

function addressOfRemedy(remedy: Remedy, projectId: string, slotId: string): string {
  const { screen, query } = REMEDIES[remedy];
  return `${addressOf(projectId, screen, slotId)}?${query}`;
}

/** One finding of the list: what it says, why, where, and what can be done about it. */
export function FindingItem({ finding, by }: Props) {
  const project = useProject();
  const { projectId } = useSelection();
  const edit = useEdit();
  const goto = useGoto();
  const navigate = useNavigate();
  const [leaving, setLeaving] = useState(false);
  const { mend, slotId, severity, sentence, reason, evidence, title, source, remedies = [] } = finding;
  const position = project.slots.findIndex((slot) => slot.id === slotId) + 1;
  const name = project.levels[project.slots[position - 1]?.levelId ?? '']?.name ?? '';
  const go = (): void => goto(placeOfFinding(finding));
  const watch = (): void => {
    if (evidence?.shows !== undefined)
      void navigate(`${addressOf(projectId, 'play', slotId)}?attempt=${evidence.pacer}.${evidence.shows}`);
  };

  const onKeyDown = (event: KeyboardEvent<HTMLLIElement>): void => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target !== event.currentTarget) return;
    const acts: Readonly<Record<string, (() => void) | undefined>> = {
      Enter: go,
      m: mend && (() => edit(mend)),
      l: () => setLeaving(true),
      w: evidence?.shows === undefined ? undefined : watch,
    };
    const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };

  return (
    <li
      tabIndex={0}
      data-finding
      aria-label={`${severity}: ${sentence}`}
      onKeyDown={onKeyDown}
      className={`border-l-[3px] ${STRIPES[severity]} mb-2 py-1 pr-1 pl-2.5`}
    >
      <p>
        {by === 'level' ? null : (
          <button type="button" className="link" tabIndex={-1} onClick={go}>
            {position} {name}
          </button>
        )}{' '}
        <b>{sentence}</b> {reason}
      </p>
      <div className="flex items-baseline justify-between gap-2 text-[12px] text-ink-3">
        <p>
          {by === 'class' ? '' : `${title}, `}
          {SOURCES[source]}
          {evidence ? ` (${evidence.attempts})` : ''}
        </p>
        {leaving ? null : (
          <button type="button" className="link shrink-0" onClick={() => setLeaving(true)}>
            Leave it so…
          </button>
        )}
      </div>
      {leaving ? (
        <LeaveForm
          onLeave={(why) => {
            edit(leaveSo(project, finding, why));
            setLeaving(false);
          }}
          onCancel={() => setLeaving(false)}
        />
      ) : (
        <div className="mt-1 flex flex-wrap items-center gap-1.5">
          {mendsOf(finding).map((each) => (
            <Button key={each.label} onClick={() => edit(each)}>
              {each.label}
            </Button>
          ))}
          {remedies.map((remedy) => (
            <button
              key={remedy}
              type="button"
              className="link px-1"
              onClick={() => void navigate(addressOfRemedy(remedy, projectId, slotId))}
            >
              {REMEDIES[remedy].words}
            </button>
          ))}
          <button type="button" className="link px-1" onClick={go}>
            Go there
          </button>
          {evidence?.shows === undefined ? null : (
            <button type="button" className="link px-1" onClick={watch}>
              Watch one attempt
            </button>
          )}
        </div>
      )}
    </li>
  );
}
