import type { Level, Pacer, Project, Slot } from '../../document/model/index.ts';
import { deviationsOf, drawPlayer, learnedAbilities } from '../pacers/index.ts';
import { drawAt, mix } from '../../basics/random/index.ts';
import {
  enterAttempt,
  playthroughPlanOf,
  startPlaythrough,
  type PlaythroughNumbers,
  type PlaythroughPlan,
  type PlaythroughState,
} from '../../play/playthrough/index.ts';
import { linearAt, linearFit } from '../../basics/stats/index.ts';
import { recordOf, fromRow, MOST_RECORDS, type AttemptRecord, type AttemptRow } from './attemptRecord.ts';
import { seedOf } from './batch.ts';
import { carriedInto, type Carried } from './carriedInto.ts';
import { emptyFunnel, enterRun, type Funnel, type PlaythroughRecord, type Stop } from './funnel.ts';
import type { Carry } from './game.ts';
import { resolveLevel } from './resolveLevel.ts';
import { levelRunner, type LevelRunner } from './levelRunner.ts';

/** Runs are addressed apart from attempts. */
const RUNS = 0x2047;
/** The draws of whether an attempt of a run is won. */
const RUNS_WON = 0x2048;
/** An attempt is drawn from the won or lost ones of players who are about as good at the level: this share of them. */
const LIKE_SHARE = 0.12;
/** Least number of attempts that one is drawn from. */
const LIKE_LEAST = 12;
/** The chance of a win is fitted to this share of the attempts, those of the most similar players. */
const CHANCE_SHARE = 0.2;
/** Least number of attempts that a chance is fitted to. */
const CHANCE_LEAST = 40;
/** Number of lives lost that counts as much as a lost attempt in the measure of how good a player is at a level. */
const LOSS_IN_LIVES = 2;
/** A run that takes more attempts than this a slot is given up. */
const MOST_ATTEMPTS_A_SLOT = 60;

/** Attempts that are known, by slot, in their order from the first one. */
export type AttemptRecords = ReadonlyMap<string, readonly AttemptRow[]>;

interface Pool {
  level: Level;
  position: number;
  carried: Carried;
  /** Lives that a level begins with by itself. */
  lives: number;
  rows: readonly AttemptRow[];
  /** Coefficients of the cost of a player's abilities here, as far as they are from the mean: in lives and losses. */
  fit: readonly number[];
  all: Ranked;
  won: Ranked;
  lost: Ranked;
  game: LevelRunner | undefined;
  played: Map<string, AttemptRecord>;
}

/** Attempts by the cost that is expected of their player, ascending. */
interface Ranked {
  numbers: readonly number[];
  costs: readonly number[];
}

interface Player {
  seed: number;
  /** How far its abilities are from the mean. */
  deviations: readonly number[];
}

