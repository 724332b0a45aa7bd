import { cellAt } from '../ground/index.ts';
import { setGate } from './gates.ts';
import { seeZones } from './observed.ts';
import { meetsPlayer } from './shots.ts';
import type { AttemptState, Collectable, Enemy, Shot } from './state.ts';

/** Takes a piece off the ground and counts it. */
export function take(state: AttemptState, index: number): void {
  const { observed, collectables, remaining, world } = state;
  const piece = collectables[index] as Collectable;
  const any = world.level.motion.kindsOfCollectable;
  piece.gathered = true;
  remaining[remaining.indexOf(index)] = remaining[--state.remainingCount] as number;
  for (const kind of [piece.kind, any]) {
    observed.worth[kind] = (observed.worth[kind] as number) + piece.worth;
    observed.collected[kind] = (observed.collected[kind] as number) + 1;
    observed.left[kind] = (observed.left[kind] as number) - 1;
  }
}

/** Lets a piece lie on the ground, to be gathered, and counts it as left. */
export function putDown(state: AttemptState, index: number): void {
  const { collectables, remaining } = state;
  const { left } = state.observed;
  remaining[state.remainingCount++] = index;
  for (const kind of [(collectables[index] as Collectable).kind, left.length - 1])
    left[kind] = (left[kind] as number) + 1;
}

function gather(state: AttemptState): void {
  const { player, collectables, world } = state;
  const near = world.near[cellAt(world.grid, player.x, player.y)];
  if (!near) return;
  for (let i = 0; i < near.length; i++) {
    const index = near[i] as number;
    const piece = collectables[index] as Collectable;
    if (piece.gathered || piece.hidden) continue;
    const dx = piece.x - player.x;
    const dy = piece.y - player.y;
    if (dx * dx + dy * dy > world.gatherReach * world.gatherReach) continue;
    take(state, index);
    state.happenings.push({ tick: state.tick, what: 'gathered', kind: piece.kind, collectable: index });
  }
}

const reaches = (state: AttemptState, place: { x: number; y: number }): boolean => {
  const dx = place.x - state.player.x;
  const dy = place.y - state.player.y;
  return dx * dx + dy * dy <= state.world.gatherReach * state.world.gatherReach;
};

/** A latch acts once, however often it is touched. */
function touchLatches(state: AttemptState): void {
  const { latches } = state.world.level.motion;
  for (let i = 0; i < latches.length; i++) {
    const latch = latches[i] as (typeof latches)[number];
    if (state.observed.latches[i] === 1 || !reaches(state, latch)) continue;
    state.observed.latches[i] = 1;
    state.happenings.push({ tick: state.tick, what: 'latched', latch: i });
    for (const gate of latch.opens) setGate(state, gate, true);
  }
}

function reachCheckpoints(state: AttemptState): void {
  const { checkpoints } = state.world.level.motion;
  for (let i = 0; i < checkpoints.length; i++) {
    if (i === state.checkpoint || !reaches(state, checkpoints[i] as { x: number; y: number })) continue;
    state.checkpoint = i;
    state.happenings.push({ tick: state.tick, what: 'checkpoint', checkpoint: i });
  }
}

const hurt = (state: AttemptState, damage: number): void => {
  const { observed } = state;
  observed.health = Math.max(0, observed.health - damage);
};

function touchEnemies(state: AttemptState): void {
  const { player, enemies, observed, wasTouching } = state;
  for (let i = 0; i < enemies.length; i++) {
    const enemy = enemies[i] as Enemy;
    if (!enemy.active) {
      wasTouching[i] = false;
      continue;
    }
    const dx = enemy.x - player.x;
    const dy = enemy.y - player.y;
    const reach = enemy.radius + player.radius;
    const touches = dx * dx + dy * dy < reach * reach;
    if (touches) {
      observed.touching[enemy.kind] = 1;
      if (!wasTouching[i] && enemy.source.damage > 0) hurt(state, enemy.source.damage);
    }
    wasTouching[i] = touches;
  }
}

/** Hazards are stood in with the player's middle; shots hit once and are spent. */
function touchHazards(state: AttemptState, seconds: number): void {
  const { player, observed, stoodIn, shots } = state;
  const { hazards, kindsOfHazard, kindsOfEnemy } = state.world.level.motion;
  for (let i = 0; i < hazards.length; i++) {
    const hazard = hazards[i] as (typeof hazards)[number];
    if (
      player.x < hazard.x ||
      player.x > hazard.x + hazard.width ||
      player.y < hazard.y ||
      player.y > hazard.y + hazard.height
    )
      continue;
    observed.touching[kindsOfEnemy + hazard.kind] = 1;
  }
  for (let kind = 0; kind < kindsOfHazard.length; kind++) {
    const { damage, perSecond } = kindsOfHazard[kind] as (typeof kindsOfHazard)[number];
    const now = observed.touching[kindsOfEnemy + kind] as number;
    if (now === 1 && perSecond) hurt(state, damage * seconds);
    else if (now === 1 && stoodIn[kind] === 0) hurt(state, damage);
    stoodIn[kind] = now;
  }
  for (let i = 0; i < shots.length; i++) {
    const shot = shots[i] as Shot;
    if (!shot.active || shot.kind < 0 || !meetsPlayer(state, shot)) continue;
    shot.active = false;
    observed.touching[kindsOfEnemy + shot.kind] = 1;
    hurt(state, kindsOfHazard[shot.kind]?.damage ?? 0);
  }
}

/** Everything that meets the player at this tick, and where it is. @param seconds length of the tick */
export function makeContacts(state: AttemptState, seconds: number): void {
  const { player, observed, world } = state;
  gather(state);
  if (observed.latches.length > 0) touchLatches(state);
  if (world.level.motion.checkpoints.length > 0) reachCheckpoints(state);
  const { touching } = observed;
  for (let i = 0; i < touching.length; i++) touching[i] = 0;
  if (state.graceTicks > 0) {
    state.graceTicks--;
    state.wasTouching.fill(false);
    state.stoodIn.fill(0);
  } else {
    touchEnemies(state);
    touchHazards(state, seconds);
  }
  seeZones(observed, world.level.judging.zones, player);
  observed.height = world.grid.height - player.y;
  const off = world.hasAvoid && world.holes[cellAt(world.grid, player.x, player.y)] === 1 ? 1 : 0;
  if (off === 1 && observed.offGround === 0) state.happenings.push({ tick: state.tick, what: 'fell' });
  observed.offGround = off;
}
