import { viewOf, type Gap, type GroundKind, type View, type World } from '../../attempt/index.ts';
import { isWall } from '../../grid/index.ts';
import { TICK_SECONDS } from '../../rules/index.ts';
import { sideInput } from '../sideways.ts';
import { isStandable, ledgesOf } from './standing.ts';
import type { LeapMotion, LeapOwn } from './state.ts';

/** How a body leaps. */
type Leap = Pick<GroundKind<LeapMotion, LeapOwn>, 'start' | 'moveBody'>;

/** Wider ones are no gaps to be jumped. Cells. */
const WIDEST = 9;
/** First and last tick of the tried presses, from before the edge to after it. */
const EARLIEST = -26;
const LATEST = 14;
/** No jump is followed for longer. Ticks. */
const LONGEST = 150;
/** A floor so little higher or lower is the same. Units. */
const SAME_FLOOR = 0.5;
const NOBODY = { x: 0, y: 0, vx: 0, vy: 0, radius: 0, facing: 0, half: 0 };
const FEET_GAP = 1e-6;

/** For how many ticks in a row a press clears the gap, by one who runs at full speed and holds on. */
function windowOf(leap: Leap, world: World, view: View, row: number, from: number, to: number): number {
  const { radius } = world.level.motion.player;
  const usual = leap.start(world, NOBODY);
  if (usual.speed === 0) return 0;
  const forward = to > from ? 1 : -1;
  const edge = forward > 0 ? from + 1 : from;
  const far = forward > 0 ? to : to + 1;
  let most = 0;
  let inARow = 0;
  for (let press = EARLIEST; press <= LATEST; press++) {
    const body = { ...NOBODY, y: row + 1 - radius - FEET_GAP, vx: usual.speed * forward, radius };
    body.x = edge + EARLIEST * usual.speed * TICK_SECONDS * forward;
    const level = body.y;
    const own = { ...usual, onFloor: true, airTicks: 0 };
    let clears = false;
    for (let tick = EARLIEST; tick < LONGEST; tick++) {
      // Where it begins there may be no floor: it runs as if there were.
      if (tick < 0 && (body.x - edge) * forward < -radius) {
        own.onFloor = true;
        own.airTicks = 0;
      }
      leap.moveBody(world, view, body, own, sideInput(forward, tick >= press));
      if (own.fell) break;
      if (!own.onFloor || tick < 0) continue;
      // The first floor after the press: the far side, a ledge above, which is no miss either, or one below.
      const isLanded = tick > press;
      const lower = body.y - level;
      clears = isLanded && (lower < -SAME_FLOOR || (lower < SAME_FLOOR && (body.x - far) * forward >= -radius));
      if (isLanded || lower > SAME_FLOOR) break;
    }
    inARow = clears ? inARow + 1 : 0;
    most = Math.max(most, inARow);
  }
  return most;
}

/** Is there anything to land on somewhere below a cell? */
function hasFloorBelow({ grid }: View, ledges: Uint8Array, column: number, row: number): boolean {
  for (let below = row + 1; below < grid.height; below++) {
    const cell = below * grid.width + column;
    if (grid.walls[cell] === 1 || ledges[cell] === 1) return true;
  }
  return false;
}

/** Every gap between two floors of the same height, with what it forgives to one who comes running. */
export function gapsOn(leap: Leap, world: World): Gap[] {
  const view = viewOf(world, []);
  const ledges = ledgesOf(world);
  const { grid } = view;
  const gaps: Gap[] = [];
  for (let row = 0; row < grid.height; row++) {
    let last = -1;
    for (let column = 0; column < grid.width; column++) {
      if (isWall(grid, column, row)) last = -1;
      else if (isStandable(view, { ledges }, column, row)) {
        const width = column - last - 1;
        if (last >= 0 && width >= 1 && width <= WIDEST) {
          const ticks = Math.min(
            windowOf(leap, world, view, row, last, column),
            windowOf(leap, world, view, row, column, last),
          );
          const overPit = Array.from({ length: width }, (_, cell) => last + 1 + cell).some(
            (at) => !hasFloorBelow(view, ledges, at, row),
          );
          gaps.push({ x: last + 1, y: row + 1, width, seconds: ticks * TICK_SECONDS, overPit });
        }
        last = column;
      }
    }
  }
  return gaps;
}

/** No jump is drawn for longer. Ticks. */
const LONGEST_DRAWN = 180;

/** The ways of a jump at full speed from a cell, to the right and to the left: each as x, y, x, y … None from where nobody can stand. */
export function jumpsFrom(leap: Leap, world: World, column: number, row: number): number[][] {
  const view = viewOf(world, []);
  const usual = leap.start(world, NOBODY);
  if (!isStandable(view, usual, column, row)) return [];
  const { radius } = world.level.motion.player;
  return [1, -1].map((side) => {
    const body = { ...NOBODY, x: column + 0.5, y: row + 1 - radius - FEET_GAP, vx: side * usual.speed, radius };
    const own = { ...usual, onFloor: true, airTicks: 0 };
    const points = [body.x, body.y];
    for (let tick = 0; tick < LONGEST_DRAWN && !(tick > 2 && own.onFloor) && !own.fell; tick++) {
      leap.moveBody(world, view, body, own, sideInput(side, true));
      points.push(body.x, body.y);
    }
    return points;
  });
}
