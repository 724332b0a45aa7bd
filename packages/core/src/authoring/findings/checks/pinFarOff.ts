import { pointerOf } from '../../../document/model/index.ts';
import { say, type Check, type Found } from '../finding.ts';
import { rowOf, withUnit } from '../rampFacts.ts';

/** A pin is far off its ramp at more than this share of the sane range. */
const SHARE = 0.25;

/** A value set by hand that lies far off the ramp. */
export const pinFarOff: Check<'parameter'> = {
  code: 'pin-far-off',
  title: 'Pin far off its ramp',
  group: 'ramps',
  severity: 'doubtful',
  source: 'document',
  scope: 'parameter',
  find(facts) {
    const { parameter, project } = facts;
    const { key, label, pins, sane, unit } = parameter;
    const row = rowOf(facts);
    if (!row) return [];
    if (Object.keys(pins).length === 0) return [];
    return project.slots.flatMap(({ id }, index): Found[] => {
      const pin = pins[id];
      const ramp = row.ramp[index] as number;
      // A pin outside the sane range is another finding.
      if (pin === undefined || pin < sane.min || pin > sane.max) return [];
      if (Math.abs(pin - ramp) <= SHARE * (sane.max - sane.min)) return [];
      const path = pointerOf(['parameters', key, 'pins', id]);
      return [
        {
          slotId: id,
          path,
          sentence: `${label} is pinned far off its ramp at level ${index + 1}.`,
          reason: `It is ${withUnit(say(pin), unit)}, and the ramp gives ${say(ramp)}.`,
          mend: { label: 'Drop the pin', patch: [{ op: 'remove', path }] },
        },
      ];
    });
  },
};
