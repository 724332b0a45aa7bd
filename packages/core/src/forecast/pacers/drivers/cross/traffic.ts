import {
  enemiesOf,
  lanesOf,
  lengthOf,
  trafficOf,
  usualGap,
  type AttemptState,
  type Enemy,
  type PreparedLane,
  type Traffic,
} from '../../../../play/attempt/index.ts';
import { TICK_SECONDS } from '../../../../play/rules/index.ts';

/** Limit of the vehicles of one lane that are considered, future ones included. */
const MOST_SEEN = 80;
/** Least time kept between oneself and what drives, seconds; and what each unit of caution adds. */
const LEAST_MARGIN_SECONDS = 0.02;
const MARGIN_PER_CAUTION = 0.05;
/** How far beside its middle a vehicle reaches, and the player may be. Units. */
const HALF_WIDTH = 0.38;

/** Lanes by the row or the column that they are. */
export interface LaneMap {
  rows: number[][];
  columns: number[][];
  /** Fronts of the vehicles of each lane as the player believes them now, with future ones. */
  fronts: Float64Array[];
  counts: number[];
  /** Index in each lane from which no vehicle is in sight yet. */
  unseenFrom: number[];
  /** Distance kept from a vehicle beyond the player's radius, by lane. Units. */
  margins: number[];
  anyCarries: boolean;
  /** More that is kept clear of one that has not come yet. */
  unsure: number[];
}

/** @param state of an attempt at its start */
export function laneMapOf({ world }: AttemptState): LaneMap {
  const lanes = lanesOf(world.level);
  const at = (count: number, alongRow: boolean): number[][] =>
    Array.from({ length: count }, (_, line) =>
      lanes.flatMap((lane, index) => (lane.alongRow === alongRow && lane.line === line ? [index] : [])),
    );
  return {
    rows: at(world.grid.height, true),
    columns: at(world.grid.width, false),
    fronts: lanes.map(() => new Float64Array(MOST_SEEN)),
    counts: lanes.map(() => 0),
    unseenFrom: lanes.map(() => 0),
    margins: lanes.map(() => 0),
    unsure: lanes.map(() => 0),
    anyCarries: lanes.some(({ carries }) => carries),
  };
}

/**
 * Notes the traffic as a player sees it: what drives there, and what will come by the usual distance.
 *
 * @param misjudged seconds by which it takes everything to be further on
 * @param caution units
 * @param seconds how far ahead it will be looked at
 */
export function seeTraffic(
  map: LaneMap,
  state: AttemptState,
  misjudged: number,
  caution: number,
  seconds: number,
): void {
  const lanes = lanesOf(state.world.level);
  const traffic = trafficOf(state);
  for (let i = 0; i < lanes.length; i++) {
    const lane = lanes[i] as PreparedLane;
    const now = traffic[i] as Traffic;
    const fronts = map.fronts[i] as Float64Array;
    const ahead = now.speed * misjudged;
    let count = 0;
    for (; count < now.count; count++) fronts[count] = (now.fronts[count] as number) + ahead;
    map.unseenFrom[i] = count;
    const gap = usualGap(lane, now);
    const pitch = Math.max(lane.length + gap, 0.2);
    let front = count > 0 ? (fronts[count - 1] as number) - pitch : -gap;
    const reach = now.speed * seconds;
    while (front + reach > 0 && count < MOST_SEEN) {
      fronts[count] = front;
      count++;
      front -= pitch;
    }
    map.counts[i] = count;
    map.margins[i] = now.speed * (LEAST_MARGIN_SECONDS + MARGIN_PER_CAUTION * caution);
    map.unsure[i] = lane.jitter * gap;
  }
}

/** Is a vehicle over this place, or beside it within the margin, at any time between two? Seconds from now. */
function isDrivenOver(
  map: LaneMap,
  state: AttemptState,
  index: number,
  x: number,
  y: number,
  from: number,
  to: number,
): boolean {
  const lane = lanesOf(state.world.level)[index] as PreparedLane;
  if (lane.carries) return false;
  const beside = Math.abs((lane.alongRow ? y : x) - lane.line - 0.5);
  const { radius } = state.body;
  if (beside >= HALF_WIDTH + radius) return false;
  const place = lane.alongRow ? x : y;
  const at = lane.forward > 0 ? place : lengthOf(lane, state.world.grid) - place;
  const { speed } = trafficOf(state)[index] as Traffic;
  const fronts = map.fronts[index] as Float64Array;
  const count = map.counts[index] as number;
  const keep = radius + (map.margins[index] as number);
  const seen = map.unseenFrom[index] as number;
  for (let k = 0; k < count; k++) {
    const front = fronts[k] as number;
    const more = k < seen ? keep : keep + (map.unsure[index] as number);
    if (at < front + speed * to + more && at > front + speed * from - lane.length - more) return true;
  }
  return false;
}

/** Would something drive over a player that is here between two times? Seconds from now. */
export function isHit(map: LaneMap, state: AttemptState, x: number, y: number, from: number, to: number): boolean {
  const { rows, columns } = map;
  const inRow = rows[Math.floor(y)] ?? [];
  for (let i = 0; i < inRow.length; i++) if (isDrivenOver(map, state, inRow[i] as number, x, y, from, to)) return true;
  const inColumn = columns[Math.floor(x)] ?? [];
  for (let i = 0; i < inColumn.length; i++)
    if (isDrivenOver(map, state, inColumn[i] as number, x, y, from, to)) return true;
  return isMet(state, x, y, (from + to) / 2);
}

/** Would one that moves freely meet a player that is here then? */
function isMet(state: AttemptState, x: number, y: number, at: number): boolean {
  const { all } = enemiesOf(state);
  for (let i = 0; i < all.length; i++) {
    const enemy = all[i] as Enemy;
    if (!enemy.active) continue;
    const dx = enemy.x + enemy.vx * at - x;
    const dy = enemy.y + enemy.vy * at - y;
    const reach = enemy.radius + state.body.radius + 0.1;
    if (dx * dx + dy * dy < reach * reach) return true;
  }
  return false;
}

/** The lane whose raft is under a place at a time, or -1. Seconds from now. */
export function raftUnder(map: LaneMap, state: AttemptState, x: number, y: number, at: number): number {
  if (!map.anyCarries) return -1;
  const lanes = lanesOf(state.world.level);
  for (let list = 0; list < 2; list++) {
    const indexes = (list === 0 ? map.rows[Math.floor(y)] : map.columns[Math.floor(x)]) ?? [];
    for (let i = 0; i < indexes.length; i++) {
      const index = indexes[i] as number;
      const lane = lanes[index] as PreparedLane;
      if (!lane.carries) continue;
      const place = lane.alongRow ? x : y;
      const along = lane.forward > 0 ? place : lengthOf(lane, state.world.grid) - place;
      const { speed } = trafficOf(state)[index] as Traffic;
      const fronts = map.fronts[index] as Float64Array;
      const margin = Math.min(lane.length / 3, map.margins[index] as number);
      for (let k = 0; k < (map.counts[index] as number); k++) {
        const front = (fronts[k] as number) + speed * at;
        if (along < front - margin && along > front - lane.length + margin) return index;
      }
    }
  }
  return -1;
}

/** How far what a lane carries goes along each axis in a time. Units. */
export const driftOf = (state: AttemptState, index: number, seconds: number): number => {
  const lane = lanesOf(state.world.level)[index] as PreparedLane;
  return (trafficOf(state)[index] as Traffic).speed * lane.forward * seconds;
};

export const secondsOf = (ticks: number): number => ticks * TICK_SECONDS;
