import type { Finding } from '@stadion/core/authoring/findings';
import { literal, type StarReading, type Stars } from '@stadion/core/document/model';
import { starCount } from '@stadion/core/play/rules';
import { X } from 'lucide-react';
import { addAt, at, removeAt, replaceAt } from '@stadion/core/authoring/edits';
import { FindingNotes } from '../../sentences/FindingNote.tsx';
import { useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { AmountChip, conditionOn, ConditionSentence } from '../../sentences/index.ts';
import { STAR_READINGS } from '../../sentences/starReadings.ts';
import { ChoiceChip } from '../../ui/index.ts';

const MOST_STARS = 5;
const OWN = 'conditions';
const stars = (count: number): string => '★'.repeat(count);

interface Props {
  here: LevelContext;
  findings: readonly Finding[];
}

/** Stars of the level: a ladder on one reading, or a condition each. */
export function StarsSentence({ here, findings }: Props) {
  const edit = useEdit();
  const { level } = here;
  const path = at('levels', level.id, 'stars');
  const chosen = level.stars.is === 'ladder' ? level.stars.reading : OWN;
  const choose = (value: string): void => {
    const next = value === OWN ? eachItsOwn(here) : ladderOn(value as StarReading, level.stars);
    edit({
      label: `Stars of ${level.name}: by ${value === OWN ? 'a condition each' : STAR_READINGS[value as StarReading].label}`,
      patch: [replaceAt(path, next)],
    });
  };
  return (
    <div>
      <div className="say">
        <span className="join">by</span>
        <ChoiceChip
          label="What stars stand on"
          value={chosen}
          choices={[
            ...Object.entries(STAR_READINGS).map(([value, { label }]) => ({ value, label })),
            { value: OWN, label: 'a condition each' },
          ]}
          onChoose={choose}
        />
        {level.stars.is === 'ladder' ? <Ladder here={here} ladder={level.stars} path={path} /> : null}
      </div>
      {level.stars.is === 'conditions' ? (
        <Conditions here={here} conditions={level.stars.conditions} path={path} findings={findings} />
      ) : null}
      <FindingNotes findings={findings} at={(place) => place.startsWith(path)} />
    </div>
  );
}

/** Where thresholds on a reading begin, and how far they lie apart. */
const FIRST_THRESHOLDS: Readonly<Record<StarReading, { from: number; by: number }>> = {
  timeLeft: { from: 10, by: 5 },
  timeElapsed: { from: 40, by: 5 },
  score: { from: 50, by: 25 },
  worth: { from: 40, by: 20 },
  collected: { from: 5, by: 5 },
  lives: { from: 2, by: 1 },
  health: { from: 40, by: 20 },
  tries: { from: 3, by: 1 },
  rounds: { from: 8, by: 2 },
  fallen: { from: 1, by: 1 },
};

/** The same number of stars on another reading, with thresholds to start from. */
function ladderOn(reading: StarReading, before: Stars): Stars {
  const { better } = STAR_READINGS[reading];
  const { from, by } = FIRST_THRESHOLDS[reading];
  const thresholds = Array.from({ length: starCount(before) }, (_, index) =>
    index === 0 ? null : literal(Math.max(0, better === 'atLeast' ? from + by * (index - 1) : from - by * (index - 1))),
  );
  return { is: 'ladder', reading, direction: better, thresholds };
}

/** A condition for each star, from what the ladder asked where it can be said. */
function eachItsOwn(here: LevelContext): Stars {
  const { stars: before } = here.level;
  if (before.is === 'conditions') return before;
  const conditions = before.thresholds.map((threshold, index) => {
    if (threshold === null) return null;
    const { reading } = before;
    const named = reading === 'worth' || reading === 'collected' ? { reading, of: 'any' } : { reading };
    return {
      id: `star-${index + 1}`,
      is: 'compare' as const,
      reading: named,
      comparison: before.direction,
      amount: threshold,
    };
  });
  return { is: 'conditions', conditions };
}

function Remove({ count, level, path }: { count: number; level: string; path: string }) {
  const edit = useEdit();
  return (
    <button
      type="button"
      className="rest rounded-r p-1 text-ink-3 hover:bg-loss-soft hover:text-loss"
      aria-label={`Remove the star ${count}`}
      onClick={() => edit({ label: `${level}: ${count - 1} stars`, patch: [removeAt(path)] })}
    >
      <X size={13} />
    </button>
  );
}

function Ladder({
  here,
  ladder,
  path,
}: {
  here: LevelContext;
  ladder: Extract<Stars, { is: 'ladder' }>;
  path: string;
}) {
  const edit = useEdit();
  const { level } = here;
  const { thresholds, reading, direction } = ladder;
  const { label, unit, step } = STAR_READINGS[reading];
  const words = direction === 'atLeast' ? 'at least' : 'at most';
  const base = `${path}/thresholds`;
  const last = thresholds.length - 1;
  return (
    <>
      {thresholds.map((threshold, index) => (
        <span key={index} className="say mr-2 inline-flex">
          <span className="text-mark-ink" aria-label={`${index + 1} star${index === 0 ? '' : 's'}`}>
            {stars(index + 1)}
          </span>
          {threshold === null ? (
            <>
              <span className="join">cleared</span>
              {index === 0 ? (
                <button
                  type="button"
                  className="act link text-[12px]"
                  onClick={() =>
                    edit({
                      label: `${stars(1)} takes ${label}`,
                      patch: [replaceAt(`${base}/0`, literal(direction === 'atLeast' ? 1 : 60))],
                    })
                  }
                >
                  + number
                </button>
              ) : null}
            </>
          ) : (
            <>
              <span className="join">{words}</span>
              <AmountChip
                here={here}
                label={`${index + 1} stars: ${label}`}
                amount={threshold}
                path={`${base}/${index}`}
                step={step}
                min={0}
                {...(unit === '' ? {} : { unit })}
                {...(index === 0
                  ? { onClear: () => edit({ label: '★ for clearing', patch: [replaceAt(`${base}/0`, null)] }) }
                  : {})}
              />
            </>
          )}
          {index === last && index > 0 ? (
            <Remove count={index + 1} level={level.name} path={`${base}/${index}`} />
          ) : null}
        </span>
      ))}
      {thresholds.length < MOST_STARS ? (
        <button
          type="button"
          className="act link"
          onClick={() => {
            const before = thresholds[last];
            const value = before?.from === 'number' ? before.value : direction === 'atLeast' ? 20 : 40;
            edit({
              label: `${level.name}: ${thresholds.length + 1} stars`,
              patch: [addAt(`${base}/-`, literal(Math.max(0, value + (direction === 'atLeast' ? step : -step))))],
            });
          }}
        >
          + star
        </button>
      ) : null}
    </>
  );
}

function Conditions({
  here,
  conditions,
  path,
  findings,
}: {
  here: LevelContext;
  conditions: Extract<Stars, { is: 'conditions' }>['conditions'];
  path: string;
  findings: readonly Finding[];
}) {
  const edit = useEdit();
  const { level } = here;
  const base = `${path}/conditions`;
  return (
    <div>
      {conditions.map((condition, index) => (
        <div key={index} className="say items-start">
          <span className="leading-6 text-mark-ink" aria-label={`Star ${index + 1}`}>
            ★{index + 1}
          </span>
          {condition ? (
            <ConditionSentence
              here={here}
              condition={condition}
              path={`${base}/${index}`}
              topic={`Star ${index + 1}`}
              findings={findings}
              onRemove={() =>
                edit({ label: `Star ${index + 1} for clearing`, patch: [replaceAt(`${base}/${index}`, null)] })
              }
            />
          ) : (
            <>
              <span className="join leading-6">cleared</span>
              <button
                type="button"
                className="act link text-[12px] leading-6"
                onClick={() =>
                  edit({
                    label: `A condition for star ${index + 1}`,
                    patch: [replaceAt(`${base}/${index}`, conditionOn({ reading: 'lives' }, here))],
                  })
                }
              >
                + condition
              </button>
            </>
          )}
          {index === conditions.length - 1 && index > 0 ? (
            <Remove count={index + 1} level={level.name} path={`${base}/${index}`} />
          ) : null}
        </div>
      ))}
      {conditions.length < MOST_STARS ? (
        <button
          type="button"
          className="act link"
          onClick={() =>
            edit({
              label: `${level.name}: ${conditions.length + 1} stars`,
              patch: [addAt(`${base}/-`, conditionOn({ reading: 'timeLeft' }, here))],
            })
          }
        >
          + star
        </button>
      ) : null}
    </div>
  );
}
