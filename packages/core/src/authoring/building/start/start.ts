import { z } from 'zod';
import { emptyProject, type Project } from '../../../document/model/index.ts';
import { crossKit } from './cross.ts';
import { leapKit } from './leap.ts';
import { liftKit } from './lift.ts';
import { share, tiersOf, type StartKit } from './parts.ts';
import { roamKit } from './roam.ts';
import { runKit } from './run.ts';

/** Ways to move in a new project. */
export const START_KITS = {
  roam: roamKit,
  cross: crossKit,
  leap: leapKit,
  run: runKit,
  lift: liftKit,
} as const satisfies Record<string, StartKit>;
export type StartMoves = keyof typeof START_KITS;

const keysOf = <T extends object>(entries: T): [keyof T & string, ...(keyof T & string)[]] =>
  Object.keys(entries) as [keyof T & string, ...(keyof T & string)[]];

/** The goals that fit a way of moving, each with its words. */
export const startGoals = (moves: StartMoves): StartKit['goals'] => START_KITS[moves].goals;

/** The three answers with which a project starts, each by itself. */
export const StartAnswers = z.strictObject({
  moves: z.enum(keysOf(START_KITS)).describe('What moves.'),
  goal: z.string().describe('What ends a level well: one of the goals that fit what moves.'),
  levels: z.number().int('A whole number.').min(1, 'At least one level.').max(60, 'At most 60 levels to start with.'),
});
export type StartChoices = z.infer<typeof StartAnswers>;

/** Why a goal does not fit what moves, or undefined. */
export function goalRefused({ moves, goal }: Pick<StartChoices, 'moves' | 'goal'>): string | undefined {
  const goals = startGoals(moves);
  return Object.hasOwn(goals, goal)
    ? undefined
    : `Where the player ${START_KITS[moves].label}, a level ends well by one of: ${Object.keys(goals).join(', ')}.`;
}

export const StartChoices = StartAnswers.superRefine((answers, context) => {
  const message = goalRefused(answers);
  if (message !== undefined) context.addIssue({ code: 'custom', path: ['goal'], message });
});

/** Wanted clear rates: from nearly all to three in four. */
const wantedAt = (position: number, levels: number): number => Math.round(95 - 20 * share(position, levels)) / 100;

/** A whole sequence that plays and forecasts at once: grounds, rules, tiers, ramps, lives and a clock. */
export function startProject({ moves, goal, levels }: StartChoices): Project {
  return {
    ...START_KITS[moves].make(emptyProject('New project'), goal, levels),
    tiers: tiersOf(levels),
    slots: Array.from({ length: levels }, (_, index) => ({
      id: `slot-${index + 1}`,
      levelId: `level-${index + 1}`,
      wanted: wantedAt(index + 1, levels),
    })),
  };
}
