import { HEADING_VECTORS, moveBody } from '../ground/index.ts';
import { judgeTick, TICKS_PER_SECOND, type Expiry } from '../rules/index.ts';
import { makeContacts } from './contacts.ts';
import { applyMilestones, followReadings } from './effects.ts';
import { moveEnemies, sendEnemies } from './enemies.ts';
import { closeWaiting } from './gates.ts';
import { FIRE, REST } from './input.ts';
import { emit, moveShots, playerShoots } from './shots.ts';
import type { AttemptState } from './state.ts';

export const TICK_SECONDS = 1 / TICKS_PER_SECOND;

function movePlayer(state: AttemptState, heading: number): void {
  const { player, world, speed } = state;
  const { acceleration } = world.level.motion.player;
  let wantX = 0;
  let wantY = 0;
  if (heading !== REST) {
    state.facing = heading - 1;
    const vector = HEADING_VECTORS[heading - 1] as readonly [number, number];
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
  const { x, y } = player;
  moveBody(state.view.grid, player, TICK_SECONDS);
  const goneX = player.x - x;
  const goneY = player.y - y;
  state.observed.distance += Math.sqrt(goneX * goneX + goneY * goneY);
}

/** What a clock that stands where it stands brings, or null. A limit reached exactly counts as reached. */
export const expiryAt = (clockTicks: number, limitTicks: number, atExpiry: Expiry): Expiry | null =>
  limitTicks >= 0 && clockTicks >= limitTicks ? atExpiry : null;

/** Runs the clock by one tick; says what its running out brings, or null. */
function runClock(state: AttemptState): Expiry | null {
  const { observed } = state;
  const { judging } = state.world.level;
  if (!state.clockRuns) return null;
  observed.clockTicks++;
  const { limitTicks, clockTicks } = observed;
  if (limitTicks < 0) return null;
  if (!state.warned && judging.warnAtTicks > 0 && limitTicks - clockTicks <= judging.warnAtTicks) {
    state.warned = true;
    state.happenings.push({ tick: state.tick, what: 'warned' });
  }
  return expiryAt(clockTicks, limitTicks, judging.atExpiry);
}

function startClock(state: AttemptState): void {
  state.clockRuns = true;
  state.happenings.push({ tick: state.tick, what: 'clock started' });
}

/**
 * One tick: movement and sending, contacts, readings, clock, ramps along readings, all conditions on the same readings, milestones, ending.
 * An ended attempt is absorbing: a further step changes nothing.
 *
 * @param input REST or headingInput(0–31), with FIRE added to shoot
 */
export function step(state: AttemptState, input: number): void {
  if (state.phase !== 'playing') return;
  const { verdicts, world } = state;
  state.tick++;
  if (!state.clockRuns && input !== REST && world.level.judging.clockStarts === 'firstMove') startClock(state);
  movePlayer(state, input % FIRE);
  if (state.shots.length > 0) {
    playerShoots(state, input >= FIRE);
    emit(state);
  }
  sendEnemies(state);
  moveEnemies(state, TICK_SECONDS);
  if (state.shots.length > 0) moveShots(state, TICK_SECONDS);
  if (state.closing.length > 0) closeWaiting(state);
  makeContacts(state, TICK_SECONDS);
  const expiry = runClock(state);
  if (state.followed.length > 0) followReadings(state);
  judgeTick(world.judge, state.observed, verdicts, expiry);
  const starts = world.judge.clockStart;
  if (starts && !state.clockRuns && verdicts.truth[starts.index] === true) startClock(state);
  applyMilestones(state);
  if (!verdicts.ended) return;
  state.phase = verdicts.ending.result;
  const { x, y } = state.player;
  state.happenings.push({ tick: state.tick, what: state.phase, rule: verdicts.ending.rule, x, y });
}
