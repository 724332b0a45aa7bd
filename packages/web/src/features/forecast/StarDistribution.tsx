import type { StarReading } from '@stadion/core/document/model';
import { resolveAmount, starsFor } from '@stadion/core/play/rules';
import type { Forecast } from '@stadion/core/forecast/trials';
import { at, replaceAt } from '@stadion/core/authoring/edits';
import { useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { STAR_READINGS } from '../../sentences/starReadings.ts';
import { Distribution, formatNumber, formatPercent, type Threshold } from '../../ui/index.ts';
import { STAR_SHADES } from '../../ui/shades.ts';

/** The right end of the axis: what the reading can come to at most, else what was seen. */
function highest(here: LevelContext, reading: StarReading, seen: number, asked: number): number {
  const { level, project, values, placed } = here;
  const limit = level.clock.limitSeconds === null ? 0 : resolveAmount(level.clock.limitSeconds, values, placed);
  const most: Record<StarReading, number> = {
    timeLeft: limit,
    timeElapsed: limit,
    score: 0,
    worth: placed.worth['any'] ?? 0,
    collected: placed.count['any'] ?? 0,
    lives: resolveAmount(project.run.livesAtStart, values, placed),
    health: resolveAmount(project.player.health, values, placed),
    tries: 5,
    rounds: 8,
    fallen: level.bout?.party.length ?? 0,
  };
  // Time left cannot be more than the limit, however much a threshold asks.
  return Math.max(1, Math.ceil(reading === 'timeLeft' ? limit : Math.max(most[reading], seen, asked)));
}

/** Distribution of the reading of the ladder of stars, with the thresholds to drag. */
export function StarDistribution({ here, forecast }: { here: LevelContext; forecast: Forecast }) {
  const edit = useEdit();
  const { level, values, placed } = here;
  const { stars } = level;
  if (stars.is !== 'ladder') {
    return (
      <p className="mt-3.5 text-ink-3">Each star has a condition of its own: how many earn it is among the endings.</p>
    );
  }
  const { label, unit } = STAR_READINGS[stars.reading];
  const numbers = stars.thresholds.map((threshold) => threshold && resolveAmount(threshold, values, placed));
  const isAtMost = stars.direction === 'atMost';
  const words = isAtMost ? 'at most' : 'at least';
  const thresholds = numbers.flatMap((value, index): Threshold[] =>
    value === null
      ? []
      : [
          {
            label: '★'.repeat(index + 1),
            name: `${index + 1} stars: ${label} ${words}`,
            value,
            ...(stars.thresholds[index]?.from === 'number'
              ? {
                  onMove: (next: number) =>
                    edit({
                      label: `${'★'.repeat(index + 1)} of ${level.name} to ${formatNumber(next)}${unit === '' ? '' : ` ${unit}`}`,
                      patch: [
                        replaceAt(at('levels', level.id, 'stars', 'thresholds', index), {
                          from: 'number',
                          value: next,
                        }),
                      ],
                    }),
                }
              : {}),
          },
        ],
  );
  const seen = forecast.starReadings;
  const title = `${label.charAt(0).toUpperCase()}${label.slice(1)} when cleared`;
  const median = seen[Math.floor(seen.length / 2)];
  const shares = forecast.stars
    .map((count, index) => (index > 0 && count > 0 ? `${index} stars ${formatPercent(count / forecast.attempts)}` : ''))
    .filter(Boolean)
    .join(', ');
  const asked = Math.max(0, ...numbers.map((value) => value ?? 0));
  return (
    <>
      <h3 className="mt-3.5 mb-1 text-[12.5px]">{title}</h3>
      {stars.reading === 'timeLeft' && level.clock.limitSeconds === null ? (
        <p className="text-ink-3">Without a limit on the clock there is no time left.</p>
      ) : (
        <Distribution
          values={seen}
          high={highest(here, stars.reading, seen.at(-1) ?? 0, asked)}
          unit={unit}
          label={`${title}: ${seen.length} attempts, median ${median === undefined ? 'none' : `${formatNumber(median, 1)} ${unit}`.trim()}. ${shares}`}
          thresholds={thresholds}
          colourAt={(value) => STAR_SHADES[Math.min(5, starsFor(numbers, value, isAtMost))] as string}
        />
      )}
    </>
  );
}
