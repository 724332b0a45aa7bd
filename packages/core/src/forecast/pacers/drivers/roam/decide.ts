import {
  collectablesOf,
  enemiesOf,
  latchesOf,
  zonesOf,
  type AttemptState,
  type Collectable,
  type Enemy,
} from '../../../../play/attempt/index.ts';
import {
  cellAt,
  fits,
  HEADING_VECTORS,
  HEADINGS,
  nearestHeading,
  nextCellTowards,
  UNREACHABLE,
  wayIsClear,
  type Spot,
} from '../../../../play/grid/index.ts';
import type { RoamOwn } from '../../../../play/movement/index.ts';
import { ticksToSeconds } from '../../../../play/rules/index.ts';
import { needsToOpenTheWay, pendingNeeds } from '../../goals/index.ts';
import type { Player } from '../../driver.ts';
import { isInShot, nearestToBeat } from '../aims.ts';
import { isDesperate, isHeldUp, isImpatient, noteProgress, type RoamMemory } from './memory.ts';
import { here, predictSelf } from './ownSteps.ts';
import { horizonOf, IMAGINED_MOMENTS, lookForThreats, priceThreats, probe } from './threats.ts';

/** Longest time between two choices of a target, ticks. */
const TICKS_BETWEEN_CHOICES = 45;
/** Share of its caution that an impatient player keeps. */
const IMPATIENT_CAUTION_SHARE = 0.4;
/** How many cells of its way a player looks along to cut corners. */
const LOOK_AHEAD_CELLS = 5;
/** Distance maps count in fifths of a unit. */
const FIFTHS_PER_UNIT = 5;
/** Price of standing still, in units of way: a player does something. */
const STANDING_PRICE = 1;
/** A way on that costs no more than this is simply taken. Units of way. */
const GOOD_ENOUGH_PRICE = 1.5;
/** Price of a way out that ends in a wall, in units of way. */
const BLOCKED_PRICE = 8;
/** Price of being where it hurts, in units of way, per moment imagined. */
const HURTING_PRICE = 60;
/** Share of the way lost again after the nearest point that a way out is charged for. */
const LOST_AGAIN_SHARE = 0.2;
/** Cosine of the angle within which a player takes itself to face what it shoots at: 8 degrees. */
const FACING_COSINE = 0.99;
/** Least pay of a piece, as a share of the usual one. */
const LEAST_PAY_SHARE = 0.25;
/** Distance beyond its caution in which a planner looks for guards of a piece. Units. */
const GUARD_REACH = 1.5;
/** Price of each enemy that guards a piece, to one who plans fully. Units of way. */
const GUARD_PRICE = 6;
/** Value of keeping the present choice: it avoids zigzags. Units of way. */
const STAYING_BONUS = 1;
/** A player that must rise goes this much higher than asked, and never nearer than this to the upper edge. Units. */
const HEIGHT_MARGIN = 0.6;
const EDGE_MARGIN = 0.5;

/** Scratch of the decision at hand; nothing is kept in them between decisions. */
const ahead: Spot = { x: 0, y: 0 };
const target: Spot = { x: 0, y: 0 };

/** Most units per second that the player goes now. */
const speedOf = ({ own }: AttemptState): number => (own as RoamOwn).speed;

function threatenedAt(state: AttemptState, x: number, y: number, within: number): number {
  let count = 0;
  for (const enemy of enemiesOf(state).all) {
    if (!enemy.active) continue;
    const dx = enemy.x - x;
    const dy = enemy.y - y;
    if (dx * dx + dy * dy < within * within) count++;
  }
  return count;
}

