import {
  carryBody,
  FASTEST,
  following,
  noteOffGround,
  putAtRest,
  within,
  type GroundKind,
  type KindMotion,
} from '../../attempt/index.ts';
import { cellAt, HEADING_VECTORS, HEADINGS, moveBody, nearestHeading } from '../../grid/index.ts';
import { mixFloat } from '../../../basics/random/index.ts';
import { TICK_SECONDS } from '../../rules/index.ts';

/** How the player moves on a roam ground: free in the plane. */
export interface RoamMotion extends KindMotion {
  /** Units per second. */
  speed: number;
  /** Units per second squared. */
  acceleration: number;
}

/** State of a roam ground in an attempt. */
export interface RoamOwn {
  /** Most units per second, as changed parameters have made it. */
  speed: number;
  /** Way gone at the last tick, units. */
  goneX: number;
  goneY: number;
}

/** The input that steers along a heading. @param heading 0–31 */
export const headingInput = (heading: number): number => heading + 1;

const DEGREES_PER_HEADING = 360 / HEADINGS;
const SLOWEST = 0.1;

/** Free in the plane, with acceleration and a top speed. */
export const roam: GroundKind<RoamMotion, RoamOwn> = {
  moves: ({ player }) => player.moves.roam,
  prepare(preparing) {
    const { speed, acceleration } = preparing.project.player.moves.roam;
    return {
      speed: within(preparing.number(speed), SLOWEST, FASTEST),
      acceleration: within(preparing.number(acceleration), 0.1, 1000),
      live: following('speed', speed, preparing),
    };
  },
  start: ({ level }) => ({ speed: (level.motion.body as RoamMotion).speed, goneX: 0, goneY: 0 }),
  moveBody(world, view, body, own, input) {
    const { acceleration } = world.level.motion.body as RoamMotion;
    let wantX = 0;
    let wantY = 0;
    if (input > 0) {
      const heading = input - 1;
      body.facing = heading;
      const vector = HEADING_VECTORS[heading] as readonly [number, number];
      wantX = vector[0] * own.speed;
      wantY = vector[1] * own.speed;
    }
    const dx = wantX - body.vx;
    const dy = wantY - body.vy;
    const change = Math.sqrt(dx * dx + dy * dy);
    const most = acceleration * TICK_SECONDS;
    const share = change <= most ? 1 : most / change;
    body.vx += dx * share;
    body.vy += dy * share;
    const { x, y } = body;
    moveBody(view.grid, body, TICK_SECONDS);
    own.goneX = body.x - x;
    own.goneY = body.y - y;
  },
  observe(state, own) {
    const { body, observed, world } = state;
    observed.distance += Math.sqrt(own.goneX * own.goneX + own.goneY * own.goneY);
    observed.height = world.grid.height - body.y;
    noteOffGround(state, world.hasAvoid && !state.carried && world.holes[cellAt(world.grid, body.x, body.y)] === 1);
  },
  putBack({ body }, own, at) {
    putAtRest(body, at);
    own.goneX = 0;
    own.goneY = 0;
  },
  endsAt: ({ world }, x, y) => world.holes[cellAt(world.grid, x, y)] === 1,
  carry: (state, _own, dx, dy) => void carryBody(state, dx, dy),
  copy(from, to) {
    to.speed = from.speed;
    to.goneX = from.goneX;
    to.goneY = from.goneY;
  },
  // The way gone is counted within the tick: nothing to come depends on it.
  hash: (own, hash) => mixFloat(hash, own.speed),
  dials: {
    speed: (_state, own, value) => {
      own.speed = within(value, SLOWEST, FASTEST);
    },
  },
  cells: '#.~',
  label: 'roams freely',
  controls: [{ held: ['left', 'up', 'down', 'right'], does: 'move' }],
  readings: [],
  actions: [
    { name: 'let go' },
    ...Array.from({ length: HEADINGS }, (_, heading) => ({ name: `steer ${heading * DEGREES_PER_HEADING}°` })),
  ],
  inputOf(held) {
    const heading = nearestHeading(
      (held.has('right') ? 1 : 0) - (held.has('left') ? 1 : 0),
      (held.has('down') ? 1 : 0) - (held.has('up') ? 1 : 0),
    );
    return heading < 0 ? 0 : headingInput(heading);
  },
};
