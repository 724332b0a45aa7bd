import { pointerOf } from '../../../document/model/index.ts';
import { conditionInWords } from '../../../play/rules/index.ts';
import { LOST_FIGHT } from '../../../forecast/trials/index.ts';
import { evidenceOf, lossesOf, percent, type EvidenceCheck } from './attemptFacts.ts';

const SHARE = 0.9;
const LEAST_LOSSES = 100;

/** Causes that are no rules, by what stands in their place. */
const OTHER_CAUSES: Readonly<Record<number, string>> = {
  [-1]: 'the clock runs out',
  [LOST_FIGHT]: 'a fight on the way is lost',
};

/** One cause makes nearly all losses, where there are others. */
export const oneCause: EvidenceCheck = {
  code: 'one-cause',
  title: 'One cause for nearly all losses',
  group: 'difficulty',
  severity: 'doubtful',
  source: 'attempts',
  find(facts) {
    const { here, forecast, pacer, isMiddle } = facts;
    const losses = lossesOf(forecast);
    if (!isMiddle || losses < LEAST_LOSSES) return [];
    const counts = new Map<number, number>();
    for (const { rule, lifeRule, count } of forecast.endings ?? []) {
      const cause = lifeRule >= 0 && rule !== LOST_FIGHT ? lifeRule : rule;
      counts.set(cause, (counts.get(cause) ?? 0) + count);
    }
    const [first] = [...counts].toSorted((one, other) => other[1] - one[1]);
    const taking = here.rules.filter(({ rule }) =>
      rule.then.some(({ effect }) => effect === 'loseLife' || effect === 'lose'),
    );
    const { clock, meetings } = here.level;
    const causes =
      taking.length +
      (clock.limitSeconds !== null && clock.atExpiry === 'lose' ? 1 : 0) +
      (meetings?.whenLost === 'lost' ? 1 : 0);
    if (!first || first[1] < SHARE * losses || causes < 3) return [];
    const entry = here.rules[first[0]];
    const words = entry
      ? conditionInWords(entry.rule.when, here.names)
      : (OTHER_CAUSES[first[0]] ?? 'attempts are given up');
    const part = first[0] === LOST_FIGHT ? 'meetings' : 'clock';
    return [
      {
        slotId: here.slot.id,
        path: entry ? pointerOf([...entry.path, 'when']) : pointerOf(['levels', here.level.id, part]),
        sentence: 'Nearly all losses have one cause.',
        reason: `${percent(first[1] / losses)} of the ${losses} losses of ${pacer.name}: ${words}.`,
        evidence: evidenceOf(facts, false),
      },
    ];
  },
};
