import type { WithBouts } from '@stadion/core/play/bouts';
import { everyPacer } from '@stadion/core/forecast/pacers';
import { travel, type Travelled } from '@stadion/core/forecast/trials';
import { answering } from './answering.ts';

/** Asks how far players come along the sequence; a later question takes the place of an earlier one. */
export interface TravelRequest {
  id: number;
  project: WithBouts;
}

export interface TravelAnswer {
  id: number;
  /** The way of each pacer until now. */
  pacers: { pacer: string; along: readonly Travelled[] }[];
  done: boolean;
}

answering(({ project }: TravelRequest) => {
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
    read: (): Omit<TravelAnswer, 'id' | 'done'> => ({
      pacers: all.map(({ pacer, along }) => ({ pacer, along: [...along] })),
    }),
  };
}, 300);
