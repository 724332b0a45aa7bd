import {
  carryBody,
  following,
  noteOffGround,
  putAtRest,
  within,
  zonesOf,
  type GroundKind,
  type KindMotion,
} from '../../attempt/index.ts';
import { cellAt, isWall } from '../../grid/index.ts';
import type { Project } from '../../../document/model/index.ts';
import { mix, mixFloat } from '../../../basics/random/index.ts';
import { secondsToTicks, TICKS_PER_SECOND } from '../../rules/index.ts';

/** How the player moves on a cross ground: from cell to cell. */
export interface CrossMotion extends KindMotion {
  /** Ticks from one cell to the next. */
  stepTicks: number;
  /** Ticks before the next step. */
  restTicks: number;
}

/** State of a cross ground in an attempt. */
export interface CrossOwn {
  /** As changed parameters have made them. */
  stepTicks: number;
  restTicks: number;
  /** Ticks of the step under way, 0 for none. */
  left: number;
  /** Ticks until the next step may begin. */
  resting: number;
  /** Where the step under way leads. */
  toX: number;
  toY: number;
  /** Way gone at the last tick, units. */
  gone: number;
  /** Is the player in a goal already? */
  wasInGoal: boolean;
}

/** How a player moves of whom a project does not say it. */
export const USUAL_CROSS: NonNullable<Project['player']['moves']['cross']> = {
  stepSeconds: { from: 'number', value: 0.15 },
  restSeconds: { from: 'number', value: 0.05 },
};

/** Step of each input, from the player's cell. */
export const STEPS: readonly (readonly [dx: number, dy: number])[] = [
  [0, 0],
  [1, 0],
  [0, 1],
  [-1, 0],
  [0, -1],
];

const FACING = [0, 0, 8, 16, 24] as const;
const LONGEST_SECONDS = 10;
/** Time that a player stands still after being put back. Ticks. */
const PUT_BACK_TICKS = 30;

const stepTicksOf = (seconds: number): number => Math.max(1, secondsToTicks(within(seconds, 0, LONGEST_SECONDS)));
const restTicksOf = (seconds: number): number => secondsToTicks(within(seconds, 0, LONGEST_SECONDS));

const movesOf = ({ player }: Pick<Project, 'player'>) => player.moves.cross ?? USUAL_CROSS;

/** From cell to cell, in four directions, with traffic in between. */
export const cross: GroundKind<CrossMotion, CrossOwn> = {
  moves: movesOf,
  prepare(preparing) {
    const { stepSeconds, restSeconds } = movesOf(preparing.project);
    return {
      stepTicks: stepTicksOf(preparing.number(stepSeconds)),
      restTicks: restTicksOf(preparing.number(restSeconds)),
      live: {
        ...following('stepSeconds', stepSeconds, preparing),
        ...following('restSeconds', restSeconds, preparing),
      },
    };
  },
  start({ level }, body) {
    const { stepTicks, restTicks } = level.motion.body as CrossMotion;
    return { stepTicks, restTicks, left: 0, resting: 0, toX: body.x, toY: body.y, gone: 0, wasInGoal: false };
  },
  moveBody(_world, view, body, own, input) {
    own.gone = 0;
    if (own.left === 0) {
      body.vx = 0;
      body.vy = 0;
      if (own.resting > 0) {
        own.resting--;
        return;
      }
      const step = STEPS[input];
      if (input === 0 || !step) return;
      body.facing = FACING[input] as number;
      const column = Math.floor(body.x) + step[0];
      const row = Math.floor(body.y) + step[1];
      if (isWall(view.grid, column, row)) return;
      own.toX = column + 0.5;
      own.toY = row + 0.5;
      own.left = own.stepTicks;
      body.vx = ((own.toX - body.x) / own.left) * TICKS_PER_SECOND;
      body.vy = ((own.toY - body.y) / own.left) * TICKS_PER_SECOND;
    }
    const dx = (own.toX - body.x) / own.left;
    const dy = (own.toY - body.y) / own.left;
    body.x += dx;
    body.y += dy;
    own.gone = Math.sqrt(dx * dx + dy * dy);
    own.left--;
    if (own.left === 0) own.resting = own.restTicks;
  },
  observe(state, own) {
    const { body, observed, world } = state;
    const { grid } = world;
    observed.distance += own.gone;
    observed.height = grid.height - body.y;
    observed.row = grid.height - Math.floor(body.y);
    noteOffGround(state, own.left === 0 && !state.carried && world.holes[cellAt(grid, body.x, body.y)] === 1);
    const zones = zonesOf(world.level);
    let inGoal = false;
    for (let i = 0; i < zones.length; i++) if (zones[i]?.goal === true && observed.inside[i] === 1) inGoal = true;
    if (inGoal && !own.wasInGoal) observed.crossings++;
    own.wasInGoal = inGoal;
  },
  putBack({ body }, own, at) {
    putAtRest(body, at);
    own.left = 0;
    // A key still held does not lead on at once.
    own.resting = PUT_BACK_TICKS;
    own.toX = at.x;
    own.toY = at.y;
    own.gone = 0;
  },
  endsAt: ({ world }, x, y) => world.holes[cellAt(world.grid, x, y)] === 1,
  carry(state, own, dx, dy) {
    // A step under way leads to a cell; only who stands is carried from it.
    if (!carryBody(state, dx, dy) || own.left > 0) return;
    own.toX = state.body.x;
    own.toY = state.body.y;
  },
  copy(from, to) {
    Object.assign(to, from);
  },
  hash(own, hash) {
    for (const value of [own.stepTicks, own.restTicks, own.left, own.resting]) hash = mix(hash, value);
    for (const value of [own.toX, own.toY, own.wasInGoal ? 1 : 0]) hash = mixFloat(hash, value);
    return hash;
  },
  dials: {
    stepSeconds: (_state, own, value) => {
      own.stepTicks = stepTicksOf(value);
    },
    restSeconds: (_state, own, value) => {
      own.restTicks = restTicksOf(value);
    },
  },
  cells: '#.~',
  label: 'crosses lanes',
  controls: [{ held: ['left', 'up', 'down', 'right'], does: 'step' }],
  readings: ['crossings', 'row'],
  actions: ['let go', 'step right', 'step down', 'step left', 'step up'].map((name) => ({ name })),
  inputOf(held) {
    if (held.has('up')) return 4;
    if (held.has('down')) return 2;
    if (held.has('right')) return 1;
    return held.has('left') ? 3 : 0;
  },
};
