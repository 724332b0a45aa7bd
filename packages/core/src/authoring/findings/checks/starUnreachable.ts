import { pointerOf, type Level, type Reading } from '../../../document/model/index.ts';
import { leaves, liveAmount, resolveAmount, TICK_SECONDS } from '../../../play/rules/index.ts';
import { say, type Check, type Found } from '../finding.ts';
import type { Range } from '../bodyLimits.ts';
import { rangeOf } from '../possible.ts';
import type { SlotFacts } from '../scopes.ts';

type Ladder = Extract<Level['stars'], { is: 'ladder' }>;

/** Words for the reading of each ladder. */
const WORDS: Readonly<Record<Ladder['reading'], string>> = {
  timeLeft: 's left',
  timeElapsed: 's on the clock',
  score: 'points of score',
  worth: 'points gathered',
  collected: 'pieces collected',
  lives: 'lives',
  health: 'health',
  tries: 'tries',
  rounds: 'rounds',
  fallen: 'fallen',
};

const isTime = ({ reading }: Ladder): boolean => reading === 'timeLeft' || reading === 'timeElapsed';

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

/** Returns the range of a ladder's reading at a win, and its range at any time. */
function rangesOf({ reading }: Ladder, here: SlotFacts): { atWin: Range; ever: Range } {
  const of = reading === 'worth' || reading === 'collected' ? ({ reading, of: 'any' } as const) : { reading };
  const ever = rangeOf(of as Reading, here);
  if (reading === 'timeLeft' && clockRunsFirst(here))
    return { atWin: { ...ever, most: ever.most - TICK_SECONDS }, ever };
  return { atWin: ever, ever };
}

/** A star that no win can earn. */
export const starUnreachable: Check<'judged'> = {
  code: 'star-unreachable',
  title: 'Star out of reach',
  group: 'stars',
  severity: 'surely wrong',
  source: 'judge',
  scope: 'judged',
  find: (here) => {
    const { level, resolving, slot } = here;
    const { stars, id } = level;
    if (stars.is !== 'ladder') return [];
    const { atWin, ever } = rangesOf(stars, here);
    const isAtLeast = stars.direction === 'atLeast';
    const limit = isAtLeast ? atWin.most : atWin.least;
    const found: Found[] = [];
    // The star before it: a mended one lies between.
    let before: number | undefined;
    stars.thresholds.forEach((threshold, index) => {
      if (threshold === null || liveAmount(threshold, resolving)) return;
      const asked = resolveAmount(threshold, resolving.values, resolving.placed);
      const beyond = isAtLeast ? asked > limit + 1e-9 : asked < limit - 1e-9;
      if (!beyond) {
        before = asked;
        return;
      }
      const mended = Math.round(((before ?? 0) + limit) / 2);
      const isBetween = isAtLeast && mended < limit && mended > (before ?? 0);
      const path = pointerOf(['levels', id, 'stars', 'thresholds', index]);
      found.push({
        slotId: slot.id,
        path,
        sentence: `${'★'.repeat(index + 1)} is out of reach.`,
        reason: `It takes ${isAtLeast ? '' : 'at most '}${say(asked)} ${WORDS[stars.reading]}, and ${reasonOf(stars, asked, atWin, ever)}.`,
        ...(isBetween
          ? {
              mend: {
                label: `Set to ${say(mended)}${isTime(stars) ? ' s' : ''}`,
                patch: [{ op: 'replace', path, value: { from: 'number', value: mended } }],
              },
            }
          : {}),
      });
    });
    return found;
  },
};

function reasonOf(stars: Ladder, asked: number, atWin: Range, ever: Range): string {
  if (stars.direction === 'atMost') return `there are never less than ${say(atWin.least)}`;
  if (!isTime(stars)) return `there are ${say(atWin.most)} at most`;
  if (asked > ever.most) return `the clock gives ${say(ever.most)} s in all`;
  return `a win leaves ${say(atWin.most)} s at most`;
}
