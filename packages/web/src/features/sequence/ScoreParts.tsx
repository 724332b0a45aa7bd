import { freshId, literal, type Reading, type ScorePart } from '@stadion/core/document/model';
import { READINGS, readingInWords } from '@stadion/core/play/rules';
import { namesFor } from '@stadion/core/play/attempt';
import { X } from 'lucide-react';
import { at, insertEntry, removeAt } from '@stadion/core/authoring/edits';
import { useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { AmountChip, readingsHere } from '../../sentences/index.ts';
import { Finder } from '../../ui/index.ts';

const NAMES_A_PIECE = new Set(['inside', 'latch', 'gate', 'phase']);

const unitOf = (reading: Reading): string =>
  ({
    seconds: 'per second of',
    lives: 'for each of the',
    points: 'per point of',
    count: 'for each of the',
    health: 'per point of',
    length: 'per unit of',
  })[READINGS[reading.reading].unit as string] ?? 'while';

/** Parts of the score. */
export function ScoreParts({ here }: { here: LevelContext }) {
  const { project } = here;
  const edit = useEdit();
  const names = namesFor(project, undefined);
  const readings = readingsHere(here).filter(
    (reading) =>
      reading.reading !== 'score' && !NAMES_A_PIECE.has(reading.reading) && READINGS[reading.reading].unit !== 'on/off',
  );
  const add = (reading: Reading): void => {
    const id = freshId(reading.reading, new Set(project.score.map((part) => part.id)));
    const part: ScorePart = { id, reading, times: literal(1) };
    edit({ label: `Score: ${readingInWords(reading, names)}`, patch: insertEntry(['score'], project.score, part) });
  };
  return (
    <div>
      <div className="say">
        {project.score.map((part, index) => (
          <span key={part.id} className="say inline-flex">
            {index > 0 ? <span className="join">+</span> : null}
            <AmountChip
              here={here}
              label={`Points ${unitOf(part.reading)} ${readingInWords(part.reading, names)}`}
              amount={part.times}
              path={at('score', part.id, 'times')}
              step={0.5}
              quiet
            />
            <span className="join">
              {unitOf(part.reading)} {readingInWords(part.reading, names)}
            </span>
            <button
              type="button"
              className="rounded-r p-1 text-ink-3 hover:bg-loss-soft hover:text-loss"
              aria-label={`Remove from the score: ${readingInWords(part.reading, names)}`}
              onClick={() =>
                edit({
                  label: `Score without ${readingInWords(part.reading, names)}`,
                  patch: [removeAt(at('score', part.id))],
                })
              }
            >
              <X size={13} />
            </button>
          </span>
        ))}
        {project.score.length === 0 ? <span className="text-ink-3">only what milestones add</span> : null}
        <Finder
          label="What else counts for the score"
          placeholder="time left, lives, beaten …"
          entries={readings.map((reading) => ({
            id: JSON.stringify(reading),
            label: readingInWords(reading, names),
            onChoose: () => add(reading),
          }))}
          trigger={
            <button type="button" className="link">
              + part
            </button>
          }
        />
      </div>
      <p className="text-[12px] text-ink-3">and whatever milestones add</p>
    </div>
  );
}
