import type { HandedSlot, HandOff } from '@stadion/core/exchange/formats';
import { emptyObserved, READINGS, type Observed } from '@stadion/core/play/rules';

export type ReadingName = keyof typeof READINGS;

/** The readings of one slot: which there are, and where the judge keeps them. */
export interface SlotReadings {
  /** A reading by its name; undefined for a name that no reading has. The subject is -1 where this slot has no such thing. */
  find(name: string): { reading: ReadingName; subject: number } | undefined;
  /** Nothing seen yet: as many of everything as the slot has. */
  empty(): Observed;
}

/** @param slot what its kinds and pieces are called @param handOff its tallies and fighters */
export function readingsOf(
  { kinds, ground }: HandedSlot,
  { tallies, bouts }: Pick<HandOff, 'tallies' | 'bouts'>,
): SlotReadings {
  const index = (ids: readonly string[]): Map<string, number> => new Map(ids.map((id, i) => [id, i]));
  const pieces = (...sorts: string[]): string[] =>
    Object.entries(ground.pieces).flatMap(([id, piece]) => (sorts.includes(String(piece['piece'])) ? [id] : []));
  const collectables = Object.keys(kinds.collectables);
  const enemies = Object.keys(kinds.enemies);
  const lists: Readonly<Record<string, ReadonlyMap<string, number>>> = {
    collectable: index([...collectables, 'any']),
    enemy: index([...enemies, 'any']),
    toucher: index([...enemies, ...Object.keys(kinds.hazards)]),
    zone: index(pieces('goal', 'zone')),
    latch: index(pieces('latch')),
    gate: index(pieces('gate')),
    phase: index(pieces('enemy')),
    tally: index(Object.keys(tallies)),
    side: index(['ours', 'theirs']),
    fighter: index(Object.keys(bouts?.fighters ?? {})),
  };
  const sizeOf = (list: string): number => lists[list]?.size ?? 0;
  return {
    find(name) {
      const dot = name.indexOf('.');
      const reading = dot < 0 ? name : name.slice(0, dot);
      if (!Object.hasOwn(READINGS, reading)) return undefined;
      const { subject } = READINGS[reading as ReadingName];
      const at = subject === 'none' ? 0 : (lists[subject]?.get(name.slice(dot + 1)) ?? -1);
      return { reading: reading as ReadingName, subject: at };
    },
    empty: () =>
      emptyObserved({
        collectables: collectables.length,
        enemies: enemies.length,
        hazards: sizeOf('toucher') - enemies.length,
        zones: sizeOf('zone'),
        latches: sizeOf('latch'),
        gates: sizeOf('gate'),
        phases: sizeOf('phase'),
        tallies: sizeOf('tally'),
        fighters: sizeOf('fighter'),
      }),
  };
}
