import { it } from '@jest/globals';
import { isThorough } from './depth.ts';

/** A test that needs hundreds of attempts: `npm run check` runs it, `npm test` skips it and keeps a small case beside it. */
export const statistic: typeof it.skip = isThorough ? it : it.skip;
