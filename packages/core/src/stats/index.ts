export { wilson, Z_95, type Interval } from './wilson.ts';
export { quantile } from './quantile.ts';
export { histogram, type Histogram } from './histogram.ts';
