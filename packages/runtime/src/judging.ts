import type { HandedCondition, HandedSlot, HandOff } from '@stadion/core/exchange/formats';
import {
  secondsToTicks,
  type Judging,
  type LiveRamp,
  type ResolvedEffect,
  type ResolvedStars,
} from '@stadion/core/play/rules';
import { liveOf, readCondition, type Meanings } from './logic.ts';
import type { SlotReadings } from './subjects.ts';

/** A slot as the core's judge takes it. */
export interface SlotJudging {
  judging: Judging;
  ramps: LiveRamp[];
}

/** @throws Error where a condition names a reading that does not exist */
export function judgingOf(slot: HandedSlot, { tallies }: HandOff, readings: SlotReadings): SlotJudging {
  const meanings: Meanings = {
    reading(name) {
      const found = readings.find(name);
      if (!found) throw new Error(`There is no reading “${name}”.`);
      return found;
    },
    dial: (parameter) => slot.changing.indexOf(parameter),
  };
  const condition = (handed: HandedCondition) => readCondition(handed, meanings);
  const { clock } = slot;
  return {
    judging: {
      rules: slot.rules.map((rule) => ({
        id: rule.id,
        when: condition(rule),
        // The judge asks only whether they end an attempt.
        then: rule.then as unknown as ResolvedEffect[],
        fires: rule.fires,
        ...(rule.everySeconds === undefined ? {} : { everyTicks: Math.max(1, secondsToTicks(rule.everySeconds)) }),
      })),
      tie: slot.tie,
      limitTicks: clock.limitSeconds === undefined ? -1 : secondsToTicks(clock.limitSeconds),
      ...(clock.limitFollows ? { liveLimit: liveOf(clock.limitFollows, meanings) } : {}),
      warnAtTicks: clock.warnAtSeconds === undefined ? 0 : secondsToTicks(clock.warnAtSeconds),
      clockStarts: clock.starts,
      clockStart: clock.startsWhen ? condition(clock.startsWhen) : null,
      atExpiry: clock.atExpiry === 'win' ? 'won' : clock.atExpiry === 'lose' ? 'lost' : 'grade',
      lives: slot.lives,
      stars: starsOf(slot.stars, condition, meanings),
      score: slot.score.map(({ reading, times }) => ({ ...meanings.reading(reading), times })),
      tallies: Object.values(tallies).map(({ start }) => start),
    },
    ramps: Object.entries(slot.live).map(([parameter, { along, bands, source, ...rest }]) => ({
      ...rest,
      dial: meanings.dial(parameter),
      axis: along,
      source: source as unknown as LiveRamp['source'],
      bands: bands.map((band) => ({ ...band, name: '' })),
    })),
  };
}

function starsOf(
  stars: HandedSlot['stars'],
  condition: (handed: HandedCondition) => ReturnType<typeof readCondition>,
  meanings: Meanings,
): ResolvedStars {
  if (stars.is === 'conditions')
    return { is: 'conditions', conditions: stars.conditions.map((one) => one && condition(one)) };
  const { reading, direction, thresholds } = stars;
  return { is: 'ladder', ...meanings.reading(reading), atMost: direction === 'atMost', thresholds };
}
