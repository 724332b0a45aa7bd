import type { WithBouts } from '@stadion/core/play/bouts';
import { everyPacer } from '@stadion/core/forecast/pacers';
import { travel, type Travelled } from '@stadion/core/forecast/trials';
import type { Job, Work } from '../answering.ts';

/** The project whose sequence is travelled. */
export interface TravelQuestion {
  project: WithBouts;
}

export interface TravelAnswer {
  /** The way of each pacer until now. */
  pacers: { pacer: string; along: readonly Travelled[] }[];
}

function begin({ project }: TravelQuestion): Work<TravelAnswer> {
  const all = everyPacer(project).map((pacer) => ({
    pacer: pacer.id,
    along: [] as Travelled[],
    on: travel(project, pacer),
    isThrough: false,
  }));
  return {
    // All pacers go along together, a slot at a time.
    step() {
      const next = all
        .filter(({ isThrough }) => !isThrough)
        .toSorted((one, other) => one.along.length - other.along.length)[0];
      if (!next) return false;
      const { value, done } = next.on.next();
      if (done) next.isThrough = true;
      else next.along.push(value);
      return all.some(({ isThrough }) => !isThrough);
    },
    read: () => ({
      pacers: all.map(({ pacer, along }) => ({ pacer, along: [...along] })),
    }),
  };
}

/** How far players come along a sequence with fights. */
export const travelling: Job<TravelQuestion, TravelAnswer> = { everyMs: 300, begin };
