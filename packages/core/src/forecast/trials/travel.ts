import {
  gainOf,
  groupsMet,
  grownBy,
  meetingOf,
  prepareMeetings,
  turnTicksOf,
  type Gain,
  type Grown,
  type PreparedMeetings,
  type WithBouts,
} from '../../play/bouts/index.ts';
import type { Level, Pacer } from '../../document/model/index.ts';
import { drawPlayer } from '../pacers/index.ts';
import { valuesAt } from '../../document/ramps/index.ts';
import { ticksToSeconds } from '../../play/rules/index.ts';
import { seedOf } from './batch.ts';
import { meetingGame, type PreparedWay } from './meetingGame.ts';
import { isBout, resolveLevel } from './resolveLevel.ts';
import { levelRunner } from './levelRunner.ts';

/** Attempts at each level. */
const ATTEMPTS = 12;
/** Number of tries after which a player goes on from a level without clearing it. */
export const MOST_TRIES = 5;

/** How far players of a pacer have come after a place of the sequence. All are means. */
export interface Travelled extends Grown {
  position: number;
  /** Tries until the level is cleared. */
  tries: number;
  /** Play time from the start, turns of fights included. */
  seconds: number;
  /** Number of fights until now, on the way and deciding ones, and the number won. */
  fought: number;
  won: number;
  coins: number;
  /** Got by now, by name. */
  dropped: ReadonlyMap<string, number>;
}

/** Sums of the attempts at one level. */
interface Sum {
  cleared: number;
  ticks: number;
  fought: number;
  won: number;
  experience: number;
  coins: number;
  dropped: Map<string, number>;
}

function addFight(sum: Sum, won: boolean, gain: Gain | undefined): void {
  sum.fought++;
  if (!won || !gain) return;
  sum.won++;
  sum.experience += gain.experience;
  sum.coins += gain.coins;
  for (const [name, many] of gain.dropped) sum.dropped.set(name, (sum.dropped.get(name) ?? 0) + many);
}

function playOnGround(sum: Sum, level: PreparedWay, gains: readonly Gain[], turnTicks: number, pacer: Pacer): void {
  const world = meetingGame.make(level);
  for (let i = 0; i < ATTEMPTS; i++) {
    const seed = seedOf(i);
    const state = meetingGame.start(world, seed, {});
    const mind = {
      ...meetingGame.mind(state, drawPlayer(pacer, seed), seed),
      note: ({ phase }: { phase: string }, group: number) => addFight(sum, phase === 'won', gains[group]),
      noteTurn: () => void (sum.ticks += turnTicks),
    };
    while (!meetingGame.isOver(state)) meetingGame.turn(state, mind);
    const { won, length } = meetingGame.result(state);
    sum.ticks += length;
    if (won) sum.cleared++;
  }
}

const NO_MEETINGS: PreparedMeetings = { on: { many: 0, every: null, zones: [], shares: [] }, fights: [], loses: false };

function playLevel(project: WithBouts, level: Level, position: number, partyLevel: number, pacer: Pacer): Sum {
  const sum: Sum = { cleared: 0, ticks: 0, fought: 0, won: 0, experience: 0, coins: 0, dropped: new Map() };
  const values = valuesAt(project, position);
  const game = resolveLevel(project, position);
  const turnTicks = turnTicksOf(project.bouts);
  if (isBout(game)) {
    const ready = levelRunner(game);
    const gain = level.bout && gainOf(project.bouts, meetingOf(project, level.bout, position, values).group, values);
    for (let i = 0; i < ATTEMPTS; i++) {
      const { won, length } = ready.play(pacer, seedOf(i));
      sum.ticks += length;
      addFight(sum, won, gain);
      if (won) sum.cleared++;
    }
    return sum;
  }
  const { meetings } = level;
  const prepared = meetings ? prepareMeetings(project, level, meetings, { position, values, partyLevel }) : NO_MEETINGS;
  const gains = meetings ? groupsMet(project.bouts, meetings).map((group) => gainOf(project.bouts, group, values)) : [];
  playOnGround(sum, { ...game, meetings: prepared }, gains, turnTicks, pacer);
  return sum;
}

/**
 * Players of a pacer through the sequence: each level is tried until it is cleared, and what was won in failed tries is
 * kept. On the way the party has the level that it has reached; a bout that decides a level says its own.
 *
 * @returns one place of the sequence at a time, each once it has been played
 */
export function* travel(project: WithBouts, pacer: Pacer): Generator<Travelled> {
  const dropped = new Map<string, number>();
  let grown: Grown = { level: 1, towards: 0 };
  let [seconds, fought, won, coins] = [0, 0, 0, 0];
  for (const [index, { levelId }] of project.slots.entries()) {
    const position = index + 1;
    const level = project.levels[levelId];
    if (!level) continue;
    const sum = playLevel(project, level, position, grown.level, pacer);
    const tries = Math.min(MOST_TRIES, ATTEMPTS / Math.max(1, sum.cleared));
    // The mean of one attempt, times the number of tries.
    const times = tries / ATTEMPTS;
    grown = grownBy(project.bouts, grown, sum.experience * times);
    seconds += ticksToSeconds(sum.ticks) * times;
    fought += sum.fought * times;
    won += sum.won * times;
    coins += sum.coins * times;
    for (const [name, many] of sum.dropped) dropped.set(name, (dropped.get(name) ?? 0) + many * times);
    yield { position, tries, seconds, fought, won, coins, ...grown, dropped: new Map(dropped) };
  }
}