/** Returns the index of the first of ascending numbers that is at least `value`. */
function firstFrom(ascending: readonly number[], value: number): number {
  let low = 0;
  let high = ascending.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((ascending[middle] as number) < value) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Returns the numbers of attempts whose costs are nearest to one, `count` of them, as a range of places. */
function nearest(costs: readonly number[], cost: number, count: number): [from: number, to: number] {
  let from = firstFrom(costs, cost);
  let to = from;
  while (to - from < count) {
    const below = from > 0 ? cost - (costs[from - 1] as number) : Infinity;
    const above = to < costs.length ? (costs[to] as number) - cost : Infinity;
    if (below <= above) from--;
    else to++;
  }
  return [from, to];
}

/** Returns the chance of a win at a cost, by a straight line through the attempts nearest to it: also beyond the weakest of them. May lie outside 0–1. */
function chanceAt({ all: { numbers, costs }, rows }: Pool, cost: number): number {
  const count = Math.min(costs.length, Math.max(CHANCE_LEAST, Math.round(CHANCE_SHARE * costs.length)));
  const [from, to] = nearest(costs, cost, count);
  const places = costs.slice(from, to).map((each) => [each - cost]);
  const [chance = 0] = linearFit(
    places,
    numbers.slice(from, to).map((number) => (rows[number] as AttemptRow)[0] as number),
  );
  return chance;
}

/** Playthroughs in progress: a pacer's players through the whole sequence. */
export interface Playthroughs {
  /** Plays `count` more runs. */
  play(count: number): void;
  read(): Funnel;
}

interface Options {
  /** Plays every attempt instead of drawing it from those that are known. */
  through?: boolean;
}

const slotAt = ({ slots }: Project, position: number): Slot => slots[(position - 1) % slots.length] as Slot;

/**
 * Runs of a pacer's players through the sequence, with its lives, gates, keeps and resets. Attempts are drawn from those
 * that are known, by players who are as good at the level; what it reads of the run itself is played.
 *
 * @param known attempts by the pacer, by slot; every slot with a level needs some
 */
export function playthroughsOf(
  project: Project,
  pacer: Pacer,
  known: AttemptRecords,
  { through = false }: Options = {},
): Playthroughs {
  const plan = remembering(playthroughPlanOf(project));
  const own = project.tallies.map(({ id }) => id);
  const starts = own.map((tally) => plan.starts[tally] ?? 0);
  const pools = new Map<string, Pool>();
  const funnel = emptyFunnel(project);
  /** Deviations of the players of known attempts, by attempt number. */
  const deviations = Array.from({ length: MOST_RECORDS }, (_, number) =>
    deviationsOf(drawPlayer(pacer, seedOf(number)), pacer),
  );
  const learning = pacer.learning ?? 0;

  function poolAt(position: number): Pool | undefined {
    const slot = slotAt(project, position);
    const level = project.levels[slot.levelId];
    const rows = known.get(slot.id);
    if (!level || !rows?.length) return undefined;
    const before = pools.get(slot.id);
    if (before) return before;
    const players = deviations.slice(0, rows.length);
    const results = rows.map(fromRow);
    const fit = linearFit(
      players,
      results.map(({ won, livesLost }) => livesLost + (won ? 0 : LOSS_IN_LIVES)),
    );
    const costs = players.map((player) => linearAt(fit, player));
    const ranked = (belongs: (won: boolean) => boolean): Ranked => {
      const numbers = results.flatMap(({ won }, number) => (belongs(won) ? [number] : []));
      numbers.sort((one, other) => costs[one]! - costs[other]!);
      return { numbers, costs: numbers.map((number) => costs[number] as number) };
    };
    const pool: Pool = {
      ...{ level, position, rows, fit, all: ranked(() => true) },
      ...{ won: ranked((won) => won), lost: ranked((won) => !won) },
      ...{ carried: carriedInto(project, level), game: undefined, played: new Map<string, AttemptRecord>() },
      lives: resolveLevel(project, position).judging.lives,
    };
    pools.set(slot.id, pool);
    return pool;
  }

  /**
   * Returns the number of an attempt by a player who is as good at the level. Whether it is won is drawn by the player's
   * own chance, so that the weakest stay as weak as they are; the attempt is drawn from those with that result.
   */
  function likeOf(pool: Pool, { seed, deviations: mine }: Player, attempt: number): number {
    const { fit, won, lost } = pool;
    const cost = linearAt(fit, mine);
    const wins = lost.numbers.length === 0 || drawAt(seed, RUNS_WON, attempt) < chanceAt(pool, cost);
    const { numbers, costs } = wins && won.numbers.length > 0 ? won : lost;
    const low = firstFrom(costs, cost);
    const width = Math.min(costs.length, Math.max(LIKE_LEAST, Math.round(LIKE_SHARE * costs.length)));
    const first = Math.min(costs.length - width, Math.max(0, low - (width >> 1)));
    return numbers[first + Math.floor(drawAt(seed, RUNS, attempt) * width)] as number;
  }

  function playAt(
    pool: Pool,
    who: Parameters<LevelRunner['play']>[0],
    seed: number,
    carry: Required<Omit<Carry, 'health' | 'score'>>,
  ): AttemptRecord {
    pool.game ??= levelRunner(resolveLevel(project, pool.position));
    const result = pool.game.play(who, seed, carry);
    return recordOf({ ...result, livesLost: Math.max(0, carry.lives - result.livesLeft) });
  }

  /** The attempt that a player makes at a position. @returns undefined where nothing is known of the level */
  function attemptAt(
    position: number,
    run: PlaythroughState,
    player: Player,
    tries: number,
    attempt: number,
  ): AttemptRecord | undefined {
    const pool = poolAt(position);
    if (!pool) return undefined;
    const { carried } = pool;
    const lives = run.tallies['lives'] ?? 0;
    const tallies = own.map((tally) => run.tallies[tally] ?? 0);
    const carry = { lives, tries, tallies: { ...tallies } };
    const added = (booked: AttemptRecord, from: readonly number[]): AttemptRecord => ({
      ...booked,
      tallies: booked.tallies.map((value, index) => value - (from[index] ?? 0)),
    });
    if (through) {
      const abilities = learnedAbilities(drawPlayer(pacer, player.seed), learning, tries);
      return added(playAt(pool, abilities, mix(mix(player.seed, position), attempt), carry), tallies);
    }
    const number = likeOf(pool, player, attempt);
    const row = fromRow(pool.rows[number] as AttemptRow);
    const isOther =
      (carried.lives && lives !== pool.lives) ||
      (carried.tries && tries > 1) ||
      (learning > 0 && tries > 1) ||
      (carried.tallies && tallies.some((value, index) => value !== starts[index]));
    // It would have ended sooner, or gone on: the same attempt is played with these lives.
    const endsElse =
      lives < pool.lives ? row.livesLost >= lives && lives > 0 : row.livesLost >= pool.lives && lives > pool.lives;
    if (!isOther && !endsElse) return added(row, starts);
    // State that the level does not read does not change the attempt.
    const readTries = carried.tries || learning > 0 ? tries : 1;
    const readTallies = carried.tallies ? tallies : starts;
    const key = [number, lives, readTries, ...readTallies].join();
    let booked = pool.played.get(key);
    if (!booked) {
      const abilities = learnedAbilities(drawPlayer(pacer, seedOf(number)), learning, readTries);
      booked = playAt(pool, abilities, seedOf(number), { lives, tries: readTries, tallies: { ...readTallies } });
      pool.played.set(key, booked);
      funnel.played++;
    }
    if (isOther) funnel.slots[(position - 1) % funnel.slots.length]!.isPlayed = true;
    return added(booked, readTallies);
  }

  function playRun(index: number): PlaythroughRecord {
    const seed = mix(RUNS, index);
    const player = { seed, deviations: deviationsOf(drawPlayer(pacer, seed), pacer) };
    const count = project.slots.length;
    const record: PlaythroughRecord = { slots: new Map(), seconds: 0, stars: 0, stop: 'through', at: count };
    let run = startPlaythrough(plan, seed);
    const ends = (stop: Stop, at: number): PlaythroughRecord => ({
      ...record,
      stop,
      at,
      stars: run.tallies['stars'] ?? 0,
    });
    for (let attempt = 0; attempt < MOST_ATTEMPTS_A_SLOT * count; attempt++) {
      if (run.over || run.turn > count || run.position > count) return ends('through', count);
      const { position } = run;
      const here = record.slots.get(position) ?? { tries: 0, losses: 0, livesLost: [], stars: 0 };
      record.slots.set(position, here);
      const booked = attemptAt(position, run, player, here.tries + 1, attempt);
      if (!booked) return ends('unknown', position);
      here.tries++;
      record.seconds += booked.seconds;
      if (booked.livesLost > 0) here.livesLost.push([booked.lifeRule, booked.livesLost]);
      if (booked.won) here.stars = Math.max(here.stars, booked.stars);
      else here.losses++;
      const row = enterAttempt(
        plan,
        run,
        {
          ...{ result: booked.won ? 'won' : 'lost', stars: booked.stars, score: booked.score },
          ...{ collected: booked.collected, livesLost: booked.livesLost },
          tallies: Object.fromEntries(own.map((tally, at) => [tally, booked.tallies[at] ?? 0])),
        },
        seed,
      );
      run = row.after;
      if (run.over) return ends(booked.won ? (position === count ? 'through' : 'ended') : 'ended', position);
      const waits = booked.won && run.position === position && row.event === 'next';
      if (waits && here.tries > (pacer.persistence ?? MOST_ATTEMPTS_A_SLOT)) return ends('gate', position);
      if (here.losses >= (pacer.persistence ?? Infinity)) return ends('gave up', position);
    }
    return ends('too long', run.position);
  }

  return {
    play(count) {
      for (let i = 0; i < count; i++) enterRun(funnel, playRun(funnel.runs));
    },
    read: () => funnel,
  };
}

/** A plan that works out its numbers at each position once. */
function remembering(plan: PlaythroughPlan): PlaythroughPlan {
  const known = new Map<number, PlaythroughNumbers>();
  return {
    ...plan,
    at(position) {
      let numbers = known.get(position);
      if (!numbers) known.set(position, (numbers = plan.at(position)));
      return numbers;
    },
  };
}
