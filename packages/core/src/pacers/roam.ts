import type { AttemptState, Collectable } from '../attempt/index.ts';
import {
  cellAt,
  HEADING_VECTORS,
  HEADINGS,
  isWall,
  nearestHeading,
  nextCellTowards,
  UNREACHABLE,
  wayIsClear,
  type Spot,
} from '../ground/index.ts';
import { pendingNeeds } from './needs.ts';
import type { Player } from './playerState.ts';
import { horizonOf, IMAGINED, lookForThreats, priceThreats, probe } from './threats.ts';

/** A target is chosen anew at least this often. */
const TICKS_BETWEEN_CHOICES = 45;
/** After so long without gathering anything a player takes more risks. */
const IMPATIENT_AFTER_TICKS = 300;
/** How many cells of its way a player looks along to cut corners. */
const LOOK_AHEAD_CELLS = 5;
/** Fifths of a unit, as distance maps count. */
const FIFTHS = 5;
/** Price of standing still: a player does something. */
const STANDING = 1;
/** A way on that costs no more than this is simply taken. */
const GOOD_ENOUGH = 1.5;
/** Price of a way out that ends in a wall. */
const BLOCKED = 8;

/** Scratch of the decision at hand; nothing is kept in them between decisions. */
const here: Spot & { radius: number } = { x: 0, y: 0, radius: 0 };
const ahead: Spot = { x: 0, y: 0 };
const target: Spot = { x: 0, y: 0 };

/** Where the player will be when it acts, as far as it can tell: carried on by its velocity unless a wall is in the way. */
function predictSelf(player: Player, state: AttemptState): void {
  const { x, y, vx, vy } = state.player;
  const seconds = player.reactionTicks / 60;
  ahead.x = x + vx * seconds;
  ahead.y = y + vy * seconds;
  const clear = wayIsClear(state.world.grid, state.player, ahead);
  here.radius = state.player.radius;
  here.x = clear ? ahead.x : x;
  here.y = clear ? ahead.y : y;
}

function threatenedAt(state: AttemptState, x: number, y: number, within: number): number {
  let count = 0;
  for (const enemy of state.enemies) {
    if (!enemy.active) continue;
    const dx = enemy.x - x;
    const dy = enemy.y - y;
    if (dx * dx + dy * dy < within * within) count++;
  }
  return count;
}

/** Chooses the piece to gather: near, paying, and not guarded. Returns its cell, or -1. */
function chooseTarget(player: Player, state: AttemptState): number {
  const { world, collectables, remaining } = state;
  const { needs, abilities } = player;
  const any = world.level.motion.kindsOfCollectable;
  if (state.remainingCount < player.lastRemaining) {
    player.progressTick = state.tick;
    player.lastRemaining = state.remainingCount;
  }
  const current = player.target >= 0 ? (collectables[player.target] as Collectable) : undefined;
  const stillGood = current && !current.gathered && (needs.gather[any] || needs.gather[current.kind]);
  if (current && stillGood && state.tick - player.targetTick < TICKS_BETWEEN_CHOICES)
    return cellAt(world.grid, current.x, current.y);

  const from = cellAt(world.grid, state.player.x, state.player.y);
  const impatient = state.tick - player.progressTick > IMPATIENT_AFTER_TICKS;
  let best = -1;
  let least = Number.POSITIVE_INFINITY;
  for (let i = 0; i < state.remainingCount; i++) {
    const index = remaining[i] as number;
    const piece = collectables[index] as Collectable;
    if (!needs.gather[any] && !needs.gather[piece.kind]) continue;
    const way = world.maps.to(cellAt(world.grid, piece.x, piece.y))[from] as number;
    if (way === UNREACHABLE) continue;
    // Worth 9 is taken as usual; a planner goes a longer way for more, on the square root so that it never crosses the map for one.
    const pay = Math.sqrt(Math.max(0.25, piece.worth / 9));
    let cost = way / FIFTHS / (1 + abilities.planning * (pay - 1));
    if (!impatient)
      cost += threatenedAt(state, piece.x, piece.y, abilities.cautionUnits + 1.5) * 6 * abilities.planning;
    // Staying with the choice made spares zigzags.
    if (index === player.target) cost -= impatient ? 0 : 1;
    if (cost < least) {
      least = cost;
      best = index;
    }
  }
  player.target = best;
  player.targetTick = state.tick;
  if (best < 0) return -1;
  const piece = collectables[best] as Collectable;
  return cellAt(world.grid, piece.x, piece.y);
}

/** Sets `ahead` to the furthest point of the way that can be steered to in a straight line. */
function aimAlong(state: AttemptState, distances: Int32Array, target: Spot, targetCell: number): void {
  const { grid } = state.world;
  let cell = cellAt(grid, here.x, here.y);
  ahead.x = target.x;
  ahead.y = target.y;
  if (cell === targetCell) return;
  let aimX = here.x;
  let aimY = here.y;
  for (let i = 0; i < LOOK_AHEAD_CELLS; i++) {
    const next = nextCellTowards(grid, distances, cell);
    if (next === cell) break;
    cell = next;
    const column = cell % grid.width;
    ahead.x = cell === targetCell ? target.x : column + 0.5;
    ahead.y = cell === targetCell ? target.y : (cell - column) / grid.width + 0.5;
    if (i > 0 && !wayIsClear(grid, here, ahead)) break;
    aimX = ahead.x;
    aimY = ahead.y;
    if (cell === targetCell) break;
  }
  ahead.x = aimX;
  ahead.y = aimY;
}

