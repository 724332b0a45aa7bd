import type { Grid } from '../../grid/index.ts';
import type { EnemyKind, Piece } from '../../../document/model/index.ts';
import { drawAt, mix, mixFloat } from '../../../basics/random/index.ts';
import { TICK_SECONDS, TICKS_PER_SECOND, type LiveAmount } from '../../rules/index.ts';
import { asItIs, FASTEST, following, FURTHEST, MOST, within } from '../following.ts';
import type { PreparedLevel } from '../level.ts';
import { markFigures, usualEnemyLook, type Looks } from '../looks.ts';
import type { Figure, Mark } from '../mark.ts';
import { hurtPlayer } from '../touching.ts';
import type { AttemptState, PieceSort } from '../types.ts';

/** A lane made ready. */
export interface PreparedLane {
  kind: number;
  movement: EnemyKind['movement'];
  /** Along a row; else along a column. */
  alongRow: boolean;
  /** The row, or the column. */
  line: number;
  /** 1 where it drives to the right or down. */
  forward: 1 | -1;
  /** Units of one vehicle. */
  length: number;
  /** Units per second. */
  speed: number;
  liveSpeed?: LiveAmount;
  /** Does `every` count seconds between two that come? Else units of gap. */
  bySeconds: boolean;
  every: number;
  liveEvery?: LiveAmount;
  /** 0–1. */
  jitter: number;
  carries: boolean;
  /** Health lost at each touch. */
  damage: number;
  liveDamage?: LiveAmount;
}

/** The traffic of one lane in one attempt. */
export interface Traffic {
  /** Units per second. */
  speed: number;
  every: number;
  damage: number;
  /** Distance of each vehicle's front from where it enters, the foremost vehicle first, units. */
  fronts: number[];
  /** Number of vehicles on the lane. */
  count: number;
  /** How many have entered: each has draws of its own. */
  entered: number;
  /** Gap that the last one must have left behind it before the next enters, units; or ticks until that. */
  wait: number;
  touches: boolean;
}

/** No lane holds more. */
const MOST_VEHICLES = 64;
/** A vehicle is so much narrower than its lane on each side. Units. */
const INSET = 0.12;
/** Draws of lanes are numbered apart from those of enemies. */
const LANE_DRAWS = 100_000;
const SHORTEST_SECONDS = 0.1;

/** Is it a row? Else a column. */
export const runsAlongRow = ({ towards }: Extract<Piece, { piece: 'lane' }>): boolean =>
  towards === 'right' || towards === 'left';

/** The lanes of a level, in the order of the ground. */
export const lanesOf = ({ motion }: PreparedLevel): readonly PreparedLane[] =>
  motion.pieces.lane as readonly PreparedLane[];

/** The traffic on them, in the same order. */
export const trafficOf = (state: AttemptState): readonly Traffic[] => state.pieces.lane as Traffic[];

/** How long a lane is. Units. */
export const lengthOf = ({ alongRow }: PreparedLane, grid: Pick<Grid, 'width' | 'height'>): number =>
  alongRow ? grid.width : grid.height;

/** How much more or less the wait for the n-th vehicle is. */
const shareDrawn = (jitter: number, seed: number, index: number, n: number): number =>
  jitter === 0 ? 1 : 1 + jitter * (2 * drawAt(seed, LANE_DRAWS + index, n) - 1);

/** The usual gap between the tail of one and the front of the next, units. Standing traffic keeps the gap of 1 unit a second. */
export const usualGap = (lane: PreparedLane, { speed, every }: Pick<Traffic, 'speed' | 'every'>): number =>
  lane.bySeconds && speed > 0 ? Math.max(0, every * speed - lane.length) : every;

/** Returns the wait before the next vehicle: ticks, or units of gap. */
const nextWait = (lane: PreparedLane, traffic: Traffic, seed: number, index: number): number =>
  traffic.every * (lane.bySeconds ? TICKS_PER_SECOND : 1) * shareDrawn(lane.jitter, seed, index, traffic.entered);

/** As if it had always driven: the first somewhere by the seed, all others behind it. */
function warm(lane: PreparedLane, index: number, seed: number, extent: number): Traffic {
  const { speed, every, damage } = lane;
  const traffic: Traffic = { speed, every, damage, fronts: [], count: 0, entered: 0, wait: 0, touches: false };
  const usual = usualGap(lane, traffic);
  let front = extent + lane.length - drawAt(seed, LANE_DRAWS + index, -1) * (lane.length + usual);
  while (front >= 0 && traffic.count < MOST_VEHICLES) {
    traffic.fronts.push(front);
    traffic.count++;
    traffic.entered++;
    const share = shareDrawn(lane.jitter, seed, index, traffic.entered);
    const isTimed = lane.bySeconds && speed > 0;
    const pitch = isTimed ? Math.max(lane.length, every * speed * share) : lane.length + every * share;
    front -= pitch;
  }
  traffic.wait = nextWait(lane, traffic, seed, index);
  // The next one is already on its way.
  if (lane.bySeconds && speed > 0) traffic.wait = (-front / speed) * TICKS_PER_SECOND;
  while (traffic.fronts.length < MOST_VEHICLES) traffic.fronts.push(0);
  return traffic;
}

