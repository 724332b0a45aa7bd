import { pointerOf } from '../../../document/model/index.ts';
import { say, type Check } from '../finding.ts';
import { isOnPurpose, rowOf } from '../rampFacts.ts';

/** Multiple of its start above which a ramp has run away. */
const TIMES_START = 10;
/** Number of levels within which a ramp must not double. */
const DOUBLES_WITHIN = 3;

/** A shorter sequence has to take large steps. */
const LEAST_LEVELS = 8;

/** Shapes that end at a value of their own cannot run away. */
const BOUNDED: ReadonlySet<string> = new Set(['hold', 'ease', 'sCurve', 'tiers']);

/** A ramp that doubles within three levels, or ends above ten times its start. */
export const rampRunsAway: Check<'parameter'> = {
  code: 'ramp-runs-away',
  title: 'Runs away',
  group: 'ramps',
  severity: 'doubtful',
  source: 'document',
  scope: 'parameter',
  find(facts) {
    const { parameter } = facts;
    const { key, label, number } = parameter;
    const row = rowOf(facts);
    const start = row?.ramp[0] ?? 0;
    // A count that goes from 1 to 2 doubles as well.
    const least = number === 'whole' ? 3 : 0;
    if (!row || row.ramp.length < LEAST_LEVELS || start <= 0 || BOUNDED.has(parameter.ramp.shape.type)) return [];
    const told = (position: number, reason: string) => [
      {
        slotId: row.slotId(position),
        path: pointerOf(['parameters', key, 'ramp']),
        sentence: `${label} runs away.`,
        reason,
      },
    ];
    const doubled = row.ramp.findIndex((value, index) => {
      const before = row.ramp[index - DOUBLES_WITHIN] ?? 0;
      const isClear = !isOnPurpose(facts, index + 1) && !isOnPurpose(facts, index + 1 - DOUBLES_WITHIN);
      return isClear && before > 0 && value >= 2 * before && value - before >= least;
    });
    if (doubled >= 0)
      return told(
        doubled + 1,
        `It doubles within ${DOUBLES_WITHIN} levels: ${say(row.ramp[doubled - DOUBLES_WITHIN] as number)} at ${doubled + 1 - DOUBLES_WITHIN}, ${say(row.ramp[doubled] as number)} at ${doubled + 1}.`,
      );
    const above = row.ramp.findIndex((value) => value > TIMES_START * start && value - start >= least);
    return above < 0
      ? []
      : told(
          above + 1,
          `It starts at ${say(start)} and is ${say(row.ramp[above] as number)} at ${above + 1}, more than ${TIMES_START} times as much.`,
        );
  },
};