/** Chooses the piece to gather: near, paying, and not guarded. Returns its cell, or -1. */
function chooseTarget(player: Player, state: AttemptState, memory: RoamMemory): number {
  const { world } = state;
  const { all, remaining, remainingCount } = collectablesOf(state);
  const { maps } = state.view;
  const { needs, abilities } = player;
  const any = world.level.motion.kindsOfCollectable;
  const current = memory.target >= 0 ? (all[memory.target] as Collectable) : undefined;
  const stillGood =
    current && !current.gathered && !current.hidden && (needs.gather[any] || needs.gather[current.kind]);
  if (current && stillGood && state.tick - memory.targetTick < TICKS_BETWEEN_CHOICES)
    return cellAt(world.grid, current.x, current.y);

  const from = cellAt(world.grid, state.body.x, state.body.y);
  const impatient = isImpatient(memory, state.tick);
  let best = -1;
  let least = Number.POSITIVE_INFINITY;
  for (let i = 0; i < remainingCount; i++) {
    const index = remaining[i] as number;
    const piece = all[index] as Collectable;
    if (!needs.gather[any] && !needs.gather[piece.kind]) continue;
    const cell = cellAt(world.grid, piece.x, piece.y);
    // Pieces in walls are ignored.
    if (world.grid.walls[cell] === 1) continue;
    const way = maps.to(cell)[from] as number;
    if (way === UNREACHABLE) continue;
    // A planner goes a longer way for more, on the square root so that it never crosses the map for one.
    const share = memory.usualWorth > 0 ? piece.worth / memory.usualWorth : 1;
    const pay = Math.sqrt(Math.max(LEAST_PAY_SHARE, share));
    let cost = way / FIFTHS_PER_UNIT / (1 + abilities.planning * (pay - 1));
    if (!impatient)
      cost +=
        threatenedAt(state, piece.x, piece.y, abilities.cautionUnits + GUARD_REACH) * GUARD_PRICE * abilities.planning;
    if (index === memory.target) cost -= impatient ? 0 : STAYING_BONUS;
    if (cost < least) {
      least = cost;
      best = index;
    }
  }
  memory.target = best;
  memory.targetTick = state.tick;
  if (best < 0) return -1;
  const piece = all[best] as Collectable;
  return cellAt(world.grid, piece.x, piece.y);
}

/** Sets `ahead` to the furthest point of the way that can be steered to in a straight line. Notes whether it leads where it hurts. */
function aimAlong(
  state: AttemptState,
  memory: RoamMemory,
  distances: Int32Array,
  target: Spot,
  targetCell: number,
): void {
  const { grid, wary } = state.view;
  let cell = cellAt(grid, here.x, here.y);
  ahead.x = target.x;
  ahead.y = target.y;
  if (cell === targetCell) return;
  let aimX = here.x;
  let aimY = here.y;
  for (let i = 0; i < LOOK_AHEAD_CELLS; i++) {
    let next = nextCellTowards(wary, distances, cell);
    // A player who already stands in harm takes the shortest way out; one without another way goes through.
    if (next === cell) {
      next = nextCellTowards(grid, distances, cell);
      if (next !== cell) memory.crosses = true;
    }
    if (next === cell) break;
    cell = next;
    const column = cell % grid.width;
    ahead.x = cell === targetCell ? target.x : column + 0.5;
    ahead.y = cell === targetCell ? target.y : (cell - column) / grid.width + 0.5;
    if (i > 0 && !wayIsClear(wary, here, ahead)) break;
    aimX = ahead.x;
    aimY = ahead.y;
    if (cell === targetCell) break;
  }
  ahead.x = aimX;
  ahead.y = aimY;
}

/** The price of the threats met when simply going on along the way. */
function priceOfWay(player: Player, state: AttemptState, distances: Int32Array, targetCell: number): number {
  const { grid } = state.view;
  const cellsPerMoment = (speedOf(state) * horizonOf(player)) / IMAGINED_MOMENTS;
  let cell = cellAt(grid, here.x, here.y);
  let price = 0;
  let gone = 0;
  probe.x = here.x;
  probe.y = here.y;
  for (let moment = 0; moment < IMAGINED_MOMENTS; moment++) {
    for (; gone < cellsPerMoment * (moment + 1) && cell !== targetCell; gone++)
      cell = nextCellTowards(grid, distances, cell);
    const column = cell % grid.width;
    probe.fromX = probe.x;
    probe.fromY = probe.y;
    probe.x = column + 0.5;
    probe.y = (cell - column) / grid.width + 0.5;
    probe.moment = moment;
    priceThreats();
    price += probe.price / (moment + 1);
  }
  return price;
}

/** Would something touch a player that stands and shoots, within its foresight? */
function isThreatenedHere(player: Player, state: AttemptState, caution: number): boolean {
  if (lookForThreats(player, state, here, caution, speedOf(state)) === 0) return false;
  probe.x = probe.fromX = here.x;
  probe.y = probe.fromY = here.y;
  for (let moment = 0; moment < IMAGINED_MOMENTS; moment++) {
    probe.moment = moment;
    priceThreats();
    if (probe.price > GOOD_ENOUGH_PRICE) return true;
  }
  return false;
}

