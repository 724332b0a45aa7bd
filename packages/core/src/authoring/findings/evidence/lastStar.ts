import { pointerOf, type Stars } from '../../../document/model/index.ts';
import { starCount } from '../../../play/rules/index.ts';
import { evidenceOf, LEAST_ATTEMPTS, percent, type AttemptFacts, type EvidenceCheck } from './attemptFacts.ts';

/** Fewer than this share is hardly anybody, more than that nearly everybody. */
const RARE = 0.01;
const COMMON = 0.9;

/** Returns the share of clears that earn the last star; undefined where too few clear, or where there is one star only. */
function shareOfLast({ here, forecast }: AttemptFacts): { share: number; cleared: number; index: number } | undefined {
  const { stars } = here.level;
  const last = starCount(stars);
  const cleared = forecast.stars.reduce((sum, count) => sum + count, 0);
  if (last < 2 || cleared < LEAST_ATTEMPTS) return undefined;
  return { share: (forecast.stars[last] ?? 0) / cleared, cleared, index: last - 1 };
}

/** Is the star for gathering more than a win asks for? */
const gathers = (stars: Stars): boolean =>
  stars.is === 'ladder' && ['worth', 'collected', 'score'].includes(stars.reading);

const check = (
  code: 'star-too-rare' | 'star-too-common',
  title: string,
  fits: (share: number) => boolean,
  said: string,
): EvidenceCheck => ({
  code,
  title,
  group: 'stars',
  severity: 'doubtful',
  source: 'attempts',
  remedies: ['starShares'],
  find(facts) {
    const { here, pacer, isMiddle } = facts;
    const found = isMiddle ? shareOfLast(facts) : undefined;
    if (!found || !fits(found.share)) return [];
    const { stars, id } = here.level;
    return [
      {
        slotId: here.slot.id,
        path: pointerOf(['levels', id, 'stars', stars.is === 'ladder' ? 'thresholds' : 'conditions', found.index]),
        sentence: `${'★'.repeat(found.index + 1)} is earned by ${said}.`,
        reason: `${percent(found.share)} of the ${found.cleared} attempts by ${pacer.name} that clear the level earn it.${gathers(stars) ? ' Players here end a level as soon as they can: nobody gathers for a star.' : ''}`,
        evidence: evidenceOf(facts, true),
      },
    ];
  },
});

/** The last star is earned by hardly anybody who clears the level. */
export const starTooRare = check(
  'star-too-rare',
  'Last star hardly ever earned',
  (share) => share < RARE,
  'hardly anybody who clears the level',
);
/** The last star is earned by nearly everybody who clears the level. */
export const starTooCommon = check(
  'star-too-common',
  'Last star nearly always earned',
  (share) => share > COMMON,
  'nearly everybody who clears the level',
);
