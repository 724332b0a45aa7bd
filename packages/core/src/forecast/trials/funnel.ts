import type { Project } from '../../document/model/index.ts';
import { quantile, wilson, type Interval } from '../../basics/stats/index.ts';

/** Why a run goes no further: it is through, the player gives up, a gate asks for stars, an ending ends it, it takes too long, or nothing is known of the level. */
export type Stop = 'through' | 'gave up' | 'gate' | 'ended' | 'too long' | 'unknown';

/** The result of one playthrough. */
export interface PlaythroughRecord {
  /** Results by position, for the positions that were reached. */
  slots: Map<number, { tries: number; losses: number; livesLost: [lifeRule: number, count: number][]; stars: number }>;
  seconds: number;
  /** Stars at the end. */
  stars: number;
  stop: Stop;
  /** Where it stopped. */
  at: number;
}

export interface FunnelSlot {
  slotId: string;
  /** Runs that came to it. */
  reached: number;
  /** Attempts at it, of all runs. */
  tries: number;
  /** Lives lost at it, by the rule that took the last of an attempt. */
  livesLost: Record<number, number>;
  /** Number of runs by stars earned here, 0 to 5, among those that reached it. */
  stars: number[];
  /** Runs that went no further from it. */
  stopped: Partial<Record<Stop, number>>;
  /** Does it depend on what the run brings along, so that attempts were played instead of drawn? */
  isPlayed: boolean;
}

/** The results of many runs. */
export interface Funnel {
  runs: number;
  slots: FunnelSlot[];
  through: number;
  /** Durations of the runs that went through, in seconds. */
  seconds: number[];
  /** Stars at the end of those. */
  stars: number[];
  /** Attempts that were played instead of drawn. */
  played: number;
}

export const emptyFunnel = ({ slots }: Pick<Project, 'slots'>): Funnel => ({
  ...{ runs: 0, through: 0, seconds: [], stars: [], played: 0 },
  slots: slots.map(({ id }) => ({
    ...{ slotId: id, reached: 0, tries: 0, livesLost: {}, stars: [0, 0, 0, 0, 0, 0], stopped: {}, isPlayed: false },
  })),
});

/** Adds a run, in place. */
export function enterRun(funnel: Funnel, record: PlaythroughRecord): void {
  funnel.runs++;
  for (const [position, { tries, livesLost, stars }] of record.slots) {
    const slot = funnel.slots[position - 1];
    if (!slot) continue;
    slot.reached++;
    slot.tries += tries;
    slot.stars[stars] = (slot.stars[stars] ?? 0) + 1;
    for (const [rule, count] of livesLost) slot.livesLost[rule] = (slot.livesLost[rule] ?? 0) + count;
  }
  if (record.stop === 'through') {
    funnel.through++;
    funnel.seconds.push(record.seconds);
    funnel.stars.push(record.stars);
    return;
  }
  const slot = funnel.slots[record.at - 1];
  if (slot) slot.stopped[record.stop] = (slot.stopped[record.stop] ?? 0) + 1;
}

/** The share of runs that come to a slot, with its 95 % interval. */
export function reachedShare({ runs }: Funnel, { reached }: FunnelSlot): { share: number; interval: Interval } {
  return { share: runs === 0 ? 0 : reached / runs, interval: wilson(reached, runs) };
}

/** How long runs take that go through: the time that these shares of them need at most, seconds; undefined where none does. */
export function durations({ seconds }: Funnel, shares: readonly number[]): number[] | undefined {
  if (seconds.length === 0) return undefined;
  const ascending = seconds.toSorted((a, b) => a - b);
  return shares.map((share) => quantile(ascending, share));
}