/** Weighs every second heading and standing still by the way gained and the threats met. Returns a heading, -1 to stand. */
function wayOut(player: Player, state: AttemptState, distances: Int32Array, wanted: number): number {
  const { grid } = state.view;
  const { hasAvoid, avoid } = state.world;
  const wayPerMoment = (speedOf(state) * horizonOf(player)) / IMAGINED_MOMENTS;
  const from = distances[cellAt(grid, here.x, here.y)] as number;
  const along = wanted < 0 ? undefined : HEADING_VECTORS[wanted];
  let best = -1;
  let least = Number.POSITIVE_INFINITY;
  for (let option = -1; option < HEADINGS; option += option < 0 ? 1 : 2) {
    const vector = option < 0 ? undefined : HEADING_VECTORS[option];
    probe.x = here.x;
    probe.y = here.y;
    let price = vector ? 0 : STANDING_PRICE;
    let nearest = from;
    let to = from;
    for (let moment = 0; moment < IMAGINED_MOMENTS; moment++) {
      probe.fromX = probe.x;
      probe.fromY = probe.y;
      if (vector) {
        const x = here.x + vector[0] * wayPerMoment * (moment + 1);
        const y = here.y + vector[1] * wayPerMoment * (moment + 1);
        if (fits(grid, x, y, here.radius)) {
          probe.x = x;
          probe.y = y;
        } else if (moment === 0) price += BLOCKED_PRICE;
      }
      probe.moment = moment;
      priceThreats();
      price += probe.price / (moment + 1);
      // The nearest it comes counts, not where it ends: a target close by is run through, not missed.
      const cell = cellAt(grid, probe.x, probe.y);
      if (hasAvoid && avoid[cell] === 1) price += HURTING_PRICE / (moment + 1);
      to = distances[cell] as number;
      if (to < nearest) nearest = to;
    }
    price += (nearest - from + (to === UNREACHABLE ? 0 : (to - nearest) * LOST_AGAIN_SHARE)) / FIFTHS_PER_UNIT;
    if (vector && along) price -= vector[0] * along[0] + vector[1] * along[1];
    if (price < least) {
      least = price;
      best = option;
    }
  }
  return best;
}

/** Aims at an enemy within reach: the heading that turns to it, or -1 to stand and shoot. Undefined while it must come nearer. */
function aimAtEnemy(player: Player, state: AttemptState, enemy: Enemy): number | undefined {
  const { shooting } = state.world.level.motion.player;
  if (!shooting) return undefined;
  const seconds = ticksToSeconds(player.reaction.ticks);
  const dx = enemy.x + enemy.vx * seconds - here.x;
  const dy = enemy.y + enemy.vy * seconds - here.y;
  const distance = Math.sqrt(dx * dx + dy * dy);
  if (distance === 0 || !isInShot(state, here, enemy, distance)) return undefined;
  player.fires = true;
  if (shooting.aimsAtNearest) return -1;
  const vector = HEADING_VECTORS[state.body.facing] as readonly [number, number];
  return (vector[0] * dx + vector[1] * dy) / distance >= FACING_COSINE ? -1 : nearestHeading(dx, dy);
}

/** Does a piece that is needed lie on the ground, within reach or not? */
function isAnyNeeded({ needs }: Player, state: AttemptState): boolean {
  const { all, remaining, remainingCount } = collectablesOf(state);
  const any = needs.gather.length - 1;
  for (let i = 0; i < remainingCount; i++) {
    const piece = all[remaining[i] as number] as Collectable;
    if (needs.gather[any] || needs.gather[piece.kind]) return true;
  }
  return false;
}

