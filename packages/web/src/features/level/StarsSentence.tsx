import { literal } from '@stadion/core/model';
import type { Finding } from '@stadion/core/findings';
import { X } from 'lucide-react';
import { addAt, at, removeAt, replaceAt } from '../../app/commands/index.ts';
import { FindingNotes } from '../../app/FindingNote.tsx';
import { useEdit } from '../../app/hooks.ts';
import { AmountChip } from './AmountChip.tsx';
import type { LevelHere } from '../../app/levelHere.ts';

const MOST_STARS = 5;

/** The ladder of stars on the time left. */
export function StarsSentence({ here, findings }: { here: LevelHere; findings: readonly Finding[] }) {
  const edit = useEdit();
  const { level } = here;
  const { thresholds } = level.stars;
  const path = at('levels', level.id, 'stars', 'thresholds');
  return (
    <div>
      <div className="say">
        {thresholds.map((threshold, index) => {
          const stars = '★'.repeat(index + 1);
          return (
            <span key={index} className="say mr-2 inline-flex">
              <span className="text-mark-ink" aria-label={`${index + 1} star${index === 0 ? '' : 's'}`}>
                {stars}
              </span>
              {threshold === null ? (
                <>
                  <span className="join">cleared</span>
                  {index === 0 ? (
                    <button
                      type="button"
                      className="link text-[12px]"
                      onClick={() =>
                        edit({ label: `${stars} at 1 s left`, patch: [replaceAt(`${path}/0`, literal(1))] })
                      }
                    >
                      + time
                    </button>
                  ) : null}
                </>
              ) : (
                <>
                  <span className="join">
                    {index === 0 || thresholds[index - 1] === null ? 'time left at least' : 'at least'}
                  </span>
                  <AmountChip
                    here={here}
                    label={`${index + 1} stars: time left`}
                    amount={threshold}
                    path={`${path}/${index}`}
                    step={1}
                    min={0}
                    max={3600}
                    unit="s"
                    {...(index === 0
                      ? { onClear: () => edit({ label: '★ for clearing', patch: [replaceAt(`${path}/0`, null)] }) }
                      : {})}
                  />
                </>
              )}
              {index === thresholds.length - 1 && index > 0 ? (
                <button
                  type="button"
                  className="rounded-r p-1 text-ink-3 hover:bg-loss-soft hover:text-loss"
                  aria-label={`Remove the star ${index + 1}`}
                  onClick={() =>
                    edit({ label: `${level.name}: ${index} stars`, patch: [removeAt(`${path}/${index}`)] })
                  }
                >
                  <X size={13} />
                </button>
              ) : null}
            </span>
          );
        })}
        {thresholds.length < MOST_STARS ? (
          <button
            type="button"
            className="link"
            onClick={() =>
              edit({ label: `${level.name}: ${thresholds.length + 1} stars`, patch: [addAt(`${path}/-`, literal(30))] })
            }
          >
            + star
          </button>
        ) : null}
      </div>
      <FindingNotes findings={findings} at={(place) => place.startsWith(path)} />
    </div>
  );
}
