import type { Condition, Level } from '../../document/model/index.ts';

/** The conditions of a level outside its rules: the start of its clock, then its stars. */
export const conditionsBesideRules = ({ clock, stars }: Pick<Level, 'clock' | 'stars'>): Condition[] => [
  ...(clock.startsWhen ? [clock.startsWhen] : []),
  ...(stars.is === 'conditions' ? stars.conditions.filter((star) => star !== null) : []),
];
