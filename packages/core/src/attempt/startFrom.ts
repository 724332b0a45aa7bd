import type { ReadingName } from '../model/index.ts';
import { READINGS } from '../rules/index.ts';
import { putDown, take } from './contacts.ts';
import { setGate } from './gates.ts';
import { seeZones } from './observed.ts';
import { startAttempt, type AttemptState } from './state.ts';
import type { World } from './world.ts';

/** What is different from the level's start when an attempt begins in its middle. All parts may be left out. */
export interface StartFrom {
  at?: { x: number; y: number };
  /** Seconds on the clock; above 0 it runs. */
  clockSeconds?: number;
  lives?: number;
  health?: number;
  tries?: number;
  /** Points given by milestones. */
  bonus?: number;
  /** Collectables already gathered, by index. */
  gathered?: readonly number[];
  /** Latches already on, by index; their gates are open. */
  latches?: readonly number[];
  /** Own tallies, by index. */
  tallies?: Readonly<Record<number, number>>;
}

/** An attempt that begins from a state that the designer sets. */
export function startAttemptFrom(world: World, seed: number, from: StartFrom): AttemptState {
  const state = startAttempt(world, seed);
  const { observed, player } = state;
  const set = (reading: ReadingName, value: number | undefined): void => {
    if (value !== undefined) READINGS[reading].write(observed, 0, value);
  };
  if (from.at) {
    player.x = from.at.x;
    player.y = from.at.y;
    observed.height = world.grid.height - player.y;
  }
  set('timeElapsed', from.clockSeconds);
  if ((from.clockSeconds ?? 0) > 0) state.clockRuns = true;
  set('lives', from.lives);
  set('health', from.health);
  set('tries', from.tries);
  observed.bonus = from.bonus ?? 0;
  for (const index of from.gathered ?? []) {
    const piece = state.collectables[index];
    if (!piece || piece.gathered) continue;
    if (piece.hidden) {
      piece.hidden = false;
      putDown(state, index);
    }
    take(state, index);
  }
  for (const latch of from.latches ?? []) {
    if (observed.latches[latch] === undefined) continue;
    observed.latches[latch] = 1;
    for (const gate of world.level.motion.latches[latch]?.opens ?? []) setGate(state, gate, true);
  }
  for (const [tally, value] of Object.entries(from.tallies ?? {})) {
    if (observed.tallies[Number(tally)] !== undefined) observed.tallies[Number(tally)] = value;
  }
  seeZones(observed, world.level.judging.zones, player);
  state.happenings.length = 0;
  return state;
}
