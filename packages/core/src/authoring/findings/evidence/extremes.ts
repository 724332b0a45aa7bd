import { pointerOf } from '../../../document/model/index.ts';
import { wantedAt } from '../../../document/ramps/index.ts';
import { evidenceOf, percent, type EvidenceCheck } from './attemptFacts.ts';

const TRIVIAL = 0.99;
const HOPELESS = 0.05;

/** Even the slowest players clear the level nearly always. */
export const trivial: EvidenceCheck = {
  code: 'trivial',
  title: 'Nobody loses',
  group: 'difficulty',
  severity: 'doubtful',
  source: 'attempts',
  remedies: ['bringThere'],
  find(facts) {
    const { here, forecast, pacer, isWeakest } = facts;
    // The first levels teach: everybody is to clear them.
    const teaches = here.position <= Math.max(1, Math.floor(here.project.slots.length / 8));
    const isWanted = (wantedAt(here.project, here.position) ?? 0) > 0.97;
    if (!isWeakest || teaches || isWanted || forecast.clearRate <= TRIVIAL) return [];
    return [
      {
        slotId: here.slot.id,
        path: pointerOf(['slots', here.slot.id]),
        sentence: 'Hardly anybody ever loses the level.',
        reason: `${pacer.name}, the slowest of the pacers, clears it in ${percent(forecast.clearRate)} of ${forecast.attempts} attempts.`,
        evidence: evidenceOf(facts, true),
      },
    ];
  },
};

/** Even the quickest players hardly ever clear the level. */
export const hopeless: EvidenceCheck = {
  code: 'hopeless',
  title: 'Hardly anybody wins',
  group: 'difficulty',
  severity: 'doubtful',
  source: 'attempts',
  remedies: ['bringThere'],
  find(facts) {
    const { here, forecast, pacer, isStrongest } = facts;
    if (!isStrongest || forecast.interval.high >= HOPELESS) return [];
    return [
      {
        slotId: here.slot.id,
        path: pointerOf(['slots', here.slot.id]),
        sentence: 'Hardly anybody can clear the level.',
        reason: `${pacer.name}, the quickest of the pacers, clears it in ${percent(forecast.clearRate)} of ${forecast.attempts} attempts.`,
        evidence: evidenceOf(facts, false),
      },
    ];
  },
};