function drive(lane: PreparedLane, traffic: Traffic, index: number, seed: number, extent: number): void {
  const { fronts, speed } = traffic;
  const step = speed * TICK_SECONDS;
  for (let i = 0; i < traffic.count; i++) fronts[i] = (fronts[i] as number) + step;
  if (traffic.count > 0 && (fronts[0] as number) - lane.length > extent) {
    for (let i = 1; i < traffic.count; i++) fronts[i - 1] = fronts[i] as number;
    traffic.count--;
  }
  if (lane.bySeconds) traffic.wait--;
  if (traffic.count >= MOST_VEHICLES || speed === 0) return;
  const tail = traffic.count === 0 ? Number.POSITIVE_INFINITY : (fronts[traffic.count - 1] as number) - lane.length;
  const free = lane.bySeconds ? traffic.wait <= 0 && tail >= 0 : tail >= traffic.wait;
  if (!free) return;
  // It enters with what it is late by, so that times and gaps are exact on the average.
  const late = lane.bySeconds ? Math.min(tail, -traffic.wait * step) : Math.min(step, tail - traffic.wait);
  fronts[traffic.count] = Number.isFinite(late) ? Math.max(0, late) : 0;
  traffic.count++;
  traffic.entered++;
  const next = nextWait(lane, traffic, seed, index);
  traffic.wait = lane.bySeconds ? Math.max(-1, traffic.wait) + next : next;
}

/** Where along a lane a place lies, from where vehicles enter; and how far beside its middle. Scratch. */
const along = { at: 0, beside: 0 };

function lookAlong(lane: PreparedLane, extent: number, x: number, y: number): void {
  const place = lane.alongRow ? x : y;
  along.at = lane.forward > 0 ? place : extent - place;
  along.beside = Math.abs((lane.alongRow ? y : x) - lane.line - 0.5);
}

/** Moves all traffic, and who stands on what carries. */
function moveLanes(state: AttemptState): void {
  const lanes = lanesOf(state.world.level);
  if (lanes.length === 0) return;
  const { body, seed, world } = state;
  const traffic = trafficOf(state);
  state.carried = false;
  for (let i = 0; i < lanes.length; i++) {
    const lane = lanes[i] as PreparedLane;
    const now = traffic[i] as Traffic;
    const extent = lengthOf(lane, world.grid);
    drive(lane, now, i, seed, extent);
    if (!lane.carries || state.carried) continue;
    lookAlong(lane, extent, body.x, body.y);
    if (along.beside > 0.5) continue;
    const step = now.speed * TICK_SECONDS;
    for (let k = 0; k < now.count; k++) {
      // Where it was before this tick: that is where the player stood on it.
      const front = (now.fronts[k] as number) - step;
      if (along.at > front || along.at < front - lane.length) continue;
      state.carried = true;
      const way = step * lane.forward;
      world.kind.carry(state, state.own, lane.alongRow ? way : 0, lane.alongRow ? 0 : way);
      break;
    }
  }
}

function touchPlayer(state: AttemptState): void {
  const { body, observed, world } = state;
  const lanes = lanesOf(world.level);
  const traffic = trafficOf(state);
  for (let i = 0; i < lanes.length; i++) {
    const lane = lanes[i] as PreparedLane;
    const now = traffic[i] as Traffic;
    if (lane.carries) continue;
    lookAlong(lane, lengthOf(lane, world.grid), body.x, body.y);
    let touches = false;
    if (along.beside < 0.5 - INSET + body.radius) {
      for (let k = 0; k < now.count; k++) {
        const front = now.fronts[k] as number;
        if (along.at < front + body.radius && along.at > front - lane.length - body.radius) touches = true;
      }
    }
    if (touches) {
      observed.touching[lane.kind] = 1;
      if (!now.touches && now.damage > 0) hurtPlayer(state, now.damage);
    }
    now.touches = touches;
  }
}

/** One vehicle as it is drawn: as wide as its lane lets it, with its kind's mark in the middle. */
function figuresOf(lane: PreparedLane, front: number, extent: number, looks: Looks | undefined): Figure[] {
  // As much of it as is on the ground.
  const [tail, head] = [Math.max(0, front - lane.length), Math.min(extent, front)];
  if (head <= tail) return [];
  const from = lane.forward > 0 ? tail : extent - head;
  const length = head - tail;
  const across = lane.line + INSET;
  const thick = 1 - INSET * 2;
  const look = looks?.enemies[lane.kind] ?? usualEnemyLook(lane.movement);
  const box = lane.alongRow
    ? { x: from, y: across, width: length, height: thick }
    : { x: across, y: from, width: thick, height: length };
  return [
    {
      is: 'rectangle',
      ...box,
      round: lane.carries ? 0.1 : 0.24,
      fill: lane.carries ? 'sheet' : 'lossSoft',
      stroke: lane.carries ? 'ink' : 'loss',
      line: 0.08,
    },
    ...(length < lane.length / 2 ? [] : markFigures(look, box.x + box.width / 2, box.y + box.height / 2, 0.24)),
  ];
}

