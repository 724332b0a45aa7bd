import type { ReadingName } from '../../document/model/index.ts';
import { READINGS, startClock, startFollowed, startVerdicts } from '../rules/index.ts';
import { startObserved } from './observed.ts';
import { bySort, SORTS } from './pieces/index.ts';
import { startPlace } from './pieces/start.ts';
import type { AttemptState, StartFrom, World } from './types.ts';
import { makeShots } from './shots.ts';
import { viewOf } from './view.ts';

/** A new attempt, before its first tick. The same world, seed and inputs give the same attempt, bit for bit. @param seed whole number, 32 bits */
export function startAttempt(world: World, seed: number): AttemptState {
  const state = begun(world, seed);
  world.kind.layAhead?.(state, state.own);
  return state;
}

function begun(world: World, seed: number): AttemptState {
  const { motion, judging } = world.level;
  const observed = startObserved(world.level, world);
  const { x, y } = startPlace(world.level);
  const somePieceShoots = SORTS.some((sort) => sort.shoots && motion.pieces[sort.name].length > 0);
  const state: AttemptState = {
    world,
    seed,
    tick: 0,
    phase: 'playing',
    body: { x, y, vx: 0, vy: 0, radius: motion.player.radius, facing: 0, half: world.half },
    own: undefined,
    pieces: bySort(() => undefined),
    carried: false,
    graceTicks: 0,
    clock: startClock(judging),
    view: viewOf(world, observed.gates),
    shots: makeShots(motion.player.shooting !== null || somePieceShoots),
    reloadTicks: 0,
    ammunition: motion.player.shooting?.ammunition ?? 0,
    dials: [...motion.dials],
    followed: startFollowed(motion.liveRamps ?? []),
    message: { rule: -1, effect: 0, untilTick: 0 },
    observed,
    verdicts: startVerdicts(world.judge),
    lastLifeRule: -2,
    afterTicks: 0,
    happenings: [],
  };
  state.own = world.kind.start(world, state.body);
  for (const sort of SORTS) state.pieces[sort.name] = sort.start?.(motion.pieces[sort.name], state);
  return state;
}

/** An attempt that begins from a state that the designer sets. */
export function startAttemptFrom(world: World, seed: number, from: StartFrom): AttemptState {
  const state = begun(world, seed);
  const { observed, clock } = state;
  const set = (reading: ReadingName, value: number | undefined): void => {
    if (value !== undefined) READINGS[reading].write(observed, 0, value);
  };
  if (from.at) {
    state.body.x = from.at.x;
    state.body.y = from.at.y;
    state.own = world.kind.start(world, state.body);
    world.kind.observe(state, state.own);
  }
  set('timeElapsed', from.clockSeconds);
  if ((from.clockSeconds ?? 0) > 0) clock.runs = true;
  set('lives', from.lives);
  set('health', from.health);
  set('tries', from.tries);
  for (const name of world.kind.readings) set(name, from.readings?.[name]);
  observed.bonus = from.bonus ?? 0;
  for (const sort of SORTS) sort.begin?.(state, from);
  for (const [tally, value] of Object.entries(from.tallies ?? {})) {
    if (observed.tallies[Number(tally)] !== undefined) observed.tallies[Number(tally)] = value;
  }
  if (from.onlyPart !== undefined) world.kind.onlyPart?.(state.own, from.onlyPart);
  world.kind.layAhead?.(state, state.own);
  state.happenings.length = 0;
  return state;
}
