import { DistanceMaps, withWalls } from '../grid/index.ts';
import type { View, World } from './types.ts';

/** Limit of the states of the gates whose views are kept. */
const MOST_VIEWS = 64;

/** The ground with what bars the way as it is. @param open 1 for open, by gate */
export function viewOf(world: World, open: readonly number[]): View {
  let state = 0;
  for (let i = 0; i < open.length; i++) state = state * 2 + (open[i] as number);
  const known = world.views.get(state);
  if (known) return known;
  const closed = world.barriers.flatMap((cells, gate) => (open[gate] === 1 ? [] : cells));
  const grid = withWalls(world.grid, closed);
  const avoided: number[] = [];
  for (let cell = 0; cell < world.avoid.length; cell++) if (world.avoid[cell] === 1) avoided.push(cell);
  const view: View = world.hasAvoid
    ? { grid, maps: new DistanceMaps(grid, world.avoid), wary: withWalls(grid, avoided) }
    : { grid, maps: new DistanceMaps(grid), wary: grid };
  // Sixteen gates have 65,536 states, each with maps of its own.
  if (world.views.size >= MOST_VIEWS) world.views.clear();
  world.views.set(state, view);
  return view;
}
