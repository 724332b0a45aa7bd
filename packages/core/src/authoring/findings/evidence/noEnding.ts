import { pointerOf } from '../../../document/model/index.ts';
import {
  GAVE_UP,
  LONGEST_ATTEMPT_SECONDS,
  resolveLevel,
  levelRunner,
  seedOf,
  TOO_COSTLY,
  unpackWins,
} from '../../../forecast/trials/index.ts';
import { evidenceOf, percent, type AttemptFacts, type EvidenceCheck } from './attemptFacts.ts';

/** Number of lost attempts that are played again to find one without an end. */
const TRIED = 12;

/** Results of playing again, by forecast. */
const shown = new WeakMap<object, number | undefined>();

/** The number of an attempt that came to no end. */
function shownBy(facts: AttemptFacts): number | undefined {
  if (!shown.has(facts.forecast)) shown.set(facts.forecast, playAgain(facts));
  return shown.get(facts.forecast);
}

function playAgain({ forecast, pacer, here }: AttemptFacts): number | undefined {
  if (forecast.wins === undefined) return undefined;
  const game = levelRunner(resolveLevel(here.project, here.position));
  const lost = unpackWins(forecast.wins, forecast.attempts).flatMap((won, index) => (won ? [] : [index]));
  return lost.slice(0, TRIED).find((index) => game.play(pacer, seedOf(index)).endingRule === GAVE_UP);
}

/** Attempts that come to no end: neither won nor lost. */
export const noEnding: EvidenceCheck = {
  code: 'no-ending',
  title: 'Attempts without an end',
  group: 'loss',
  severity: 'surely wrong',
  source: 'attempts',
  find(facts) {
    const { here, forecast, pacer } = facts;
    const told = (rule: number, sentence: string, why: string, shows: number | undefined) => {
      const count = (forecast.endings ?? [])
        .filter((ending) => ending.rule === rule)
        .reduce((sum, ending) => sum + ending.count, 0);
      if (count === 0) return [];
      const { shows: _lost, ...rests } = evidenceOf(facts, false);
      return [
        {
          slotId: here.slot.id,
          path: pointerOf(['levels', here.level.id, 'rules']),
          sentence,
          reason: `${count} of ${forecast.attempts} attempts by ${pacer.name} (${percent(count / forecast.attempts)}) ${why}.`,
          evidence: { ...rests, ...(shows === undefined ? {} : { shows }) },
        },
      ];
    };
    const gaveUp = (forecast.endings ?? []).some(({ rule }) => rule === GAVE_UP);
    return [
      ...told(
        GAVE_UP,
        'Some attempts come to no end.',
        here.level.bout
          ? 'were given up: the bout was over, or began anew for ever, and no rule had ended the level'
          : `were given up after ${LONGEST_ATTEMPT_SECONDS} s, neither won nor lost`,
        gaveUp ? shownBy(facts) : undefined,
      ),
      ...told(
        TOO_COSTLY,
        'The level is too costly to try.',
        'were given up: too much moves, or too much is judged',
        undefined,
      ),
    ];
  },
};
