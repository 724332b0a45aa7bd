import type { Recording } from '@stadion/core/play/attempt';
import { ticksToSeconds } from '@stadion/core/play/rules';
import type { LevelContext } from '../../readings/levelContext.ts';
import { sectionsOf } from '@stadion/core/play/grid';
import { formatMoment, formatNumber } from '../../ui/index.ts';
import type { BestAttempt } from './bestAttempts.ts';

interface Props {
  here: LevelContext;
  best: readonly BestAttempt[];
  /** Mark of the level as it is now. */
  level: number;
  onWatch: (recording: Recording) => void;
}

/** A person's best attempts at a level, each to be watched again. */
export function BestAttempts({ here, best, level, onWatch }: Props) {
  const isRun = sectionsOf(here.level.ground).length > 0;
  return (
    <section aria-label="Your best attempts" className="mt-2 border-t border-line pt-2">
      <h3 className="text-[12.5px]">Your best attempts</h3>
      {best.length === 0 ? (
        <p className="text-ink-3">None yet: those that you play from the start to the end are kept in this browser.</p>
      ) : null}
      <ol>
        {best.map((attempt) => (
          <li key={`${attempt.at} ${attempt.ticks}`} className="flex items-baseline gap-2">
            <span className={attempt.won ? 'text-win' : 'text-loss'}>{attempt.won ? 'Won' : 'Lost'}</span>
            <span className="text-mark-ink" aria-label={`${attempt.stars} stars`}>
              {'★'.repeat(attempt.stars)}
            </span>
            <span className="grow text-ink-2" title={formatMoment(attempt.at)}>
              {isRun ? `${attempt.sectionsPassed} section${attempt.sectionsPassed === 1 ? '' : 's'}, ` : ''}
              {attempt.score > 0 ? `score ${formatNumber(attempt.score, 0)}, ` : ''}
              {formatNumber(ticksToSeconds(attempt.ticks), 1)} s
            </span>
            {attempt.level === level ? (
              <button type="button" className="link" onClick={() => onWatch(attempt.recording)}>
                watch
              </button>
            ) : (
              <span className="text-ink-3" title="Played again on the level as it is now, it would be another attempt">
                the level was another
              </span>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
