import { cellAt } from '../ground/index.ts';
import type { AttemptState } from './state.ts';
import { viewOf } from './world.ts';

/** Does somebody stand in the gate, with any part? */
function isOccupied(state: AttemptState, gate: number): boolean {
  const { gates } = state.world.level.motion;
  const { x, y, width, height } = gates[gate] as (typeof gates)[number];
  const overlaps = (body: { x: number; y: number; radius: number }): boolean =>
    body.x + body.radius > x &&
    body.x - body.radius < x + width &&
    body.y + body.radius > y &&
    body.y - body.radius < y + height;
  return overlaps(state.player) || state.enemies.some((enemy) => enemy.active && overlaps(enemy));
}

/** Opens a gate, or closes it as soon as nobody stands in it. */
export function setGate(state: AttemptState, gate: number, open: boolean): void {
  const { gates } = state.observed;
  if (gates[gate] === undefined) return;
  state.closing[gate] = false;
  if ((gates[gate] === 1) === open) return;
  if (!open && isOccupied(state, gate)) {
    state.closing[gate] = true;
    return;
  }
  gates[gate] = open ? 1 : 0;
  state.view = viewOf(state.world, gates);
  // Chasers look for their way anew: what they remember may lie behind the gate.
  for (const enemy of state.enemies) enemy.targetCell = cellAt(state.view.grid, enemy.x, enemy.y);
  state.happenings.push({ tick: state.tick, what: 'gate', gate, open });
}

/** Closes the gates that waited for somebody to step out. */
export function closeWaiting(state: AttemptState): void {
  for (let gate = 0; gate < state.closing.length; gate++) if (state.closing[gate]) setGate(state, gate, false);
}
