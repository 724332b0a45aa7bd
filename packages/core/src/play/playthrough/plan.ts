import {
  RUN_EVENTS,
  RUN_TALLIES,
  usualTallyPolicies,
  type Amount,
  type EndingSide,
  type Project,
  type Run,
  type PlaythroughEvent,
  type TallyPolicy,
} from '../../document/model/index.ts';
import { valuesAt } from '../../document/ramps/index.ts';
import { resolveAmount } from '../rules/index.ts';

/** Numbers of a run at one position. */
export interface PlaythroughNumbers {
  /** Stars that the slot asks for before it opens. */
  starsAsked: number;
  /** No limit when null. */
  livesAtMost: number | null;
  /** Points for another life; 0 for none. */
  lifeEvery: number;
  /** Values to which tallies are set at each event; other tallies are kept. */
  resets: Readonly<Partial<Record<PlaythroughEvent, Readonly<Record<string, number>>>>>;
}

/** How a run goes, with every number resolved: all that its ledger depends on. */
export interface PlaythroughPlan {
  run: Pick<Run, 'order' | 'afterLast' | 'onGameOver'>;
  /** Positions at which tiers begin, ascending. */
  tierStarts: readonly number[];
  slots: readonly { id: string; next: Readonly<Record<'won' | 'lost', EndingSide['next']>> | undefined }[];
  /** Every tally at the start of a run, Stadion's own first. */
  starts: Readonly<Record<string, number>>;
  /** @param position from 1; past the last slot its numbers go on as the plan says */
  at(position: number): PlaythroughNumbers;
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

/** Returns the policy of a tally at an event. */
export const tallyPolicyOf = (project: Project, tally: string, event: PlaythroughEvent): TallyPolicy =>
  (project.run.keep[tally] ?? usualTallyPolicies(tally))[event];

/** Stars that a slot asks for before it opens, with what asks for them. */
export function starsAsked(project: Project, position: number): number {
  const { slots } = project;
  const slot = slots[(position - 1) % Math.max(1, slots.length)];
  const gate = slot?.starGate ? amountAt(project, slot.starGate, position) : 0;
  const { unlock } = project.run;
  const perSlot = unlock.by === 'stars' ? amountAt(project, unlock.perSlot, position) * (position - 1) : 0;
  return Math.max(0, Math.ceil(Math.max(gate, perSlot) - 1e-9));
}

/** Numbers of a run at a position. */
export function playthroughNumbersAt(project: Project, position: number): PlaythroughNumbers {
  const { livesAtMost, lifeEvery } = project.run;
  const resets = RUN_EVENTS.map((event) => {
    const set = runTallies(project).flatMap((tally) => {
      const policy = tallyPolicyOf(project, tally, event);
      if (policy.is === 'keep') return [];
      return [[tally, policy.to === null ? startOf(project, tally) : amountAt(project, policy.to, position)]];
    });
    return [event, Object.fromEntries(set) as Record<string, number>] as const;
  });
  return {
    starsAsked: starsAsked(project, position),
    livesAtMost: livesAtMost && amountAt(project, livesAtMost, position),
    lifeEvery: lifeEvery ? amountAt(project, lifeEvery, position) : 0,
    resets: Object.fromEntries(resets),
  };
}

/** The plan of a project's run. */
export function playthroughPlanOf(project: Project): PlaythroughPlan {
  return {
    run: project.run,
    tierStarts: project.tiers.map(({ from }) => from),
    slots: project.slots.map(({ id, levelId }) => {
      const ending = project.levels[levelId]?.ending;
      return { id, next: ending && { won: ending.won.next, lost: ending.lost.next } };
    }),
    starts: Object.fromEntries(runTallies(project).map((tally) => [tally, startOf(project, tally)])),
    at: (position) => playthroughNumbersAt(project, position),
  };
}
