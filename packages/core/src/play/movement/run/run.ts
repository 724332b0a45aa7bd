import { FASTEST, noteOffGround, putAtRest, type GroundKind } from '../../attempt/index.ts';
import { isWall, moveBody, sectionsOf, WALL_GAP, type Grid } from '../../grid/index.ts';
import type { Ground, Project } from '../../../document/model/index.ts';
import { mix, mixFloat } from '../../../basics/random/index.ts';
import { TICK_SECONDS } from '../../rules/index.ts';
import { rollingHills } from '../horizon.ts';
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
import { obstaclesOn, runnersFrom } from './obstacles.ts';
import { layAhead } from './sections.ts';
import type { Laid, RunMotion, PlaythroughNumbers, RunOwn } from './state.ts';

type Moves = NonNullable<Project['player']['moves']['run']>;

/** How a player moves of whom a project does not say it. */
export const USUAL_RUN: Moves = {
  speed: usual(6),
  tall: usual(1.6),
  gravity: usual(34),
  jumpHeight: usual(1.8),
  shortHop: usual(0.45),
  edgeGraceSeconds: usual(0.08),
  pressEarlySeconds: usual(0.1),
  jumpsInAir: usual(0),
};

/** Limits of each number. */
const NUMBERS = numbersWithin({
  speed: [0, FASTEST],
  tall: [0.2, 3],
  ...JUMP_LIMITS,
} satisfies Record<keyof PlaythroughNumbers, readonly [number, number]>);

/** Inputs: nothing, jump, slide. */
export const RUN_ON = 0;
export const JUMP = 1;
export const SLIDE = 2;

/** How much of the ground is seen at once, and how much of that lies behind the player. Units. */
const SEEN = 34;
const SEEN_BEHIND = 8;

/** Half of its height, standing and low; never flatter than it is wide. Units. */
export const standingHalf = (tall: number, radius: number): number => Math.max(radius, tall / 2);
export const loweredHalf = (tall: number, radius: number): number => Math.max(radius, tall / 4);

/** Puts the feet of a body to the bottom of the cell in which its place lies. */
function standIn(body: { y: number }, halfTall: number): void {
  body.y = Math.floor(body.y) + 1 - halfTall - WALL_GAP;
}

/** Is there room for a body that stands up from where its feet are? @param from half of its height now @param to half of it once it stands */
export function hasRoomToStand(grid: Grid, x: number, y: number, radius: number, from: number, to: number): boolean {
  const top = Math.floor(y + from - 2 * to);
  const bottom = Math.floor(y + from - WALL_GAP * 2);
  for (let column = Math.floor(x - radius); column <= Math.floor(x + radius); column++)
    for (let row = top; row <= bottom; row++) if (isWall(grid, column, row)) return false;
  return true;
}

const INPUTS = { none: RUN_ON, jump: JUMP, slide: SLIDE } as const;

const movesOf = ({ player }: Pick<Project, 'player'>): Moves => player.moves.run ?? USUAL_RUN;

/** Is there any floor below the body, at whatever depth? */
export function hasFloorBelow(grid: Grid, x: number, y: number, radius: number, halfTall: number): boolean {
  const left = Math.floor(x - radius);
  const right = Math.floor(x + radius);
  for (let row = Math.floor(y + halfTall); row < grid.height; row++)
    for (let column = left; column <= right; column++) if (isWall(grid, column, row)) return true;
  return false;
}

