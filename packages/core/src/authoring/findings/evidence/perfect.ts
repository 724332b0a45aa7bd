import { pointerOf } from '../../../document/model/index.ts';
import { winning } from '../conditions.ts';
import { mayHold } from '../possible.ts';
import { say } from '../finding.ts';
import { evidenceOf, type EvidenceCheck } from './attemptFacts.ts';

/** Readings that are greatest for a player who ends a level as soon as possible; such players gather nothing for a star. */
const BEST_AT_ONCE: ReadonlySet<string> = new Set(['timeLeft', 'timeElapsed', 'lives', 'health', 'tries']);
/** Share of attempts without mistakes that must clear a level before its stars are judged by them. */
const MOSTLY = 0.9;

/** The clock ends the attempts even of players without mistakes. */
export const fastestBeyondClock: EvidenceCheck = {
  code: 'fastest-beyond-clock',
  title: 'No attempt is fast enough',
  group: 'win',
  severity: 'doubtful',
  source: 'attempts',
  find(facts) {
    const { here, forecast, isPerfect } = facts;
    const { limitSeconds, atExpiry } = here.level.clock;
    if (!isPerfect || limitSeconds === null || atExpiry !== 'lose' || forecast.clearRate > 0) return [];
    // A level that cannot be won is said to be so by what stands in the way.
    if (!winning(here).some(({ rule }) => mayHold(rule.when, here))) return [];
    const byClock = forecast.endings?.find(({ rule }) => rule === -1)?.count ?? 0;
    if (byClock * 2 < forecast.attempts) return [];
    return [
      {
        slotId: here.slot.id,
        path: pointerOf(['levels', here.level.id, 'clock', 'limitSeconds']),
        sentence: 'The fastest way takes longer than the time limit.',
        reason: `Of ${forecast.attempts} attempts by players without mistakes none clears the level; ${byClock} are ended by the clock, after ${say(here.number(limitSeconds))} s.`,
        evidence: evidenceOf(facts, false),
      },
    ];
  },
};

/** A star that not even players without mistakes earn. */
export const starNobodyEarns: EvidenceCheck = {
  code: 'star-nobody-earns',
  title: 'Star that nobody earns',
  group: 'stars',
  severity: 'doubtful',
  source: 'attempts',
  find(facts) {
    const { here, forecast, isPerfect } = facts;
    const { stars, id } = here.level;
    if (!isPerfect || forecast.clearRate < MOSTLY || stars.is !== 'ladder' || !BEST_AT_ONCE.has(stars.reading))
      return [];
    const count = stars.thresholds.length;
    const most = forecast.stars.findLastIndex((attempts) => attempts > 0);
    if (most < 0 || most >= count) return [];
    return [
      {
        slotId: here.slot.id,
        path: pointerOf(['levels', id, 'stars', 'thresholds', most]),
        sentence: `${'★'.repeat(most + 1)} is earned by nobody, not even without mistakes.`,
        reason: `Of ${forecast.attempts} attempts by players without mistakes the best earn ${most === 0 ? 'no star' : '★'.repeat(most)}.`,
        evidence: evidenceOf(facts, true),
      },
    ];
  },
};