/** The price of the threats met when simply going on along the way. */
function priceOfWay(player: Player, state: AttemptState, distances: Int32Array, targetCell: number): number {
  const { grid, level } = state.world;
  const cellsPerMoment = (level.motion.player.speed * horizonOf(player)) / IMAGINED;
  let cell = cellAt(grid, here.x, here.y);
  let price = 0;
  let gone = 0;
  for (let moment = 0; moment < IMAGINED; moment++) {
    for (; gone < cellsPerMoment * (moment + 1) && cell !== targetCell; gone++)
      cell = nextCellTowards(grid, distances, cell);
    const column = cell % grid.width;
    probe.x = column + 0.5;
    probe.y = (cell - column) / grid.width + 0.5;
    probe.moment = moment;
    priceThreats();
    price += probe.price / (moment + 1);
  }
  return price;
}

/** Weighs every second heading and standing still by the way gained and the threats met. Returns a heading, -1 to stand. */
function wayOut(player: Player, state: AttemptState, distances: Int32Array, wanted: number): number {
  const { grid } = state.world;
  const { speed } = state.world.level.motion.player;
  const wayPerMoment = (speed * horizonOf(player)) / IMAGINED;
  const from = distances[cellAt(grid, here.x, here.y)] as number;
  const along = wanted < 0 ? undefined : HEADING_VECTORS[wanted];
  let best = -1;
  let least = Number.POSITIVE_INFINITY;
  for (let option = -1; option < HEADINGS; option += option < 0 ? 1 : 2) {
    const vector = option < 0 ? undefined : HEADING_VECTORS[option];
    probe.x = here.x;
    probe.y = here.y;
    let price = vector ? 0 : STANDING;
    let nearest = from;
    let to = from;
    for (let moment = 0; moment < IMAGINED; moment++) {
      if (vector) {
        const x = here.x + vector[0] * wayPerMoment * (moment + 1);
        const y = here.y + vector[1] * wayPerMoment * (moment + 1);
        if (!isWall(grid, Math.floor(x), Math.floor(y))) {
          probe.x = x;
          probe.y = y;
        } else if (moment === 0) price += BLOCKED;
      }
      probe.moment = moment;
      priceThreats();
      price += probe.price / (moment + 1);
      // The nearest it comes counts, not where it ends: a target close by is run through, not missed.
      to = distances[cellAt(grid, probe.x, probe.y)] as number;
      if (to < nearest) nearest = to;
    }
    price += (nearest - from + (to === UNREACHABLE ? 0 : (to - nearest) * 0.2)) / FIFTHS;
    if (vector && along) price -= vector[0] * along[0] + vector[1] * along[1];
    if (price < least) {
      least = price;
      best = option;
    }
  }
  return best;
}

/**
 * What a player of these abilities does on a roam ground, seeing the state as it is now and acting a reaction later.
 *
 * @returns a heading 0–31, or -1 to let go
 */
export function chooseHeading(player: Player, state: AttemptState): number {
  const { world } = state;
  pendingNeeds(state, player.needs);
  predictSelf(player, state);
  let targetCell = player.needs.anythingToGather ? chooseTarget(player, state) : -1;
  let targetX = here.x;
  let targetY = here.y;
  let arrived = false;
  if (targetCell >= 0) {
    const piece = state.collectables[player.target] as Collectable;
    targetX = piece.x;
    targetY = piece.y;
  } else if (player.needs.goal >= 0) {
    const goal = world.level.judging.goals[player.needs.goal] as {
      x: number;
      y: number;
      width: number;
      height: number;
    };
    targetX = goal.x + goal.width / 2;
    targetY = goal.y + goal.height / 2;
    targetCell = cellAt(world.grid, targetX, targetY);
    const margin = Math.min(goal.width, goal.height) / 4;
    arrived =
      here.x > goal.x + margin &&
      here.x < goal.x + goal.width - margin &&
      here.y > goal.y + margin &&
      here.y < goal.y + goal.height - margin;
  } else targetCell = cellAt(world.grid, here.x, here.y);

  const distances = world.maps.to(targetCell);
  target.x = targetX;
  target.y = targetY;
  aimAlong(state, distances, target, targetCell);
  const wanted = arrived ? -1 : nearestHeading(ahead.x - here.x, ahead.y - here.y);

  const impatient = state.tick - player.progressTick > IMPATIENT_AFTER_TICKS;
  const caution = player.abilities.cautionUnits * (impatient ? 0.4 : 1);
  if (lookForThreats(player, state, here, caution) === 0) return wanted;
  if (priceOfWay(player, state, distances, targetCell) < GOOD_ENOUGH) return wanted;
  return wayOut(player, state, distances, wanted);
}
