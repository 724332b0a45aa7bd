import { pointerOf, type Parameter } from '../../../document/model/index.ts';
import { seriesOf } from '../../../document/ramps/index.ts';
import { isGoingOn } from '../../../play/playthrough/index.ts';
import { say, type Check, type Found, type Mend } from '../finding.ts';
import { rowOf, withUnit } from '../rampFacts.ts';
import type { ParameterFacts } from '../scopes.ts';

const NOISE = 1e-9;

const isOutside = ({ sane }: Pick<Parameter, 'sane'>, value: number): boolean =>
  value < sane.min - NOISE || value > sane.max + NOISE;

/** The least number of levels past the end that are checked. */
const LEVELS_PAST_END = 24;

/** Caps the ramp at the ends that it leaves by, and drops the pins outside. @param ramp values of the ramp without its pins */
function mendOf(parameter: Parameter, ramp: readonly number[]): Mend {
  const { key, sane, pins } = parameter;
  const caps = (['atLeast', 'atMost'] as const).flatMap((limit) => {
    const end = limit === 'atMost' ? sane.max : sane.min;
    const isBeyond = (value: number): boolean => (limit === 'atMost' ? value > end + NOISE : value < end - NOISE);
    return ramp.some(isBeyond) ? [{ limit, end }] : [];
  });
  const outside = Object.entries(pins).filter(([, pin]) => isOutside(parameter, pin));
  const words = caps.map(({ limit, end }) => `at ${limit === 'atMost' ? 'most' : 'least'} ${say(end)}`).join(', ');
  return {
    label: caps.length > 0 ? words.replace('at', 'At') : outside.length === 1 ? 'Drop the pin' : 'Drop the pins',
    patch: [
      ...caps.map(({ limit, end }) => ({
        op: parameter.ramp[limit] === undefined ? ('add' as const) : ('replace' as const),
        path: pointerOf(['parameters', key, 'ramp', limit]),
        value: end,
      })),
      ...outside.map(([slotId]) => ({ op: 'remove' as const, path: pointerOf(['parameters', key, 'pins', slotId]) })),
    ],
  };
}

/** The first position past the end of the sequence at which the value leaves its sane range. A run goes there where the ramps go on. */
function pastTheEnd({ parameter, project }: ParameterFacts): Found[] {
  const count = project.slots.length;
  const last = project.slots.at(-1);
  if (!isGoingOn(project.run) || !last || parameter.ramp.axis !== undefined) return [];
  const { sane, label, key, unit } = parameter;
  const series = seriesOf(project);
  for (let position = count + 1; position <= count + Math.max(count, LEVELS_PAST_END); position++) {
    const value = series.valueAt(parameter, position);
    if (!isOutside(parameter, value)) continue;
    return [
      {
        slotId: last.id,
        path: pointerOf(['parameters', key, 'ramp']),
        sentence: `${label} leaves its sane range past the end, at level ${position}.`,
        reason: `The ramps go on after the last slot. It is ${withUnit(say(value), unit)} there, and ${say(sane.min)} to ${say(sane.max)} is sane.`,
        mend: mendOf(parameter, [value]),
      },
    ];
  }
  return [];
}

/** A parameter that leaves the range that its designer calls sane. */
export const rampLeavesSaneRange: Check<'parameter'> = {
  code: 'ramp-leaves-sane-range',
  title: 'Leaves its sane range',
  group: 'ramps',
  severity: 'surely wrong',
  source: 'document',
  scope: 'parameter',
  find(facts) {
    const { parameter } = facts;
    const row = rowOf(facts);
    if (!row) return [];
    const { sane, label, key, unit } = parameter;
    const positions = row.values.flatMap((value, index) => (isOutside(parameter, value) ? [index + 1] : []));
    const [first] = positions;
    if (first === undefined) return pastTheEnd(facts);
    const value = row.values[first - 1] as number;
    const slotId = row.slotId(first);
    const more = positions.length === 1 ? '' : `, and it is outside at ${positions.length} levels in all`;
    return [
      {
        slotId,
        path: pointerOf(['parameters', key, 'ramp']),
        sentence: `${label} leaves its sane range at level ${first}.`,
        reason: `It is ${withUnit(say(value), unit)} there, and ${say(sane.min)} to ${say(sane.max)} is sane${more}.`,
        mend: mendOf(parameter, row.ramp),
      },
    ];
  },
};
