import { startingJudgeAt } from '@stadion/core/forecast/trials';
import { clockCasesOf, starCasesOf, type EndCase } from '@stadion/core/play/rules';
import { useMemo } from 'react';
import type { LevelContext } from '../../readings/levelContext.ts';
import { CaseTable, valueInWords, verdictInWords, type EdgeRow } from '../../sentences/index.ts';
import { STAR_READINGS } from '../../sentences/starReadings.ts';

const PLACES = { below: 'just below', at: 'at', above: 'just above' } as const;

function rowsOf(here: LevelContext, cases: readonly EndCase[]): EdgeRow[] {
  const { stars } = here.level;
  return cases.map((entry, index) => {
    const isClock = entry.star < 0;
    const reading = isClock ? 'timeElapsed' : stars.is === 'ladder' ? stars.reading : 'score';
    return {
      key: `${index}`,
      what: isClock
        ? `time taken, with ${entry.withEverything ? 'everything' : 'nothing'} gathered`
        : `${STAR_READINGS[stars.is === 'ladder' ? stars.reading : 'score'].label} at the win`,
      value: valueInWords(reading, entry.value, here),
      place: `${PLACES[entry.place]} ${isClock ? 'the limit' : '★'.repeat(entry.star + 1)}`,
      verdict: verdictInWords(entry.outcome, undefined, here),
      tone: entry.outcome.verdict,
      outcome: entry.outcome,
      frames: entry.frames,
    };
  });
}

export type TableOf = 'clock' | 'stars';

/** Shows the edge cases of the clock or of the stars. */
export function TableSwitch({ of, open, onToggle }: { of: TableOf; open: boolean; onToggle: (of: TableOf) => void }) {
  return (
    <button
      type="button"
      className="link text-[12px]"
      aria-expanded={open}
      aria-label={`Edge cases of the ${of}`}
      onClick={() => onToggle(of)}
    >
      edge cases
    </button>
  );
}

/** The edge cases of the clock or of the stars. */
export function EndTable({ here, of }: { here: LevelContext; of: TableOf }) {
  const rows = useMemo(() => {
    const starting = startingJudgeAt(here.project, here.position);
    return rowsOf(here, of === 'clock' ? clockCasesOf(starting, starting.worth) : starCasesOf(starting));
  }, [here, of]);
  return rows.length === 0 ? (
    <p className="text-ink-3">There is no number here that could be met or missed.</p>
  ) : (
    <CaseTable here={here} rows={rows} label={`Edge cases of the ${of}`} />
  );
}
