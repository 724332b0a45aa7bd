import type { EndingSide, PlaythroughEvent } from '../../document/model/index.ts';
import { positionAtTurn, turnOf } from './order.ts';
import type { PlaythroughPlan } from './plan.ts';

/** The entry of an attempt in the ledger. */
export interface AttemptEntry {
  result: 'won' | 'lost';
  stars: number;
  score: number;
  collected: number;
  livesLost: number;
  /** Added to own tallies, by id. */
  tallies: Readonly<Record<string, number>>;
}

/** A run as it stands between two attempts. */
export interface PlaythroughState {
  /** Number of the present turn in the order of play, from 1. */
  turn: number;
  position: number;
  /** Values of the tallies: score, lives, collected, stars, and own ones by id. */
  tallies: Readonly<Record<string, number>>;
  /** Most stars earned, by slot. */
  stars: Readonly<Record<string, number>>;
  over: boolean;
}

/** One line of a run’s ledger. */
export interface LedgerRow {
  position: number;
  entry: AttemptEntry;
  event: PlaythroughEvent | 'end';
  /** After the attempt, before the event. */
  earned: Readonly<Record<string, number>>;
  /** After what is kept and reset. */
  kept: Readonly<Record<string, number>>;
  /** Where play goes on, in words that a designer reads. */
  said: string[];
  after: PlaythroughState;
}

export function startPlaythrough(plan: PlaythroughPlan, seed: number): PlaythroughState {
  const position = positionAtTurn(plan, 1, seed) ?? 0;
  return { turn: 1, position, tallies: { ...plan.starts }, stars: {}, over: position === 0 };
}

/** Where a slot stands in the sequence again once the ramps go past its end. */
const slotAt = ({ slots }: PlaythroughPlan, position: number): PlaythroughPlan['slots'][number] | undefined =>
  slots[(position - 1) % Math.max(1, slots.length)];

const sum = (stars: Readonly<Record<string, number>>): number =>
  Object.values(stars).reduce((total, count) => total + count, 0);

function tierFirst({ tierStarts }: PlaythroughPlan, position: number): number {
  let first = 1;
  for (const from of tierStarts) if (from <= position) first = from;
  return first;
}

/** Works out what one attempt does to a run: what it earned, what is kept, where play goes on. */
export function enterAttempt(
  plan: PlaythroughPlan,
  run: PlaythroughState,
  entry: AttemptEntry,
  seed: number,
): LedgerRow {
  const { position } = run;
  const slot = slotAt(plan, position);
  const { lifeEvery, livesAtMost, resets } = plan.at(position);
  const said: string[] = [];
  const stars = { ...run.stars };
  if (entry.result === 'won' && slot) stars[slot.id] = Math.max(stars[slot.id] ?? 0, entry.stars);
  const earned: Record<string, number> = { ...run.tallies };
  const add = (tally: string, by: number): void => void (earned[tally] = (earned[tally] ?? 0) + by);
  add('score', entry.score);
  add('collected', entry.collected);
  add('lives', -entry.livesLost);
  for (const [tally, by] of Object.entries(entry.tallies)) add(tally, by);
  earned['lives'] = Math.max(0, earned['lives'] ?? 0);
  earned['stars'] = sum(stars);
  if (lifeEvery > 0) {
    const gained = Math.floor((earned['score'] ?? 0) / lifeEvery) - Math.floor((run.tallies['score'] ?? 0) / lifeEvery);
    if (gained > 0) {
      add('lives', gained);
      said.push(`${gained} ${gained === 1 ? 'life' : 'lives'} for points`);
    }
  }
  if (livesAtMost !== null && (earned['lives'] ?? 0) > livesAtMost) {
    earned['lives'] = livesAtMost;
    said.push(`no more than ${livesAtMost} lives`);
  }

  const isOver = entry.result === 'lost' && earned['lives'] === 0;
  const event: PlaythroughEvent = isOver ? 'gameOver' : entry.result === 'lost' ? 'retry' : 'next';
  const reset = resets[event] ?? {};
  const kept: Record<string, number> = {};
  for (const tally of Object.keys(plan.starts)) kept[tally] = reset[tally] ?? earned[tally] ?? 0;
  const keptStars = 'stars' in reset ? {} : stars;
  const where = goOn(plan, run, slot?.next?.[entry.result], event, seed);
  if (where.said) said.push(where.said);
  const asked = where.position === undefined ? 0 : plan.at(where.position).starsAsked;
  const locked = where.position !== undefined && where.position !== position && asked > (kept['stars'] ?? 0);
  if (locked)
    said.push(`slot ${where.position} stays shut: it asks for ${asked} stars, there are ${kept['stars'] ?? 0}`);
  const after: PlaythroughState = {
    turn: locked ? run.turn : where.turn,
    position: locked ? position : (where.position ?? position),
    tallies: kept,
    stars: keptStars,
    over: where.position === undefined,
  };
  return { position, entry, event: where.position === undefined ? 'end' : event, earned, kept, said, after };
}

interface Where {
  turn: number;
  /** Undefined once the run is over. */
  position: number | undefined;
  said?: string;
}

function goOn(
  plan: PlaythroughPlan,
  { turn, position }: PlaythroughState,
  next: EndingSide['next'] | undefined,
  event: PlaythroughEvent,
  seed: number,
): Where {
  if (event === 'gameOver') {
    const { onGameOver } = plan.run;
    if (onGameOver === 'firstSlot') {
      const to = positionAtTurn(plan, 1, seed) ?? position;
      return { turn: 1, position: to, said: `game over: on from slot ${to}` };
    }
    const to = onGameOver === 'sameSlot' ? position : tierFirst(plan, position);
    return { turn: turnOf(plan, to, turn, seed), position: to, said: `game over: on from slot ${to}` };
  }
  switch (next?.to) {
    case 'endOfRun':
      return { turn, position: undefined, said: 'the ending ends the run' };
    case 'slot': {
      const to = plan.slots.findIndex((slot) => slot.id === next.slot) + 1;
      return { turn: turnOf(plan, to, turn, seed), position: to, said: `the ending leads to slot ${to}` };
    }
    case 'retry':
      return { turn, position };
    case 'levelChoice':
      return { turn, position, said: 'the player chooses a level; here, the same again' };
    default: {
      if (event === 'retry') return { turn: turn + 1, position: positionAtTurn(plan, turn + 1, seed) };
      const to = positionAtTurn(plan, turn + 1, seed);
      return to === undefined
        ? { turn, position: undefined, said: 'the sequence is through' }
        : { turn: turn + 1, position: to };
    }
  }
}

/** The ledger of a whole run, attempt by attempt, until the entries or the run end. */
export function ledgerOf(plan: PlaythroughPlan, entries: readonly AttemptEntry[], seed: number): LedgerRow[] {
  const rows: LedgerRow[] = [];
  let run = startPlaythrough(plan, seed);
  for (const entry of entries) {
    if (run.over) break;
    const row = enterAttempt(plan, run, entry, seed);
    rows.push(row);
    run = row.after;
  }
  return rows;
}
