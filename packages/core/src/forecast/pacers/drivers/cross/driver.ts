import { REST } from '../../../../play/attempt/index.ts';
import { isWall } from '../../../../play/grid/index.ts';
import { STEPS } from '../../../../play/movement/index.ts';
import type { Driver } from '../../driver.ts';
import { chooseStep, startMemory, type CrossMemory } from './decide.ts';

/** A steering error so large is a step to the side. Degrees. */
const SLIP_DEGREES = 120;
const QUARTERS = 4;

/** Players on a cross ground: they look for a way through cells and time, with the traffic as it will be. */
export const crossDriver: Driver<CrossMemory> = {
  start: startMemory,
  decide: chooseStep,
  misdirected(_player, state, input, degrees) {
    if (input === REST) return REST;
    const off = Math.round(degrees / SLIP_DEGREES);
    const slipped = ((input - 1 + off + QUARTERS * 2) % QUARTERS) + 1;
    return slipped !== input && isBad(state, slipped) ? REST : slipped;
  },
  leadsIntoHarm: (_player, state, input) => input !== REST && isBad(state, input),
  // An absent player does not step.
  absent: () => REST,
};

/** Does a step lead onto what hurts or has no ground? */
function isBad({ body, view, world }: Parameters<Driver['leadsIntoHarm']>[1], input: number): boolean {
  const [dx, dy] = STEPS[input] as readonly [number, number];
  const column = Math.floor(body.x) + dx;
  const row = Math.floor(body.y) + dy;
  return !isWall(view.grid, column, row) && world.avoid[row * view.grid.width + column] === 1;
}
