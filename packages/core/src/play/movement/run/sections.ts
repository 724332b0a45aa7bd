import { layOn, ownGround, SORTS, type AttemptState, type Stretch } from '../../attempt/index.ts';
import { drawAt } from '../../../basics/random/index.ts';
import { READINGS } from '../../rules/index.ts';
import type { Laid, PreparedSection, RunMotion, RunOwn } from './state.ts';

/** Distance ahead of the player that is covered by ground. Units. */
const AHEAD = 44;
/** Limit of the sections that exist at once; the oldest passed one is removed. */
const MOST_LIVE = 10;
/** A run is at most so long: nobody comes there within the longest attempt. Units. */
const LONGEST = 8000;
/** Under which the draws of sections stand among all draws of an attempt. */
const DRAWS = 0x5ec7;
/** Bare floor where there is no section at all. Cells. */
const BARE = 16;

export const motionOf = ({ world }: AttemptState): RunMotion => world.level.motion.body as RunMotion;

/** The tier in which a reading stands, from 1: bounds are inclusive. @param bounds ascending */
export function tierAt(bounds: readonly number[], reading: number): number {
  let tier = 1;
  bounds.forEach((from, index) => {
    if (reading >= from) tier = index + 1;
  });
  return tier;
}

/** Returns the sections that can come next in a tier: its pool, or the nearest pool below it, or above. Sections without weight never come, unless there is nothing else. */
export function poolOf(sections: readonly PreparedSection[], tier: number): number[] {
  const some = sections.some(({ weight }) => weight > 0);
  const numbers = sections.flatMap(({ weight }, index) => (weight > 0 || !some ? [index] : []));
  const tierOf = (index: number): number => (sections[index] as PreparedSection).tier;
  const below = Math.max(...numbers.map(tierOf).filter((other) => other <= tier));
  const nearest = Number.isFinite(below) ? below : Math.min(...numbers.map(tierOf));
  return numbers.filter((index) => tierOf(index) === nearest);
}

/** One of a pool by weight, not the one before if another is there. @param draw 0–1 @param before its number, -1 for none */
export function pick(
  sections: readonly PreparedSection[],
  pool: readonly number[],
  before: number,
  draw: number,
): number {
  const others = pool.filter((index) => index !== before);
  const from = others.length > 0 ? others : pool;
  const weightOf = (index: number): number => (sections[index] as PreparedSection).weight || 1e-9;
  let left = draw * from.reduce((sum, index) => sum + weightOf(index), 0);
  for (const index of from) {
    left -= weightOf(index);
    if (left < 0) return index;
  }
  return from.at(-1) ?? -1;
}

/** Returns the reading that decides the tier of a section that begins at a place. */
function readingAt(state: AttemptState, own: RunOwn, from: number): number {
  const { drawnBy } = motionOf(state);
  if (drawnBy === 'sectionsPassed') return own.passedBefore + own.laid.length;
  const now = READINGS[drawnBy].read(
    state.observed,
    READINGS[drawnBy].subject === 'none' ? 0 : state.world.level.motion.kindsOfCollectable,
  );
  return drawnBy === 'distance' ? now + from - state.body.x : now;
}

/** Floor as the opening has it at its end. */
function bareFloor({ world }: AttemptState): Stretch {
  const { rows, pieces } = world.level.motion;
  return {
    rows: rows.map((row) => (row.at(-1) ?? '.').repeat(BARE)),
    pieces: Object.fromEntries(Object.keys(pieces).map((name) => [name, []])) as unknown as Stretch['pieces'],
  };
}

/** Lays sections until there are enough ahead of the player, and removes those long passed. */
export function layAhead(state: AttemptState, own: RunOwn): void {
  let end = state.world.grid.width;
  if (end - state.body.x >= AHEAD || end >= LONGEST) return;
  const { sections, bounds } = motionOf(state);
  if (own.laid.length === 0) ownGround(state);
  while (end - state.body.x < AHEAD && end < LONGEST) {
    const ordinal = own.passedBefore + own.laid.length;
    const pool = sections.length === 0 ? [] : poolOf(sections, tierAt(bounds, readingAt(state, own, end)));
    const section =
      own.only >= 0 && sections[own.only]
        ? own.only
        : pick(sections, pool, own.laid.at(-1)?.section ?? -1, drawAt(state.seed, DRAWS, ordinal));
    const stretch = sections[section] ?? bareFloor(state);
    layOn(state, stretch);
    const to = state.world.grid.width;
    own.laid.push({ section, from: end, to });
    end = to;
  }
  while (own.laid.length - own.firstLive > MOST_LIVE && own.firstLive < own.passed) own.firstLive++;
  const first = own.laid[own.firstLive] as Laid;
  if (own.firstLive > 0) letGo(state, first.from);
}

function letGo(state: AttemptState, x: number): void {
  for (const sort of SORTS) sort.letGo?.(state, x);
}
