import { ABILITY_NAMES, type Abilities } from '../../basics/abilities/index.ts';
import type { Population } from './pacer.ts';

/** How far each of a player's abilities is from the mean of its population, as a share, in the order of the abilities. */
export const deviationsOf = (player: Abilities, { abilities }: Pick<Population, 'abilities'>): number[] =>
  ABILITY_NAMES.map((name) => (abilities[name] > 0 ? player[name] / abilities[name] - 1 : 0));
