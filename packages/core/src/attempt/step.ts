import { cellAt, HEADING_VECTORS, moveBody } from '../ground/index.ts';
import { judgeTick, TICKS_PER_SECOND } from '../rules/index.ts';
import { applyMilestones } from './effects.ts';
import { moveEnemies, sendEnemies } from './enemies.ts';
import { REST } from './input.ts';
import { seeGoals } from './observed.ts';
import type { AttemptState, Collectable, Enemy } from './state.ts';

export const TICK_SECONDS = 1 / TICKS_PER_SECOND;

function movePlayer(state: AttemptState, input: number): void {
  const { player, world } = state;
  const { speed, acceleration } = world.level.motion.player;
  let wantX = 0;
  let wantY = 0;
  if (input !== REST) {
    const vector = HEADING_VECTORS[input - 1] as readonly [number, number];
    wantX = vector[0] * speed;
    wantY = vector[1] * speed;
  }
  const dx = wantX - player.vx;
  const dy = wantY - player.vy;
  const change = Math.sqrt(dx * dx + dy * dy);
  const most = acceleration * TICK_SECONDS;
  const share = change <= most ? 1 : most / change;
  player.vx += dx * share;
  player.vy += dy * share;
  moveBody(world.grid, player, TICK_SECONDS);
}

function gather(state: AttemptState): void {
  const { player, observed, collectables, remaining, world } = state;
  const near = world.near[cellAt(world.grid, player.x, player.y)];
  if (!near) return;
  const any = world.level.motion.kindsOfCollectable;
  for (let i = 0; i < near.length; i++) {
    const index = near[i] as number;
    const piece = collectables[index] as Collectable;
    if (piece.gathered) continue;
    const dx = piece.x - player.x;
    const dy = piece.y - player.y;
    if (dx * dx + dy * dy > world.gatherReach * world.gatherReach) continue;
    piece.gathered = true;
    remaining[remaining.indexOf(index)] = remaining[--state.remainingCount] as number;
    for (const kind of [piece.kind, any]) {
      observed.worth[kind] = (observed.worth[kind] as number) + piece.worth;
      observed.collected[kind] = (observed.collected[kind] as number) + 1;
      observed.left[kind] = (observed.left[kind] as number) - 1;
    }
    state.happenings.push({ tick: state.tick, what: 'gathered', kind: piece.kind, collectable: index });
  }
}

function touch(state: AttemptState): void {
  const { player, enemies, observed } = state;
  const { touching } = observed;
  for (let i = 0; i < touching.length; i++) touching[i] = 0;
  if (state.graceTicks > 0) state.graceTicks--;
  else {
    for (let i = 0; i < enemies.length; i++) {
      const enemy = enemies[i] as Enemy;
      if (!enemy.active) continue;
      const dx = enemy.x - player.x;
      const dy = enemy.y - player.y;
      const reach = enemy.radius + player.radius;
      if (dx * dx + dy * dy < reach * reach) touching[enemy.kind] = 1;
    }
  }
  seeGoals(observed, state.world.level.judging.goals, player);
}

/** Runs the clock by one tick; says what its running out brings, or null. */
function runClock(state: AttemptState): 'won' | 'lost' | null {
  const { observed } = state;
  const { judging } = state.world.level;
  if (!state.clockRuns) return null;
  observed.clockTicks++;
  if (judging.limitTicks < 0) return null;
  if (!state.warned && judging.warnAtTicks > 0 && judging.limitTicks - observed.clockTicks <= judging.warnAtTicks) {
    state.warned = true;
    state.happenings.push({ tick: state.tick, what: 'warned' });
  }
  return observed.clockTicks >= judging.limitTicks ? judging.atExpiry : null;
}

/**
 * One tick: movement and sending, contacts, readings, clock, all conditions on the same readings, milestones, ending.
 * An ended attempt is absorbing: a further step changes nothing.
 *
 * @param input REST or headingInput(0–31)
 */
export function step(state: AttemptState, input: number): void {
  if (state.phase !== 'playing') return;
  state.tick++;
  if (!state.clockRuns && input !== REST) {
    state.clockRuns = true;
    state.happenings.push({ tick: state.tick, what: 'clock started' });
  }
  movePlayer(state, input);
  sendEnemies(state);
  moveEnemies(state, TICK_SECONDS);
  gather(state);
  touch(state);
  const expiry = runClock(state);
  const { verdicts } = state;
  judgeTick(state.world.judge, state.observed, verdicts, expiry);
  applyMilestones(state);
  if (!verdicts.ended) return;
  state.phase = verdicts.ending.result;
  const { x, y } = state.player;
  state.happenings.push({ tick: state.tick, what: state.phase, rule: verdicts.ending.rule, x, y });
}
