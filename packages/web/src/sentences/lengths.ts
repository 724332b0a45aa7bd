import type { Project } from '@stadion/core/document/model';
import type { NumberLimits } from '../ui/index.ts';

/** Source: the international foot, 1959. */
const METRES_PER_FOOT = 0.3048;

/** How shares of a whole are typed and shown; they are kept from 0 to 1. */
export const SHARE_LIMITS = { scale: 100, unit: '%', step: 0.05, max: 1 } as const satisfies NumberLimits;

/** How lengths are typed and shown in a project; they are kept in units. */
export function lengthLimits({
  lengths,
}: Pick<Project, 'lengths'>): Required<Pick<NumberLimits, 'scale' | 'unit' | 'units'>> {
  const { metresPerUnit, shown } = lengths;
  const metres = { units: metresPerUnit, metres: 1, feet: METRES_PER_FOOT }[shown];
  return {
    scale: metresPerUnit / metres,
    unit: { units: 'units', metres: 'm', feet: 'ft' }[shown],
    units: { m: 1 / metres, ft: METRES_PER_FOOT / metres, units: metresPerUnit / metres },
  };
}