/** The bed of a lane, with where it leads. */
function bedOf(lane: PreparedLane, extent: number): Figure[] {
  const { line, forward, alongRow } = lane;
  const points = (pairs: readonly (readonly [number, number])[]): number[] =>
    pairs.flatMap(([at, beside]) => {
      const place = forward > 0 ? at : extent - at;
      return alongRow ? [place, line + 0.5 + beside] : [line + 0.5 + beside, place];
    });
  const dashes = [line, line + 1].map((edge): Figure => ({
    is: 'line',
    points: alongRow ? [0, edge, extent, edge] : [edge, 0, edge, extent],
    stroke: 'ink',
    line: 0.03,
    dash: [0.3, 0.3],
  }));
  const arrows = [0.25, 0.75].map((share): Figure => {
    const at = Math.floor(extent * share) + 0.5;
    return {
      is: 'line',
      points: points([
        [at - 0.2, -0.2],
        [at + 0.1, 0],
        [at - 0.2, 0.2],
      ]),
      stroke: 'ink',
      line: 0.05,
    };
  });
  return [...dashes, ...arrows];
}

/** A row or a column along which things drive: over who is in their way, or with who stands on them. */
export const lane: PieceSort<Extract<Piece, { piece: 'lane' }>, PreparedLane, Traffic[]> = {
  name: 'lane',
  noun: 'lane',
  onlyOn: ['cross'],
  prepare(piece, preparing) {
    const { project, resolving, number } = preparing;
    const kind = resolving.subjects.enemy.get(piece.kind) as number;
    const definition = project.kinds.enemies[kind] as EnemyKind;
    const alongRow = runsAlongRow(piece);
    const bySeconds = piece.spacing === 'seconds';
    const speed = number(piece.speed);
    // Below 0 it drives the other way. A speed that changes its sign during the attempt stands instead.
    const sign = speed < 0 ? -1 : 1;
    const { liveSpeed } = following('liveSpeed', piece.speed, preparing);
    return {
      kind,
      movement: definition.movement,
      alongRow,
      line: Math.floor(alongRow ? piece.at.y : piece.at.x),
      forward: (piece.towards === 'right' || piece.towards === 'down') === speed >= 0 ? 1 : -1,
      length: piece.length,
      speed: within(sign * speed, 0, FASTEST),
      ...(liveSpeed ? { liveSpeed: { ...liveSpeed, times: sign * liveSpeed.times, plus: sign * liveSpeed.plus } } : {}),
      bySeconds,
      every: within(number(piece.every), bySeconds ? SHORTEST_SECONDS : 0, FURTHEST),
      ...following('liveEvery', piece.every, preparing),
      jitter: piece.jitter,
      carries: piece.carries === true,
      damage: definition.damage ? within(number(definition.damage), 0, MOST) : 0,
      ...following('liveDamage', definition.damage, preparing),
    };
  },
  start: (lanes, { seed, world }) => lanes.map((lane, index) => warm(lane, index, seed, lengthOf(lane, world.grid))),
  move: moveLanes,
  touch: touchPlayer,
  forget: (state) => {
    for (const traffic of trafficOf(state)) traffic.touches = false;
  },
  turn(state) {
    const lanes = lanesOf(state.world.level);
    const { dials } = state;
    trafficOf(state).forEach((traffic, index) => {
      const lane = lanes[index] as PreparedLane;
      traffic.speed = asItIs(traffic.speed, lane.liveSpeed, dials, 0, FASTEST);
      traffic.every = asItIs(traffic.every, lane.liveEvery, dials, lane.bySeconds ? SHORTEST_SECONDS : 0, FURTHEST);
      traffic.damage = asItIs(traffic.damage, lane.liveDamage, dials, 0, MOST);
    });
  },
  hash(state, hash) {
    for (const { speed, every, damage, fronts, count, entered, wait, touches } of trafficOf(state)) {
      for (const value of [speed, every, damage, wait]) hash = mixFloat(hash, value);
      for (const value of [count, entered, touches ? 1 : 0]) hash = mix(hash, value);
      for (let i = 0; i < count; i++) hash = mixFloat(hash, fronts[i] as number);
    }
    return hash;
  },
  hurts: (lanes) => lanes.some(({ damage }) => damage > 0),
  layer: 3,
  scene(lanes, { motion }, now, looks) {
    const grid = { width: motion.rows[0]?.length ?? 0, height: motion.rows.length };
    return lanes.map((lane, index): Mark => {
      const extent = lengthOf(lane, grid);
      const traffic = now ? (trafficOf(now.state)[index] as Traffic) : warm(lane, index, 1, extent);
      const behind = now ? traffic.speed * TICK_SECONDS * (1 - now.share) : 0;
      const vehicles = traffic.fronts
        .slice(0, traffic.count)
        .flatMap((front) => figuresOf(lane, front - behind, extent, looks));
      return { key: `lane-${index}`, figures: [...bedOf(lane, extent), ...vehicles] };
    });
  },
};
