import type { HandOff } from '@stadion/core/exchange/formats';
import {
  enterAttempt,
  startPlaythrough,
  type PlaythroughNumbers,
  type PlaythroughPlan,
  type PlaythroughState,
} from '@stadion/core/play/playthrough';
import type { Sequence } from './sequence.ts';
import type { Run, SavedRun } from './types.ts';

/** How the runs of a hand-off go. */
function planOf({ run, tallies }: HandOff, { slots, at }: Sequence): PlaythroughPlan {
  return {
    run,
    tierStarts: run.tiers.map(({ from }) => from),
    slots: slots.map(({ id, ending }) => ({
      id,
      next: { won: ending.won.next, lost: ending.lost.next } as NonNullable<PlaythroughPlan['slots'][number]['next']>,
    })),
    starts: {
      ...{ score: 0, lives: slots[0]?.lives ?? 0, collected: 0, stars: 0 },
      ...Object.fromEntries(Object.entries(tallies).map(([id, { start }]) => [id, start])),
    },
    at(position): PlaythroughNumbers {
      const slot = at(position);
      return slot
        ? {
            livesAtMost: null,
            ...slot.run,
            resets: slot.run.resets as PlaythroughNumbers['resets'],
            starsAsked: slot.starsAsked,
          }
        : { livesAtMost: null, lifeEvery: 0, resets: {}, starsAsked: 0 };
    },
  };
}

/** A run of a hand-off, from its start or from where it was saved. @param seed decides a shuffled order */
export function startOrResume(handOff: HandOff, sequence: Sequence, saved: SavedRun | undefined, seed: number): Run {
  const plan = planOf(handOff, sequence);
  let state: PlaythroughState = saved ?? startPlaythrough(plan, seed);
  const kept = saved?.seed ?? seed;
  const toSave = (): SavedRun => ({
    ...structuredClone({ turn: state.turn, position: state.position, over: state.over }),
    tallies: { ...state.tallies },
    stars: { ...state.stars },
    seed: kept,
  });
  return {
    get saved() {
      return toSave();
    },
    get position() {
      return state.position;
    },
    get tallies() {
      return state.tallies;
    },
    opens(position) {
      const slot = sequence.at(position);
      if (!slot || slot.starsAsked > (state.tallies['stars'] ?? 0)) return false;
      const before = sequence.at(position - 1);
      return handOff.run.unlock !== 'win' || before === undefined || before.id in state.stars;
    },
    after({ won, stars = 0, score = 0, collected = 0, livesLost = 0, tallies = {} }) {
      const result = won ? 'won' : 'lost';
      const row = enterAttempt(plan, state, { result, stars, score, collected, livesLost, tallies }, kept);
      state = row.after;
      return { saved: toSave(), position: state.position, over: state.over, event: row.event };
    },
  };
}
