export { evictOldest } from './evictOldest.ts';
export { memoizeByObject } from './memoizeByObject.ts';