/** Carried forward; jump and slide. */
export const run: GroundKind<RunMotion, RunOwn> = {
  moves: movesOf,
  prepare(preparing) {
    const { project, level, pieces } = preparing;
    const ground = level.ground as Extract<Ground, { kind: 'run' }>;
    return {
      ...NUMBERS.prepare(movesOf(project), preparing),
      drawnBy: ground.drawnBy,
      bounds: (project.liveTiers?.[ground.drawnBy] ?? []).map(({ from }) => from),
      sections: sectionsOf(ground).map((section) => ({
        tier: section.tier,
        weight: section.weight,
        rows: section.rows,
        pieces: pieces(section.pieces),
      })),
    };
  },
  start({ level }, body) {
    const halfTall = standingHalf((level.motion.body as RunMotion).tall, body.radius);
    standIn(body, halfTall);
    const {
      live: _live,
      drawnBy: _drawnBy,
      bounds: _bounds,
      sections: _sections,
      ...numbers
    } = level.motion.body as RunMotion;
    return {
      ...numbers,
      ...stillJumping(numbers),
      halfTall,
      low: false,
      blocked: false,
      laid: [],
      passed: 0,
      passedBefore: 0,
      only: -1,
      firstLive: 0,
    };
  },
  halfOf: ({ motion: { body, player } }) => standingHalf((body as RunMotion).tall, player.radius) - player.radius,
  onlyPart(own, part) {
    own.only = part;
  },
  layAhead(state, own) {
    // Sections from before the attempt count for the choice of the next ones.
    if (own.laid.length === 0) own.passedBefore = state.observed.sectionsPassed;
    layAhead(state, own);
  },
  moveBody(_world, view, body, own, input) {
    const tall = standingHalf(own.tall, body.radius);
    const low = loweredHalf(own.tall, body.radius);
    const slides = input === SLIDE && (own.onFloor || own.low);
    if (slides && !own.low) {
      body.y += own.halfTall - low;
      own.halfTall = low;
      own.low = true;
    } else if (!slides && own.low && hasRoomToStand(view.grid, body.x, body.y, body.radius, own.halfTall, tall)) {
      body.y += own.halfTall - tall;
      own.halfTall = tall;
      own.low = false;
    }
    pullAndPress(own, body, input === JUMP && !own.low);
    body.vx = own.speed;
    const { x, y, vy } = body;
    moveBody(view.grid, body, TICK_SECONDS, own.halfTall);
    // Whoever hits the far side of a pit falls: that is no wall in the way.
    own.blocked = own.speed > 0 && body.vx === 0 && hasFloorBelow(view.grid, body.x, body.y, body.radius, own.halfTall);
    // Below the lower edge there is nothing: who comes to it has fallen.
    own.fell = body.y + own.halfTall > view.grid.height - WALL_GAP * 4;
    noteFloor(own, !own.fell && vy > 0 && body.vy === 0);
    body.half = own.halfTall - body.radius;
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
    observed.blocked = own.blocked ? 1 : 0;
    while (body.x - body.radius >= (own.laid[own.passed]?.to ?? Number.POSITIVE_INFINITY)) own.passed++;
    observed.sectionsPassed = own.passedBefore + own.passed;
    noteOffGround(state, own.fell);
  },
  putBack({ body }, own, at) {
    // Removed ground is gone: nobody is put back onto it.
    const first = own.laid[own.firstLive] as Laid;
    putAtRest(body, own.firstLive > 0 && at.x < first.from ? { x: first.from + 1, y: at.y } : at);
    restJumping(own);
    own.low = false;
    own.blocked = false;
    own.halfTall = standingHalf(own.tall, body.radius);
    standIn(body, own.halfTall);
    body.half = own.halfTall - body.radius;
  },
  endsAt: ({ view: { grid } }, x, y) => {
    const [column, row] = [Math.floor(x), Math.floor(y)];
    return isWall(grid, column, row) || row + 1 >= grid.height || !isWall(grid, column, row + 1);
  },
  bounce: ({ body }, own) => bounceUp(own, body),
  // Nothing carries here but the run itself.
  carry: () => undefined,
  copy(from, to) {
    copyJumping(from, to);
    to.speed = from.speed;
    to.tall = from.tall;
    to.halfTall = from.halfTall;
    to.low = from.low;
    to.blocked = from.blocked;
    to.laid = from.laid;
    to.passed = from.passed;
    to.passedBefore = from.passedBefore;
    to.only = from.only;
    to.firstLive = from.firstLive;
  },
  hash(own, hash) {
    for (const name of NUMBERS.names) hash = mixFloat(hash, own[name]);
    for (const value of [own.airTicks, own.pressTicks, own.jumpsLeft, own.passed, own.passedBefore])
      hash = mix(hash, value);
    for (const { section } of own.laid) hash = mix(hash, section + 1);
    for (const flag of [own.onFloor, own.held, own.rising, own.fell, own.low, own.blocked])
      hash = mix(hash, flag ? 1 : 0);
    return mixFloat(hash, own.halfTall);
  },
  dials: NUMBERS.dials<RunOwn>((own) => {
    own.takeOff = takeOffOf(own);
  }),
  partAt: ({ own }, { x, y }) => {
    const laid = (own as RunOwn).laid.find(({ to }) => x < to);
    return laid && x >= laid.from ? { part: laid.section, x: x - laid.from, y } : { part: -1, x, y };
  },
  partsEntered(state) {
    const { laid } = state.own as RunOwn;
    const entered = (state.world.level.motion.body as RunMotion).sections.map(() => 0);
    for (const { section, from } of laid)
      if (section >= 0 && state.body.x >= from) entered[section] = (entered[section] as number) + 1;
    return entered;
  },
  seen: (x) => ({ x: Math.max(0, x - SEEN_BEHIND), width: SEEN }),
  besides: () => ({ drawnBy: 'sectionsPassed', sections: [] }),
  cells: '#.',
  label: 'is carried forward',
  gapsGoBy: ({ speed, tall, gravity, jumpHeight, shortHop, edgeGraceSeconds, pressEarlySeconds, jumpsInAir }) => [
    speed,
    tall,
    gravity,
    jumpHeight,
    shortHop,
    edgeGraceSeconds,
    pressEarlySeconds,
    jumpsInAir,
  ],
  gaps: (world) => obstaclesOn({ ...run, inputs: INPUTS }, world),
  waysFrom: (world, column, row) => runnersFrom({ ...run, inputs: INPUTS }, world, column, row),
  parts: (level) =>
    (level.motion.body as RunMotion).sections.map(({ rows, pieces }) => ({
      ...level,
      motion: { ...level.motion, rows: [...rows], pieces },
    })),
  scenery: rollingHills,
  controls: [
    { held: ['up'], does: 'jump' },
    { held: ['down'], does: 'slide' },
  ],
  readings: ['sectionsPassed', 'blocked', 'onFloor', 'fallSpeed'],
  actions: [{ name: 'let go' }, { name: 'jump' }, { name: 'slide' }],
  inputOf: (held) => (held.has('up') || held.has('act') ? JUMP : held.has('down') ? SLIDE : RUN_ON),
};
