export { wilson, Z_95, type Interval } from './wilson.ts';
export { quantile } from './quantile.ts';
export { histogram, type Histogram } from './histogram.ts';
export { differenceOf, type Counted, type ShareDifference } from './difference.ts';
export { pairedDifference } from './paired.ts';
export { logisticFit, type LogisticFit } from './logistic.ts';
export { inverseOf } from './inverse.ts';
export { linearAt, linearFit } from './linear.ts';
export { localShare, type CountedAt } from './local.ts';
