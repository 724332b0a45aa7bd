import { REST } from '../../../../play/attempt/index.ts';
import { HEADINGS } from '../../../../play/grid/index.ts';
import { headingInput } from '../../../../play/movement/index.ts';
import type { Driver } from '../../driver.ts';
import { chooseHeading } from './decide.ts';
import { startMemory, type RoamMemory } from './memory.ts';
import { leadsToHarm } from './ownSteps.ts';

const DEGREES_PER_HEADING = 360 / HEADINGS;
/** Furthest that a player turns from where it wants to go, to keep clear of what lies still: 90 degrees. */
const MOST_TURN = HEADINGS / 4;
/** An error is made smaller down to this share of it; below that there is none. */
const LEAST_ERROR_SHARE = 0.1;

/** Players on a roam ground: they steer along distance maps and weigh ways out by what threatens on them. */
export const roamDriver: Driver<RoamMemory> = {
  start: startMemory,
  decide(player, state, memory) {
    const heading = chooseHeading(player, state, memory);
    return heading < 0 ? REST : headingInput(heading);
  },
  misdirected(player, state, input, degrees) {
    if (input === REST) return REST;
    const { crosses } = player.memory as RoamMemory;
    for (let share = 1; share > LEAST_ERROR_SHARE; share /= 2) {
      const off = Math.round((degrees * share) / DEGREES_PER_HEADING);
      const heading = (input - 1 + off + HEADINGS * 4) % HEADINGS;
      if (crosses || !leadsToHarm(player, state, heading)) return headingInput(heading);
    }
    // The way wanted leads there by itself: the nearest that does not, or none.
    for (let turn = 0; turn <= MOST_TURN; turn++) {
      for (const heading of [(input - 1 + turn) % HEADINGS, (input - 1 - turn + HEADINGS) % HEADINGS])
        if (!leadsToHarm(player, state, heading)) return headingInput(heading);
    }
    return REST;
  },
  leadsIntoHarm: (player, state, input) => input !== REST && leadsToHarm(player, state, input - 1),
};
