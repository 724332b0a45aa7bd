import { pointerOf, type Level, type Reading } from '../../model/index.ts';
import { leaves, liveAmount, resolveAmount } from '../../rules/index.ts';
import { say, type Check, type Found } from '../finding.ts';
import { rangeOf, type Range } from '../possible.ts';
import type { SlotFacts } from '../scopes.ts';

type Ladder = Extract<Level['stars'], { is: 'ladder' }>;

/** What a star is counted in, in words. */
const WORDS: Readonly<Record<Ladder['reading'], string>> = {
  timeLeft: 's left',
  timeElapsed: 's on the clock',
  score: 'points of score',
  worth: 'points gathered',
  collected: 'pieces collected',
  lives: 'lives',
  health: 'health',
  tries: 'tries',
};

/** Readings that somebody who has not moved has not changed. */
const TAKES_A_MOVE: ReadonlySet<Reading['reading']> = new Set([
  'worth',
  'collected',
  'inside',
  'latch',
  'gate',
  'height',
  'distance',
  'enemiesBeaten',
]);

/** Does the clock run for a tick at least before anybody wins? */
function clockRunsFirst({ level, rules }: SlotFacts): boolean {
  if (level.clock.starts === 'load') return true;
  if (level.clock.starts !== 'firstMove') return false;
  const winning = rules.filter(({ rule }) => rule.then.some(({ effect }) => effect === 'win'));
  return winning.every(({ rule }) => leaves(rule.when).some(({ leaf }) => TAKES_A_MOVE.has(leaf.reading.reading)));
}

/** What a ladder's reading can be at a win, and what it can be at any time. */
function rangesOf({ reading }: Ladder, here: SlotFacts): { atWin: Range; ever: Range } {
  const of = reading === 'worth' || reading === 'collected' ? ({ reading, of: 'any' } as const) : { reading };
  const ever = rangeOf(of as Reading, here);
  if (reading === 'timeLeft' && clockRunsFirst(here)) return { atWin: { ...ever, most: ever.most - TICK }, ever };
  return { atWin: ever, ever };
}

const TICK = 1 / 60;

/** A star that no win can earn. */
export const starUnreachable: Check<'slot'> = {
  code: 'star-unreachable',
  scope: 'slot',
  find: (here) => {
    const { level, resolving, slot } = here;
    const { stars, id } = level;
    if (stars.is !== 'ladder') return [];
    const { atWin, ever } = rangesOf(stars, here);
    const { least, most } = atWin;
    const found: Found[] = [];
    // The star before it: a mended one lies between.
    let before: number | undefined;
    stars.thresholds.forEach((threshold, index) => {
      if (threshold === null || liveAmount(threshold, resolving)) return;
      const asked = resolveAmount(threshold, resolving.values, resolving.placed);
      const beyond = stars.direction === 'atLeast' ? asked > most + 1e-9 : asked < least - 1e-9;
      if (!beyond) {
        before = asked;
        return;
      }
      const limit = stars.direction === 'atLeast' ? most : least;
      const mended = Math.round(((before ?? 0) + limit) / 2);
      const isBetween = stars.direction === 'atLeast' ? mended < limit && mended > (before ?? 0) : false;
      const path = pointerOf(['levels', id, 'stars', 'thresholds', index]);
      const unit = WORDS[stars.reading];
      found.push({
        slotId: slot.id,
        path,
        sentence: `${'★'.repeat(index + 1)} is out of reach.`,
        reason: `It takes ${stars.direction === 'atLeast' ? '' : 'at most '}${say(asked)} ${unit}, and ${reasonOf(stars, asked > ever.most ? ever.most : limit, asked <= ever.most)}.`,
        ...(isBetween
          ? {
              mend: {
                label: `Set to ${say(mended)}${stars.reading === 'timeLeft' || stars.reading === 'timeElapsed' ? ' s' : ''}`,
                patch: [{ op: 'replace', path, value: { from: 'number', value: mended } }],
              },
            }
          : {}),
      });
    });
    return found;
  },
};

/** @param beforeWin whether the reading can be what is asked, but not at a win any more */
function reasonOf({ reading, direction }: Ladder, limit: number, beforeWin: boolean): string {
  if (direction === 'atMost') return `there are never less than ${say(limit)}`;
  if (reading !== 'timeLeft' && reading !== 'timeElapsed') return `there are ${say(limit)} at most`;
  return beforeWin ? `a win leaves ${say(limit)} s at most` : `the clock gives ${say(limit)} s in all`;
}
