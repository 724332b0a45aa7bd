import { pointerOf } from '../../../document/model/index.ts';
import { liveAmount } from '../../../play/rules/index.ts';
import { namesFor } from '../../../play/attempt/index.ts';
import { say, type Found } from '../finding.ts';
import { evidenceOf, type AttemptFacts, type EvidenceCheck } from './attemptFacts.ts';

/** Multiple of the median time at which attempts are surely over. */
const LONG_OVER = 3;

/** A limit that nobody comes near to. */
function limitUnreached(facts: AttemptFacts, median: number): Found[] {
  const { here, forecast, pacer } = facts;
  const { limitSeconds, atExpiry } = here.level.clock;
  if (limitSeconds === null || atExpiry !== 'lose' || liveAmount(limitSeconds, here.resolving)) return [];
  // Stars that go by the clock need its number.
  const { stars } = here.level;
  if (stars.is === 'ladder' && (stars.reading === 'timeLeft' || stars.reading === 'timeElapsed')) return [];
  const limit = here.number(limitSeconds);
  if (limit < LONG_OVER * median || forecast.endings?.some(({ rule }) => rule === -1)) return [];
  return [
    {
      slotId: here.slot.id,
      path: pointerOf(['levels', here.level.id, 'clock', 'limitSeconds']),
      sentence: 'Nobody comes near to the time limit.',
      reason: `It is ${say(limit)} s; half of the attempts by ${pacer.name} that clear the level take ${say(median)} s or less, and none is lost by the clock.`,
      evidence: evidenceOf(facts, true),
    },
  ];
}

/** A spawner whose last ones come when attempts are long over. */
function sentTooLate(facts: AttemptFacts, median: number): Found[] {
  const { here, pacer } = facts;
  const names = namesFor(here.project, here.level).pieces;
  return here.level.ground.pieces.flatMap((piece): Found[] => {
    if (piece.piece !== 'spawner' || piece.starts !== 'load' || liveAmount(piece.howMany, here.resolving)) return [];
    const many = Math.round(here.number(piece.howMany));
    const last = here.number(piece.firstAfterSeconds) + (many - 1) * here.number(piece.everySeconds);
    if (many < 1 || last < LONG_OVER * median) return [];
    return [
      {
        slotId: here.slot.id,
        path: pointerOf(['levels', here.level.id, 'ground', 'pieces', piece.id]),
        sentence: `The last of what ${names[piece.id] ?? piece.kind} sends comes when attempts are over.`,
        reason: `The last of ${many} comes after ${say(last)} s; half of the attempts by ${pacer.name} that clear the level take ${say(median)} s or less.`,
        evidence: evidenceOf(facts, true),
      },
    ];
  });
}

/** A number that changes nothing any more: attempts are over before it counts. */
export const numberWithoutEffect: EvidenceCheck = {
  code: 'number-without-effect',
  title: 'Number that changes nothing',
  group: 'difficulty',
  severity: 'doubtful',
  source: 'attempts',
  find(facts) {
    const { forecast, isMiddle } = facts;
    const median = forecast.medianSeconds;
    if (!isMiddle || median === null || forecast.endings === undefined || forecast.clearRate < 0.5) return [];
    return [...limitUnreached(facts, median), ...sentTooLate(facts, median)];
  },
};
