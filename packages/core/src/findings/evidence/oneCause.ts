import { pointerOf } from '../../model/index.ts';
import { conditionInWords } from '../../rules/index.ts';
import { evidenceOf, lossesOf, percent, type EvidenceCheck } from './attemptFacts.ts';

const SHARE = 0.9;
const LEAST_LOSSES = 100;

/** One cause makes nearly all losses, where there are others. */
export const oneCause: EvidenceCheck = {
  code: 'one-cause',
  find(facts) {
    const { here, forecast, pacer, isMiddle } = facts;
    const losses = lossesOf(forecast);
    if (!isMiddle || losses < LEAST_LOSSES) return [];
    const counts = new Map<number, number>();
    for (const { rule, lifeRule, count } of forecast.endings ?? []) {
      const cause = lifeRule >= 0 ? lifeRule : rule;
      counts.set(cause, (counts.get(cause) ?? 0) + count);
    }
    const [first] = [...counts].toSorted((one, other) => other[1] - one[1]);
    const taking = here.rules.filter(({ rule }) =>
      rule.then.some(({ effect }) => effect === 'loseLife' || effect === 'lose'),
    );
    const causes =
      taking.length + (here.level.clock.limitSeconds !== null && here.level.clock.atExpiry === 'lose' ? 1 : 0);
    if (!first || first[1] < SHARE * losses || causes < 3) return [];
    const entry = here.rules[first[0]];
    const words =
      first[0] === -1
        ? 'the clock runs out'
        : entry
          ? conditionInWords(entry.rule.when, here.names)
          : 'attempts are given up';
    return [
      {
        slotId: here.slot.id,
        path: entry ? pointerOf([...entry.path, 'when']) : pointerOf(['levels', here.level.id, 'clock']),
        sentence: 'Nearly all losses have one cause.',
        reason: `${percent(first[1] / losses)} of the ${losses} losses of ${pacer.name}: ${words}.`,
        evidence: evidenceOf(facts, false),
      },
    ];
  },
};
