import type { Ground } from '../../../document/model/index.ts';
import type { Driver } from '../driver.ts';
import { crossDriver } from './cross/index.ts';
import { leapDriver } from './leap/index.ts';
import { liftDriver } from './lift/index.ts';
import { runDriver } from './run/index.ts';
import { roamDriver } from './roam/index.ts';

/** How players think, by kind of ground. What a driver remembers is its own. */
export const DRIVERS: Readonly<Record<Ground['kind'], Driver>> = {
  roam: roamDriver as Driver,
  cross: crossDriver as Driver,
  lift: liftDriver as Driver,
  leap: leapDriver as Driver,
  run: runDriver as Driver,
};
