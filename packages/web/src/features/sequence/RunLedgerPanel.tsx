import {
  ledgerOf,
  runTallies,
  startPlaythrough,
  type AttemptEntry,
  type LedgerRow,
  playthroughPlanOf,
} from '@stadion/core/play/playthrough';
import { useMemo, useState } from 'react';
import { useGoto } from '../../address/address.ts';
import { useProject } from '../../store/hooks.ts';
import { Button, formatNumber, NumberChip } from '../../ui/index.ts';
import { MOST_ENTRIES, SCRIPTS, SEED, usualEntry } from './script.ts';

const EVENTS = { next: 'next', retry: 'retry', gameOver: 'game over', end: 'the end' } as const;

const FIRST_SCRIPT: (typeof SCRIPTS)[number] = {
  label: 'at first',
  entries: (project) => SCRIPTS[1]?.entries(project).slice(0, 9) ?? [],
};

/** The ledger of one whole run, attempt by attempt: change what an attempt brings and see what is kept. */
export function RunLedgerPanel() {
  const project = useProject();
  /** A ready run follows every change of the sequence, until one of its attempts is changed by hand. */
  const [written, setEntries] = useState<AttemptEntry[]>();
  const [script, setScript] = useState(FIRST_SCRIPT);
  const entries = useMemo(() => written ?? script.entries(project), [written, script, project]);
  const rows = useMemo(() => ledgerOf(playthroughPlanOf(project), entries, SEED), [project, entries]);
  const start = useMemo(() => startPlaythrough(playthroughPlanOf(project), SEED), [project]);
  const tallies = runTallies(project);
  const last = rows.at(-1)?.after ?? start;
  const change = (index: number, part: Partial<AttemptEntry>): void =>
    setEntries(entries.map((entry, at) => (at === index ? { ...entry, ...part } : entry)));
  return (
    <aside
      aria-label="One run, attempt by attempt"
      className="w-[560px] shrink-0 overflow-y-auto border-l border-line-strong bg-sheet px-[18px] py-3.5 max-[1100px]:w-[470px] min-[1600px]:w-[760px]"
    >
      <h2 className="text-[14px]">One run, attempt by attempt</h2>
      <p className="mb-2 text-ink-3">
        What a run has after each attempt, as this sequence keeps and resets it. Change an attempt to see.
      </p>
      <div className="mb-2 flex flex-wrap gap-1.5">
        {SCRIPTS.map((script) => (
          <Button
            key={script.label}
            onClick={() => {
              setScript(script);
              setEntries(undefined);
            }}
          >
            {script.label}
          </Button>
        ))}
      </div>
      <table className="w-full text-[12.5px]" aria-label="Ledger of the run">
        <thead>
          <tr className="text-right text-ink-3">
            <th className="text-left font-normal">Slot</th>
            <th className="text-left font-normal">Attempt</th>
            <th className="font-normal">points</th>
            <th className="pr-2 font-normal">lives lost</th>
            {tallies.map((tally) => (
              <th key={tally} className="border-l border-line px-1 font-normal">
                {project.tallies.find((entry) => entry.id === tally)?.name ?? tally}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr className="border-t border-line text-right">
            <td colSpan={4} className="text-left text-ink-3">
              at the start
            </td>
            {tallies.map((tally) => (
              <td key={tally} className="border-l border-line px-1">
                {formatNumber(start.tallies[tally] ?? 0)}
              </td>
            ))}
          </tr>
          {rows.map((row, index) => (
            <BookRow key={index} row={row} index={index} tallies={tallies} onChange={(part) => change(index, part)} />
          ))}
        </tbody>
      </table>
      <div className="mt-2 flex items-center gap-2">
        <Button
          disabled={last.over || entries.length >= MOST_ENTRIES}
          onClick={() => setEntries([...entries.slice(0, rows.length), usualEntry(project, last.position)])}
        >
          One attempt more
        </Button>
        <Button disabled={rows.length === 0} onClick={() => setEntries(entries.slice(0, rows.length - 1))}>
          One less
        </Button>
        <span role="status" className="text-ink-2">
          {last.over ? 'The run is over.' : `Goes on at slot ${last.position}.`}
        </span>
      </div>
    </aside>
  );
}

interface RowProps {
  row: LedgerRow;
  index: number;
  tallies: readonly string[];
  onChange: (part: Partial<AttemptEntry>) => void;
}

function BookRow({ row, index, tallies, onChange }: RowProps) {
  const goto = useGoto();
  const project = useProject();
  const { entry } = row;
  const slot = project.slots[row.position - 1];
  const won = entry.result === 'won';
  const n = index + 1;
  return (
    <>
      <tr className="border-t border-line text-right">
        <td className="text-left">
          <button type="button" className="link" onClick={() => slot && goto({ slotId: slot.id })}>
            {row.position}
          </button>
        </td>
        <td className="text-left whitespace-nowrap">
          <button
            type="button"
            className={`chip ${won ? 'text-win' : 'text-loss'}`}
            aria-label={`Attempt ${n}: ${entry.result}`}
            onClick={() => onChange(won ? { result: 'lost', livesLost: 1 } : { result: 'won', livesLost: 0 })}
          >
            {entry.result}
          </button>{' '}
          {won ? (
            <NumberChip
              label={`Stars of attempt ${n}`}
              value={entry.stars}
              shown={'★'.repeat(entry.stars) || '–'}
              step={1}
              min={0}
              max={5}
              whole
              onCommit={(stars) => onChange({ stars })}
            />
          ) : null}
        </td>
        <td>
          <NumberChip
            label={`Points of attempt ${n}`}
            value={entry.score}
            step={10}
            min={0}
            onCommit={(score) => onChange({ score })}
          />
        </td>
        <td className="pr-2">
          <NumberChip
            label={`Lives lost in attempt ${n}`}
            value={entry.livesLost}
            step={1}
            min={0}
            max={99}
            whole
            onCommit={(livesLost) => onChange({ livesLost })}
          />
        </td>
        {tallies.map((tally) => {
          const kept = row.kept[tally] ?? 0;
          const isReset = kept !== (row.earned[tally] ?? 0);
          return (
            <td
              key={tally}
              className={`border-l border-line px-1 ${isReset ? 'bg-mark-soft font-semibold' : ''}`}
              title={isReset ? `reset from ${formatNumber(row.earned[tally] ?? 0)}` : undefined}
            >
              {formatNumber(kept)}
            </td>
          );
        })}
      </tr>
      {row.event === 'next' && row.said.length === 0 ? null : (
        <tr>
          <td />
          <td colSpan={3 + tallies.length} className="pb-1 text-left text-[12px] text-ink-2">
            {[row.event === 'next' ? '' : EVENTS[row.event], ...row.said].filter(Boolean).join('; ')}
          </td>
        </tr>
      )}
    </>
  );
}
