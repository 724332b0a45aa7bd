import { FIRE, type AttemptState } from '../../../../play/attempt/index.ts';
import { cellAt, wayIsClear, type Spot } from '../../../../play/grid/index.ts';
import { headingInput, type RoamOwn } from '../../../../play/movement/index.ts';
import { ticksToSeconds } from '../../../../play/rules/index.ts';
import type { Player } from '../../driver.ts';
import { plannedFor } from '../../faults/reaction.ts';

/** Where the player will be when the decision at hand takes effect. Scratch: nothing is kept in it between decisions. */
export const here: Spot & { radius: number } = { x: 0, y: 0, radius: 0 };

/** A body to look ahead with. */
const imagined = { x: 0, y: 0, vx: 0, vy: 0, radius: 0, facing: 0, half: 0 };
const imaginedOwn: RoamOwn = { speed: 0, goneX: 0, goneY: 0 };

/** Puts the imagined body where the player is. */
function imagineSelf({ body, world, own }: AttemptState): void {
  imagined.x = body.x;
  imagined.y = body.y;
  imagined.vx = body.vx;
  imagined.vy = body.vy;
  imagined.radius = body.radius;
  world.kind.copy(own, imaginedOwn);
}

/** Moves the imagined body on by one tick. */
function imagineStep({ world, view }: AttemptState, input: number): void {
  world.kind.moveBody(world, view, imagined, imaginedOwn, input);
}

/**
 * Sets `here` to where the player will be when it acts, as far as it can tell: carried on by its velocity; where something that lies
 * still is in the way, by the steps that it has decided already.
 *
 * @param heldUp has it been at this spot for some time? Then it takes care with its steps
 */
export function predictSelf({ reaction }: Player, state: AttemptState, heldUp: boolean): void {
  const { x, y, vx, vy, radius } = state.body;
  const seconds = ticksToSeconds(reaction.ticks);
  here.radius = radius;
  here.x = x + vx * seconds;
  here.y = y + vy * seconds;
  if (!heldUp && wayIsClear(state.view.wary, state.body, here)) return;
  imagineSelf(state);
  for (let i = 1; i <= reaction.ticks; i++) imagineStep(state, plannedFor(reaction, state.tick + i) % FIRE);
  here.x = imagined.x;
  here.y = imagined.y;
}

/** How long a step is looked at for what lies still in the way, once it is taken: until a correction takes effect. Ticks. */
const STEP_TICKS = 24;

/**
 * Would a heading, added to the player's earlier decisions, lead it from safe ground into harm? A player foresees
 * its own steps towards still harm exactly.
 */
export function leadsToHarm({ reaction }: Player, state: AttemptState, heading: number): boolean {
  const { body, world, view, tick } = state;
  const { hasAvoid, avoid } = world;
  if (!hasAvoid || avoid[cellAt(view.grid, body.x, body.y)] === 1) return false;
  imagineSelf(state);
  for (let i = 1; i <= reaction.ticks + STEP_TICKS; i++) {
    imagineStep(state, i < reaction.ticks ? plannedFor(reaction, tick + i) % FIRE : headingInput(heading));
    if (avoid[cellAt(view.grid, imagined.x, imagined.y)] === 1) return i >= reaction.ticks;
  }
  return false;
}