/** Where the player heads for: sets `target` and returns its cell, or -1 for nowhere. */
function chooseGoal(player: Player, state: AttemptState, memory: RoamMemory): number {
  const { grid } = state.view;
  const { needs } = player;
  const { level } = state.world;
  const set = (x: number, y: number): number => {
    target.x = x;
    target.y = y;
    return cellAt(grid, x, y);
  };
  if (needs.anythingToBeat) {
    const enemy = nearestToBeat(player, state, here);
    if (enemy) return set(enemy.x, enemy.y);
  }
  if (needs.anythingToGather) {
    const cell = chooseTarget(player, state, memory);
    const piece = collectablesOf(state).all[memory.target];
    if (cell >= 0 && piece) return set(piece.x, piece.y);
    if (isAnyNeeded(player, state)) return -1;
  }
  const latch = latchesOf(level)[needs.latch];
  if (latch) return set(latch.x, latch.y);
  const zone = zonesOf(level)[needs.zone];
  if (zone) return set(zone.x + zone.width / 2, zone.y + zone.height / 2);
  if (needs.height >= 0) return set(here.x, Math.max(EDGE_MARGIN, grid.height - needs.height - HEIGHT_MARGIN));
  return -1;
}

/** Is the player well inside the zone it heads for? */
function isInZone(player: Player, state: AttemptState): boolean {
  const zone = zonesOf(state.world.level)[player.needs.zone];
  if (!zone) return false;
  const margin = Math.min(zone.width, zone.height) / 4;
  return (
    here.x > zone.x + margin &&
    here.x < zone.x + zone.width - margin &&
    here.y > zone.y + margin &&
    here.y < zone.y + zone.height - margin
  );
}

/** For a goal in a wall, or with the way to it closed: the nearest open cell above or below that can be reached. */
function reachableInColumn(state: AttemptState, cell: number, from: number): number {
  const { grid, maps } = state.view;
  for (let next = cell % grid.width; next < grid.walls.length; next += grid.width) {
    if (grid.walls[next] !== 1 && (maps.to(next)[from] as number) !== UNREACHABLE) return next;
  }
  return from;
}

/** Where a player of these abilities steers. Sets `player.fires` besides. @returns a heading 0–31, or -1 to let go */
export function chooseHeading(player: Player, state: AttemptState, memory: RoamMemory): number {
  const { grid, maps } = state.view;
  const { needs } = player;
  player.fires = false;
  memory.crosses = false;
  pendingNeeds(state, needs);
  predictSelf(player, state, isHeldUp(memory, state.tick));
  noteProgress(state, memory);
  const from = cellAt(grid, here.x, here.y);
  let targetCell = chooseGoal(player, state, memory);
  const isClosed = (cell: number): boolean => cell >= 0 && (maps.to(cell)[from] as number) === UNREACHABLE;
  const isBarred = targetCell < 0 ? needs.anythingToGather : isClosed(targetCell);
  if (isBarred) {
    if (needs.height >= 0 && targetCell >= 0) targetCell = reachableInColumn(state, targetCell, from);
    else if (state.observed.gates.length > 0) {
      needsToOpenTheWay(state, needs);
      targetCell = chooseGoal(player, state, memory);
    }
  }
  const inZone = needs.zone >= 0 && !needs.anythingToGather && !needs.anythingToBeat && needs.latch < 0;
  const arrived = targetCell < 0 || (inZone && isInZone(player, state));
  if (targetCell < 0) {
    targetCell = from;
    target.x = here.x;
    target.y = here.y;
  }

  const distances = maps.to(targetCell);
  let wanted = -1;
  const enemy = needs.anythingToBeat ? nearestToBeat(player, state, here) : undefined;
  const aim = enemy && aimAtEnemy(player, state, enemy);
  if (aim !== undefined) wanted = aim;
  else if (!arrived) {
    aimAlong(state, memory, distances, target, targetCell);
    wanted = nearestHeading(ahead.x - here.x, ahead.y - here.y);
  }

  if (aim === undefined && !arrived && isDesperate(memory, state.tick)) return wanted;
  const impatient = isImpatient(memory, state.tick);
  const caution = player.abilities.cautionUnits * (impatient ? IMPATIENT_CAUTION_SHARE : 1);
  if (aim !== undefined && !isThreatenedHere(player, state, caution)) return aim;
  const isHurting = state.world.hasAvoid && state.world.avoid[from] === 1;
  if (lookForThreats(player, state, here, caution, speedOf(state)) === 0 && !(isHurting && arrived)) return wanted;
  if (!(isHurting && arrived) && priceOfWay(player, state, distances, targetCell) < GOOD_ENOUGH_PRICE) return wanted;
  return wayOut(player, state, distances, wanted);
}
