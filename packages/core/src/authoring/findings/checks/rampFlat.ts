import { pointerOf } from '../../../document/model/index.ts';
import { rowWith } from '../../../document/ramps/index.ts';
import { say, type Check } from '../finding.ts';
import { rowOf } from '../rampFacts.ts';

/** Least number of levels in a row with one value that count as flat, and least share of a long sequence. */
const FLAT = 5;
const FLAT_SHARE = 0.5;

/** A ramp that rounding keeps at one value while it moves. */
export const rampFlat: Check<'parameter'> = {
  code: 'ramp-flat',
  title: 'Rounding swallows the ramp',
  group: 'ramps',
  severity: 'doubtful',
  source: 'document',
  scope: 'parameter',
  find(facts) {
    const { parameter, project } = facts;
    const { key, label, ramp } = parameter;
    const row = rowOf(facts);
    if (!row || ramp.roundTo === undefined || ramp.shape.type === 'steps' || ramp.shape.type === 'tiers') return [];
    const { roundTo, ...free } = ramp;
    const unrounded = rowWith(project, { ...parameter, ramp: free }).ramp;
    const flat = Math.max(FLAT, Math.ceil(FLAT_SHARE * row.ramp.length));
    let from = 0;
    for (let index = 1; index <= row.ramp.length; index++) {
      if (index < row.ramp.length && row.ramp[index] === row.ramp[from]) continue;
      const isMoving = Array.from({ length: index - from - 1 }, (_, step) => from + step + 1).every(
        (place) => Math.abs((unrounded[place] as number) - (unrounded[place - 1] as number)) > 1e-9,
      );
      if (index - from >= flat && isMoving)
        return [
          {
            slotId: facts.project.slots[from]?.id ?? '',
            path: pointerOf(['parameters', key, 'ramp', 'roundTo']),
            sentence: `Rounding keeps ${label} the same from level ${from + 1} to ${index}.`,
            reason: `It stays at ${say(row.ramp[from] as number)}; without rounding to ${say(roundTo)} it would go from ${say(unrounded[from] as number)} to ${say(unrounded[index - 1] as number)}.`,
            mend: {
              label: 'Drop the rounding',
              patch: [{ op: 'remove', path: pointerOf(['parameters', key, 'ramp', 'roundTo']) }],
            },
          },
        ];
      from = index;
    }
    return [];
  },
};
