import {
  RUN_TALLIES,
  usualTallyPolicies,
  type Amount,
  type EndingSide,
  type TallyPolicy,
  type Project,
  type RunEvent,
} from '../model/index.ts';
import { valuesAt } from '../ramps/index.ts';
import { resolveAmount } from '../rules/index.ts';
import { positionAtTurn, turnOf } from './order.ts';

/** What an attempt adds to a run. */
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
export interface RunState {
  /** Attempts at slots begun so far, in the order of play, from 1. */
  turn: number;
  position: number;
  /** By tally: score, lives, collected, stars, and own ones by id. */
  tallies: Readonly<Record<string, number>>;
  /** Most stars earned, by slot. */
  stars: Readonly<Record<string, number>>;
  over: boolean;
}

/** One line of a run’s ledger. */
export interface LedgerRow {
  position: number;
  entry: AttemptEntry;
  event: RunEvent | 'end';
  /** After the attempt, before the event. */
  earned: Readonly<Record<string, number>>;
  /** After what is kept and reset. */
  kept: Readonly<Record<string, number>>;
  /** Where play goes on, in words that a designer reads. */
  said: string[];
  after: RunState;
}

/** Nothing placed: amounts of a run are not shares of a ground. */
const NOTHING_PLACED = { count: {}, worth: {} };

const amountAt = (project: Project, amount: Amount, position: number): number =>
  resolveAmount(amount, valuesAt(project, position), NOTHING_PLACED);

/** Every tally of a run, Stadion's own first. */
export const runTallies = (project: Project): string[] => [...RUN_TALLIES, ...project.tallies.map((tally) => tally.id)];

/** A tally's value when a run starts. */
function startOf(project: Project, tally: string): number {
  if (tally === 'lives') return Math.max(0, Math.round(amountAt(project, project.run.livesAtStart, 1)));
  return project.tallies.find((entry) => entry.id === tally)?.start ?? 0;
}

/** What becomes of a tally at an event. */
export const tallyPolicyOf = (project: Project, tally: string, event: RunEvent): TallyPolicy =>
  (project.run.keep[tally] ?? usualTallyPolicies(tally))[event];

export function startRun(project: Project, seed: number): RunState {
  const position = positionAtTurn(project, 1, seed) ?? 0;
  const tallies = Object.fromEntries(runTallies(project).map((tally) => [tally, startOf(project, tally)]));
  return { turn: 1, position, tallies, stars: {}, over: position === 0 };
}

/** Where a slot stands in the sequence again once the ramps go past its end. */
const slotAt = (project: Project, position: number): Project['slots'][number] | undefined =>
  project.slots[(position - 1) % Math.max(1, project.slots.length)];

const sum = (stars: Readonly<Record<string, number>>): number =>
  Object.values(stars).reduce((total, count) => total + count, 0);

/** Stars that a slot asks for before it opens, with what asks for them. */
export function starsAsked(project: Project, position: number): number {
  const slot = slotAt(project, position);
  const gate = slot?.starGate ? amountAt(project, slot.starGate, position) : 0;
  const { unlock } = project.run;
  const perSlot = unlock.by === 'stars' ? amountAt(project, unlock.perSlot, position) * (position - 1) : 0;
  return Math.ceil(Math.max(gate, perSlot) - 1e-9);
}

function tierFirst(project: Project, position: number): number {
  let first = 1;
  for (const tier of project.tiers) if (tier.from <= position) first = tier.from;
  return first;
}

/** Works out what one attempt does to a run: what it earned, what is kept, where play goes on. */
export function enterAttempt(project: Project, run: RunState, entry: AttemptEntry, seed: number): LedgerRow {
  const { position } = run;
  const slot = slotAt(project, position);
  const level = slot && project.levels[slot.levelId];
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
  const { lifeEvery, livesAtMost } = project.run;
  const every = lifeEvery ? amountAt(project, lifeEvery, position) : 0;
  if (every > 0) {
    const gained = Math.floor((earned['score'] ?? 0) / every) - Math.floor((run.tallies['score'] ?? 0) / every);
    if (gained > 0) {
      add('lives', gained);
      said.push(`${gained} ${gained === 1 ? 'life' : 'lives'} for points`);
    }
  }
  if (livesAtMost) {
    const most = amountAt(project, livesAtMost, position);
    if ((earned['lives'] ?? 0) > most) {
      earned['lives'] = most;
      said.push(`no more than ${most} lives`);
    }
  }

  const isOver = entry.result === 'lost' && earned['lives'] === 0;
  const event: RunEvent = isOver ? 'gameOver' : entry.result === 'lost' ? 'retry' : 'next';
  const kept: Record<string, number> = {};
  let keptStars: Record<string, number> = stars;
  for (const tally of runTallies(project)) {
    const policy = tallyPolicyOf(project, tally, event);
    kept[tally] = earned[tally] ?? 0;
    if (policy.is === 'keep') continue;
    kept[tally] = policy.to === null ? startOf(project, tally) : amountAt(project, policy.to, position);
    if (tally === 'stars') keptStars = {};
  }
  const where = goOn(project, run, level?.ending[entry.result].next, event, seed);
  if (where.said) said.push(where.said);
  const asked = where.position === undefined ? 0 : starsAsked(project, where.position);
  const locked = where.position !== undefined && where.position !== position && asked > (kept['stars'] ?? 0);
  if (locked)
    said.push(`slot ${where.position} stays shut: it asks for ${asked} stars, there are ${kept['stars'] ?? 0}`);
  const after: RunState = {
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
  project: Project,
  { turn, position }: RunState,
  next: EndingSide['next'] | undefined,
  event: RunEvent,
  seed: number,
): Where {
  if (event === 'gameOver') {
    const { onGameOver } = project.run;
    if (onGameOver === 'firstSlot') {
      const to = positionAtTurn(project, 1, seed) ?? position;
      return { turn: 1, position: to, said: `game over: on from slot ${to}` };
    }
    const to = onGameOver === 'sameSlot' ? position : tierFirst(project, position);
    return { turn: turnOf(project, to, turn, seed), position: to, said: `game over: on from slot ${to}` };
  }
  switch (next?.to) {
    case 'endOfRun':
      return { turn, position: undefined, said: 'the ending ends the run' };
    case 'slot': {
      const to = project.slots.findIndex((slot) => slot.id === next.slot) + 1;
      return { turn: turnOf(project, to, turn, seed), position: to, said: `the ending leads to slot ${to}` };
    }
    case 'retry':
      return { turn, position };
    case 'levelChoice':
      return { turn, position, said: 'the player chooses a level; here, the same again' };
    default: {
      if (event === 'retry') return { turn: turn + 1, position: positionAtTurn(project, turn + 1, seed) };
      const to = positionAtTurn(project, turn + 1, seed);
      return to === undefined
        ? { turn, position: undefined, said: 'the sequence is through' }
        : { turn: turn + 1, position: to };
    }
  }
}

/** The ledger of a whole run, attempt by attempt, until the entries or the run end. */
export function ledgerOf(project: Project, entries: readonly AttemptEntry[], seed: number): LedgerRow[] {
  const rows: LedgerRow[] = [];
  let run = startRun(project, seed);
  for (const entry of entries) {
    if (run.over) break;
    const row = enterAttempt(project, run, entry, seed);
    rows.push(row);
    run = row.after;
  }
  return rows;
}
