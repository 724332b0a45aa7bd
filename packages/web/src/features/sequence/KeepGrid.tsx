import { RUN_EVENTS, type TallyPolicy, type Project, type PlaythroughEvent } from '@stadion/core/document/model';
import { tallyPolicyOf, runTallies } from '@stadion/core/play/playthrough';
import { resolveAmount } from '@stadion/core/play/rules';
import { useRef, useState, type KeyboardEvent } from 'react';
import { setTallyPolicy } from '@stadion/core/authoring/edits';
import { useEdit, useProject } from '../../store/hooks.ts';
import { formatNumber, parseNumber } from '../../ui/index.ts';

const EVENTS: Readonly<Record<PlaythroughEvent, string>> = {
  retry: 'at a retry',
  next: 'at the next level',
  gameOver: 'at a game over',
};
const NOTHING = { count: {}, worth: {} };

/** A tally's name as people read it. */
const nameOf = (project: Project, tally: string): string =>
  ({ score: 'Score', lives: 'Lives', collected: 'Collected', stars: 'Stars' })[tally] ??
  project.tallies.find((entry) => entry.id === tally)?.name ??
  tally;

function policyInWords(policy: TallyPolicy): string {
  if (policy.is === 'keep') return 'keep';
  if (policy.to === null) return 'reset to its start';
  return `reset to ${formatNumber(resolveAmount(policy.to, {}, NOTHING))}`;
}

/** Policy of each tally at each event: arrows move, Enter switches, a number resets to it, Delete to the start. */
export function KeepGrid() {
  const project = useProject();
  const edit = useEdit();
  const tallies = runTallies(project);
  const [at, setAt] = useState({ row: 0, column: 0 });
  const [typing, setTyping] = useState<string | null>(null);
  const grid = useRef<HTMLTableElement>(null);
  const row = Math.min(at.row, tallies.length - 1);

  const focus = (nextRow: number, nextColumn: number): void => {
    const to = {
      row: Math.min(tallies.length - 1, Math.max(0, nextRow)),
      column: Math.min(RUN_EVENTS.length - 1, Math.max(0, nextColumn)),
    };
    setAt(to);
    grid.current?.querySelector<HTMLElement>(`[data-cell="${to.row}-${to.column}"]`)?.focus();
  };
  const set = (tally: string, event: PlaythroughEvent, policy: TallyPolicy): void =>
    edit(
      setTallyPolicy(
        project,
        tally,
        event,
        policy,
        `${nameOf(project, tally)} ${EVENTS[event]}: ${policyInWords(policy)}`,
      ),
    );
  const toggle = (tally: string, event: PlaythroughEvent): void =>
    set(tally, event, tallyPolicyOf(project, tally, event).is === 'keep' ? { is: 'reset', to: null } : { is: 'keep' });
  const commit = (tally: string, event: PlaythroughEvent): void => {
    const parsed = parseNumber(typing ?? '');
    setTyping(null);
    if (parsed.ok) set(tally, event, { is: 'reset', to: { from: 'number', value: parsed.value } });
    focus(row, at.column);
  };
  const onKeyDown = (event: KeyboardEvent, tally: string, name: PlaythroughEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const move = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
    if (move) focus(row + (move[0] as number), at.column + (move[1] as number));
    else if (event.key === 'Enter' || event.key === ' ') toggle(tally, name);
    else if (event.key === 'Delete' || event.key === 'Backspace') set(tally, name, { is: 'reset', to: null });
    else if (/^[\d-]$/.test(event.key)) setTyping(event.key);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div>
      <table ref={grid} role="grid" aria-label="What is kept and what is reset" className="border-collapse">
        <thead>
          <tr>
            <th className="pr-4 text-left font-normal text-ink-3">Tally</th>
            {RUN_EVENTS.map((event) => (
              <th key={event} scope="col" className="px-2.5 py-1 text-left font-normal text-ink-3">
                {EVENTS[event]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {tallies.map((tally, rowIndex) => (
            <tr key={tally}>
              <th scope="row" className="pr-4 text-left font-semibold">
                {nameOf(project, tally)}
              </th>
              {RUN_EVENTS.map((event, column) => {
                const policy = tallyPolicyOf(project, tally, event);
                const isHere = row === rowIndex && at.column === column;
                const words = policyInWords(policy);
                return (
                  <td
                    key={event}
                    role="gridcell"
                    data-cell={`${rowIndex}-${column}`}
                    tabIndex={isHere ? 0 : -1}
                    aria-label={`${nameOf(project, tally)} ${EVENTS[event]}: ${words}`}
                    className={`w-44 cursor-pointer border border-line bg-sheet px-2.5 py-1 ${policy.is === 'keep' ? '' : 'bg-mark-soft font-semibold'}`}
                    onFocus={() => setAt({ row: rowIndex, column })}
                    onClick={() => {
                      if (isHere && document.activeElement?.tagName === 'TD') toggle(tally, event);
                      else focus(rowIndex, column);
                    }}
                    onDoubleClick={() => toggle(tally, event)}
                    onKeyDown={(key) => onKeyDown(key, tally, event)}
                  >
                    {isHere && typing !== null ? (
                      <input
                        autoFocus
                        aria-label={`Reset ${nameOf(project, tally)} to`}
                        className="field h-5 w-20"
                        value={typing}
                        onChange={(change) => setTyping(change.target.value)}
                        onBlur={() => setTyping(null)}
                        onKeyDown={(key) => {
                          key.stopPropagation();
                          if (key.key === 'Enter') commit(tally, event);
                          if (key.key === 'Escape') setTyping(null);
                        }}
                      />
                    ) : (
                      words
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[12px] text-ink-3">
        Enter keeps or resets, a number resets to it, Delete resets to the start.
      </p>
    </div>
  );
}
