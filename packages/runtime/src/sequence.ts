import type { HandedSlot, HandOff } from '@stadion/core/exchange/formats';
import { isGoingOn } from '@stadion/core/play/playthrough';

/** A hand-off's slots in order, and again past the last one where the ramps go on. */
export interface Sequence {
  slots: readonly HandedSlot[];
  /** @param position from 1 @returns undefined where no slot is played there */
  at(position: number): HandedSlot | undefined;
}

type Entries = Readonly<Record<string, unknown>>;

const isEntries = (value: unknown): value is Entries =>
  value !== null && typeof value === 'object' && !Array.isArray(value);

/** Puts entries over others. Source: RFC 7396; hand-offs have no null to take anything away. */
const over = (target: Entries, patch: Entries): Entries => ({
  ...target,
  ...Object.fromEntries(
    Object.entries(patch).map(([key, value]) => {
      const there = target[key];
      return [key, isEntries(value) && isEntries(there) ? over(there, value) : value];
    }),
  ),
});

export function sequenceOf({ slots: byId, run, rounds = {} }: HandOff): Sequence {
  const slots = Object.values(byId).toSorted((one, other) => one.position - other.position);
  const last = Math.max(1, ...Object.keys(rounds).map(Number));
  const known = new Map<number, HandedSlot>();
  return {
    slots,
    at(position) {
      const slot = slots[(position - 1) % slots.length];
      if (position <= slots.length || !slot) return slots[position - 1];
      if (!isGoingOn(run)) return undefined;
      let later = known.get(position);
      if (!later) {
        const round = Math.min(last, Math.ceil(position / slots.length));
        later = { ...(over(slot, rounds[round]?.[slot.id] ?? {}) as HandedSlot), position };
        known.set(position, later);
      }
      return later;
    },
  };
}
