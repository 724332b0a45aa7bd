import { pointerOf } from '../../../document/model/index.ts';
import { say, type Check, type Found } from '../finding.ts';
import { rowOf } from '../rampFacts.ts';

/** A shorter sequence is not meant to come to its limits yet. */
const LEAST_LEVELS = 8;

/** A cap or a floor that the ramp never comes to in the whole sequence. */
export const rampNeverReachesCap: Check<'parameter'> = {
  code: 'ramp-never-reaches-cap',
  title: 'Limit never reached',
  group: 'ramps',
  severity: 'doubtful',
  source: 'document',
  scope: 'parameter',
  find(facts) {
    const { parameter } = facts;
    const { key, label, ramp } = parameter;
    const row = rowOf(facts);
    if (!row || row.ramp.length < LEAST_LEVELS) return [];
    const [least, most] = [Math.min(...row.ramp), Math.max(...row.ramp)];
    const told = (limit: 'atMost' | 'atLeast', words: string, extreme: number): Found => {
      const path = pointerOf(['parameters', key, 'ramp', limit]);
      return {
        slotId: row.slotId(row.ramp.indexOf(extreme) + 1),
        path,
        sentence: `${label} never comes to “at ${limit === 'atMost' ? 'most' : 'least'} ${words}”.`,
        reason: `Over the ${row.ramp.length} levels it is ${say(least)} to ${say(most)}.`,
        mend: { label: 'Drop the limit', patch: [{ op: 'remove', path }] },
      };
    };
    return [
      ...(ramp.atMost !== undefined && most < ramp.atMost - 1e-9 ? [told('atMost', say(ramp.atMost), most)] : []),
      ...(ramp.atLeast !== undefined && least > ramp.atLeast + 1e-9 ? [told('atLeast', say(ramp.atLeast), least)] : []),
    ];
  },
};
