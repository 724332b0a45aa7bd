import { REST } from '../../../attempt/index.ts';
import { HEADINGS } from '../../../ground/index.ts';
import { headingInput } from '../../../grounds/index.ts';
import type { Driver } from '../../driver.ts';
import { chooseHeading, type RoamMemory } from './decide.ts';

const DEGREES_PER_HEADING = 360 / HEADINGS;

/** Players on a roam ground: they steer along distance maps and weigh ways out by what threatens on them. */
export const roamDriver: Driver<RoamMemory> = {
  start: () => ({ target: -1, targetTick: 0, progressTick: 0, leastRemaining: Number.POSITIVE_INFINITY }),
  decide(player, state, memory) {
    const heading = chooseHeading(player, state, memory);
    return heading < 0 ? REST : headingInput(heading);
  },
  misdirected(input, degrees) {
    if (input === REST) return REST;
    const off = Math.round(degrees / DEGREES_PER_HEADING);
    return headingInput((input - 1 + off + HEADINGS * 4) % HEADINGS);
  },
};
