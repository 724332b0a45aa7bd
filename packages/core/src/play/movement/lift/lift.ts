import { FASTEST, putAtRest, type GroundKind, type KindMotion } from '../../attempt/index.ts';
import { moveBody } from '../../grid/index.ts';
import type { Project } from '../../../document/model/index.ts';
import { horizon } from '../horizon.ts';
import { numbersWithin, usual } from '../numbers.ts';
import { face, inputOfControls, isHeld, sideOf, SIDES } from '../sideways.ts';
import { mix, mixFloat } from '../../../basics/random/index.ts';
import { TICK_SECONDS } from '../../rules/index.ts';

/** How the player moves on a lift ground, seen from aside: it rises while something is held, else it sinks. */
interface LiftNumbers {
  /** Units per second to the right, all the time. */
  forward: number;
  /** Units per second to either side as it is held. */
  steer: number;
  /** Units per second squared. */
  rise: number;
  gravity: number;
  /** Most units per second up and down. */
  mostUp: number;
  mostDown: number;
}
export type LiftMotion = KindMotion & LiftNumbers;

/** State of a lift ground in an attempt: its present numbers, and the state of the body. */
export interface LiftOwn extends LiftNumbers {
  /** Has the player pressed anything yet? Until then nothing pulls at it. */
  begun: boolean;
  /** Did a wall or an edge stop it at this tick? */
  stopped: boolean;
  /** Way gone at the last tick, units. */
  gone: number;
}

type Moves = NonNullable<Project['player']['moves']['lift']>;

/** How a player moves of whom a project does not say it. */
export const USUAL_LIFT: Moves = {
  forward: usual(0),
  steer: usual(4),
  rise: usual(16),
  gravity: usual(12),
  mostUp: usual(5),
  mostDown: usual(7),
};

const movesOf = ({ player }: Pick<Project, 'player'>): Moves => player.moves.lift ?? USUAL_LIFT;

/** Limits of each number. Units per second, or per second squared. */
const NUMBERS = numbersWithin({
  forward: [0, FASTEST],
  steer: [0, FASTEST],
  rise: [0, 200],
  gravity: [0, 200],
  mostUp: [0, FASTEST],
  mostDown: [0, FASTEST],
} satisfies Record<keyof LiftNumbers, readonly [number, number]>);

/** Hold to rise, let go to sink. */
export const lift: GroundKind<LiftMotion, LiftOwn> = {
  moves: movesOf,
  prepare: (preparing) => NUMBERS.prepare(movesOf(preparing.project), preparing),
  start({ level }) {
    const { live: _live, ...numbers } = level.motion.body as LiftMotion;
    return { ...numbers, begun: false, stopped: false, gone: 0 };
  },
  moveBody(_world, view, body, own, input) {
    own.gone = 0;
    own.stopped = false;
    if (input !== 0) own.begun = true;
    if (!own.begun) return;
    const side = sideOf(input);
    body.vx = own.forward + side * own.steer;
    face(body, side);
    const wanted = body.vy + (isHeld(input) ? -own.rise : own.gravity) * TICK_SECONDS;
    body.vy = wanted < -own.mostUp ? -own.mostUp : wanted > own.mostDown ? own.mostDown : wanted;
    const { x, y, vx, vy } = body;
    moveBody(view.grid, body, TICK_SECONDS);
    own.stopped = body.vx !== vx || body.vy !== vy;
    const dx = body.x - x;
    const dy = body.y - y;
    own.gone = Math.sqrt(dx * dx + dy * dy);
  },
  observe(state, own) {
    const { body, observed, world } = state;
    observed.distance += own.gone;
    observed.height = world.grid.height - body.y;
    observed.climbRate = -body.vy;
    observed.touchingWall = own.stopped ? 1 : 0;
    observed.offGround = 0;
  },
  putBack({ body }, own, at) {
    putAtRest(body, at);
    own.begun = false;
    own.stopped = false;
    own.gone = 0;
  },
  endsAt: () => false,
  // Carriers push standing bodies only; nothing stands here.
  carry: () => undefined,
  copy(from, to) {
    to.forward = from.forward;
    to.steer = from.steer;
    to.rise = from.rise;
    to.gravity = from.gravity;
    to.mostUp = from.mostUp;
    to.mostDown = from.mostDown;
    to.begun = from.begun;
    to.stopped = from.stopped;
    to.gone = from.gone;
  },
  hash(own, hash) {
    for (const name of NUMBERS.names) hash = mixFloat(hash, own[name]);
    return mix(mix(hash, own.begun ? 1 : 0), own.stopped ? 1 : 0);
  },
  dials: NUMBERS.dials<LiftOwn>(),
  cells: '#.',
  label: 'rises while held',
  scenery: horizon,
  controls: [
    { held: ['up'], does: 'rise' },
    { held: ['left', 'right'], does: 'steer' },
  ],
  readings: ['climbRate', 'touchingWall'],
  actions: SIDES.flatMap((side) =>
    ['sink', 'rise'].map((name) => ({
      name: side === 0 ? (name === 'sink' ? 'let go' : name) : `${name}, ${side < 0 ? 'left' : 'right'}`,
    })),
  ),
  inputOf: inputOfControls,
};
