import { carryBody, FASTEST, noteOffGround, putAtRest, type GroundKind, type View } from '../../attempt/index.ts';
import { moveBody } from '../../grid/index.ts';
import type { Project } from '../../../document/model/index.ts';
import { mix, mixFloat } from '../../../basics/random/index.ts';
import { TICK_SECONDS } from '../../rules/index.ts';
import { horizon } from '../horizon.ts';
import {
  bounceUp,
  copyJumping,
  JUMP_LIMITS,
  noteFloor,
  pullAndPress,
  restJumping,
  stillJumping,
  takeOffOf,
} from '../jumping.ts';
import { numbersWithin, usual } from '../numbers.ts';
import { face, inputOfControls, isHeld, sideOf, SIDES } from '../sideways.ts';
import { gapsOn, jumpsFrom } from './jumps.ts';
import { isStandable, ledgesOf } from './standing.ts';
import type { LeapMotion, LeapNumbers, LeapOwn } from './state.ts';

type Moves = NonNullable<Project['player']['moves']['leap']>;

/** How a player moves of whom a project does not say it. */
export const USUAL_LEAP: Moves = {
  speed: usual(5),
  acceleration: usual(40),
  airControl: usual(0.7),
  gravity: usual(30),
  jumpHeight: usual(2.6),
  shortHop: usual(0.45),
  edgeGraceSeconds: usual(0.08),
  pressEarlySeconds: usual(0.1),
  jumpsInAir: usual(0),
};

const movesOf = ({ player }: Pick<Project, 'player'>): Moves => player.moves.leap ?? USUAL_LEAP;

/** Limits of each number. */
const NUMBERS = numbersWithin({
  speed: [0, FASTEST],
  acceleration: [0.1, 1000],
  airControl: [0, 1],
  ...JUMP_LIMITS,
} satisfies Record<keyof LeapNumbers, readonly [number, number]>);

/** Kept between a body and a ledge it stands on. */
const GAP = 1e-6;

/** Stops a body that has come down through the upper side of a ledge. @param before where its feet were */
function landOnLedge(
  view: View,
  own: LeapOwn,
  body: { x: number; y: number; vy: number; radius: number },
  before: number,
): boolean {
  const { grid } = view;
  const feet = body.y + body.radius;
  const row = Math.floor(feet);
  if (row <= Math.floor(before - GAP * 2) || row >= grid.height) return false;
  const left = Math.max(0, Math.floor(body.x - body.radius));
  const right = Math.min(grid.width - 1, Math.floor(body.x + body.radius));
  for (let column = left; column <= right; column++) {
    if (own.ledges[row * grid.width + column] !== 1) continue;
    body.y = row - body.radius - GAP;
    body.vy = 0;
    return true;
  }
  return false;
}

/** Walk, jump and fall. */
export const leap: GroundKind<LeapMotion, LeapOwn> = {
  moves: movesOf,
  prepare: (preparing) => NUMBERS.prepare(movesOf(preparing.project), preparing),
  start(world) {
    const { live: _live, ...numbers } = world.level.motion.body as LeapMotion;
    return { ...numbers, ...stillJumping(numbers), ledges: ledgesOf(world) };
  },
  moveBody(_world, view, body, own, input) {
    const side = sideOf(input);
    const jumps = isHeld(input);
    face(body, side);
    const most = own.acceleration * TICK_SECONDS * (own.onFloor ? 1 : own.airControl);
    const change = side * own.speed - body.vx;
    body.vx += change > most ? most : change < -most ? -most : change;

    pullAndPress(own, body, jumps);

    const { x, y, vy } = body;
    moveBody(view.grid, body, TICK_SECONDS);
    const onLedge = vy > 0 && landOnLedge(view, own, body, y + body.radius);
    // Below the lower edge there is nothing: who comes to it has fallen.
    own.fell = body.y + body.radius > view.grid.height - GAP * 4;
    noteFloor(own, !own.fell && vy > 0 && (onLedge || body.vy === 0));
    const dx = body.x - x;
    const dy = body.y - y;
    own.gone = Math.sqrt(dx * dx + dy * dy);
  },
  observe(state, own) {
    const { body, observed, world } = state;
    observed.distance += own.gone;
    observed.height = world.grid.height - body.y;
    observed.onFloor = own.onFloor ? 1 : 0;
    observed.fallSpeed = own.onFloor || body.vy < 0 ? 0 : body.vy;
    noteOffGround(state, own.fell);
  },
  putBack({ body }, own, at) {
    putAtRest(body, at);
    restJumping(own);
  },
  endsAt: ({ view, own }, x, y) => !isStandable(view, own as LeapOwn, Math.floor(x), Math.floor(y)),
  bounce: ({ body }, own) => bounceUp(own, body),
  carry: (state, _own, dx, dy) => void carryBody(state, dx, dy),
  copy(from, to) {
    copyJumping(from, to);
    to.speed = from.speed;
    to.acceleration = from.acceleration;
    to.airControl = from.airControl;
    to.ledges = from.ledges;
  },
  hash(own, hash) {
    for (const name of NUMBERS.names) hash = mixFloat(hash, own[name]);
    for (const value of [own.airTicks, own.pressTicks, own.jumpsLeft]) hash = mix(hash, value);
    for (const flag of [own.onFloor, own.held, own.rising, own.fell]) hash = mix(hash, flag ? 1 : 0);
    return hash;
  },
  dials: NUMBERS.dials<LeapOwn>((own) => {
    own.takeOff = takeOffOf(own);
  }),
  waysFrom: (world, column, row) => jumpsFrom(leap, world, column, row),
  gaps: (world) => gapsOn(leap, world),
  cells: '#.-',
  label: 'walks and leaps',
  scenery: horizon,
  controls: [
    { held: ['left', 'right'], does: 'walk' },
    { held: ['up'], does: 'jump' },
  ],
  readings: ['onFloor', 'fallSpeed'],
  actions: SIDES.flatMap((side) =>
    ['', 'jump'].map((name) => ({
      name: [side === 0 ? '' : side < 0 ? 'left' : 'right', name].filter(Boolean).join(', ') || 'let go',
    })),
  ),
  inputOf: inputOfControls,
};
