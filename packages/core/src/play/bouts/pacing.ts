import { memoizeByObject } from '../../basics/memo/index.ts';
import type { Bouts, Group, Project } from '../../document/model/index.ts';
import { PLAIN, rawValue, valuesAt, type Values } from '../../document/ramps/index.ts';
import type { WithBouts } from './level.ts';
import { meetingsExpected, meetingsOf } from './onWay.ts';
import { boutAmount, membersOf, MOST_LEVEL } from './statistics.ts';

/** More bouts to a level than this are felt as standing still. */
export const MOST_BOUTS_TO_A_LEVEL = 15;
/** A thing that a smaller share of players ever gets counts as unobtainable. */
export const LEAST_SEEN = 0.05;

/** The gain from beating a group. */
export interface Gain {
  experience: number;
  coins: number;
  /** Things by name: the chance of one or more, and the mean number. */
  things: ReadonlyMap<string, number>;
  dropped: ReadonlyMap<string, number>;
}

/** Returns the gain from beating a group at a position of the sequence. */
export function gainOf(bouts: Bouts, group: Group, values: Values): Gain {
  let [experience, coins] = [0, 0];
  const without = new Map<string, number>();
  const dropped = new Map<string, number>();
  for (const { gives } of membersOf(bouts, group, values)) {
    if (!gives) continue;
    experience += Math.max(0, boutAmount(gives.experience, values));
    coins += Math.max(0, boutAmount(gives.coins, values));
    for (const { name, chance } of gives.things) {
      without.set(name, (without.get(name) ?? 1) * (1 - chance));
      dropped.set(name, (dropped.get(name) ?? 0) + chance);
    }
  }
  return { experience, coins, things: new Map([...without].map(([name, none]) => [name, 1 - none])), dropped };
}

/** Experience from a level to the next, never less than nothing; endless at the highest level. */
export function experienceNeeded({ experience }: Pick<Bouts, 'experience'>, level: number): number {
  if (level >= MOST_LEVEL) return Number.POSITIVE_INFINITY;
  const value = rawValue({ shape: experience }, level, { ...PLAIN, levels: MOST_LEVEL });
  return Number.isFinite(value) ? Math.max(0, value) : Number.POSITIVE_INFINITY;
}

/** Bouts that are met at one place of the sequence: groups by their shares, and how many meetings there are. */
export interface MeetingsAt {
  position: number;
  /** How many are fought there, on average. */
  meetings: number;
  /** Mean gain of one meeting, over the groups. */
  gain: Gain;
}

/** How far a party has come after a place of the sequence. */
export interface PacingAt {
  position: number;
  /** Level and experience towards the next, after it. */
  level: number;
  towards: number;
  /** Bouts like those here to the next level; endless where they bring nothing. */
  boutsToNext: number;
  coins: number;
  /** Things by name: the chance of having at least one by now. */
  things: ReadonlyMap<string, number>;
}

/** Groups in their shares as one gain: what a meeting brings on average. @param parts shares add up to 1, or to what is left out */
export function meanGain(parts: readonly { share: number; gain: Gain }[]): Gain {
  const total = parts.reduce((sum, { share }) => sum + share, 0) || 1;
  const mean = (of: (gain: Gain) => number): number =>
    parts.reduce((sum, { share, gain }) => sum + (share / total) * of(gain), 0);
  const names = new Set(parts.flatMap(({ gain }) => [...gain.things.keys()]));
  return {
    experience: mean(({ experience }) => experience),
    coins: mean(({ coins }) => coins),
    things: new Map([...names].map((name) => [name, mean(({ things }) => things.get(name) ?? 0)])),
    dropped: new Map([...names].map((name) => [name, mean(({ dropped }) => dropped.get(name) ?? 0)])),
  };
}

/** Returns the meetings at each position of the sequence: those on the way, or the bout that decides a level; none where a level has neither. @param valuesOf parameters at a position, where they are known already */
export function meetingsAlong(
  project: Project,
  valuesOf: (position: number) => Values = (position) => valuesAt(project, position),
): MeetingsAt[] {
  const { bouts, slots, levels } = project;
  return slots.map(({ levelId }, index) => {
    const position = index + 1;
    const level = levels[levelId];
    if (!bouts || !(level?.meetings ?? level?.bout)) return { position, meetings: 0, gain: meanGain([]) };
    const { bout } = level;
    const meetings = meetingsOf(level);
    const values = valuesOf(position);
    const many = meetings ? meetingsExpected(meetings, level, values) : 0;
    const total = Object.values(meetings?.groups ?? {}).reduce((sum, share) => sum + share, 0) || 1;
    const parts = bouts.groups.flatMap((group) => {
      const share = bout ? Number(bout.group === group.id) : (many * (meetings?.groups[group.id] ?? 0)) / total;
      return share > 0 ? [{ share, gain: gainOf(bouts, group, values) }] : [];
    });
    return { position, meetings: many + (bout ? 1 : 0), gain: meanGain(parts) };
  });
}

/** How far a party has come: its level, and experience towards the next. */
export interface Grown {
  level: number;
  towards: number;
}

/** A party that has got experience. */
export function grownBy(bouts: Bouts, { level, towards }: Grown, experience: number): Grown {
  let [at, rest] = [level, towards + experience];
  for (let needed = experienceNeeded(bouts, at); needed <= rest; needed = experienceNeeded(bouts, at)) {
    rest -= needed;
    at++;
  }
  return { level: at, towards: rest };
}

/** The pacing along the sequence if every meeting is fought and won. @param startLevel of the party, from 1 */
export function pacingOf(bouts: Bouts, places: readonly MeetingsAt[], startLevel = 1): PacingAt[] {
  let [level, towards, coins] = [startLevel, 0, 0];
  const without = new Map<string, number>();
  return places.map(({ position, meetings, gain }) => {
    ({ level, towards } = grownBy(bouts, { level, towards }, meetings * gain.experience));
    coins += meetings * gain.coins;
    for (const [name, chance] of gain.things) without.set(name, (without.get(name) ?? 1) * noneIn(chance, meetings));
    const needed = experienceNeeded(bouts, level) - towards;
    return {
      ...{ position, level, towards, coins },
      boutsToNext: gain.experience > 0 ? Math.ceil(needed / gain.experience) : Number.POSITIVE_INFINITY,
      things: new Map([...without].map(([name, none]) => [name, 1 - none])),
    };
  });
}

/** Levels of the party after each place of the sequence, if every meeting is fought and won. */
const levelsAlong = memoizeByObject((project: WithBouts) =>
  pacingOf(project.bouts, meetingsAlong(project)).map(({ level }) => level),
);

/** The level that a party comes with, if every meeting before is fought and won. @param position from 1 */
export const levelBefore = (project: WithBouts, position: number): number => levelsAlong(project)[position - 2] ?? 1;

/** Returns the chance of getting nothing in a number of meetings; a part of a meeting counts in proportion. */
function noneIn(chance: number, meetings: number): number {
  const whole = Math.floor(meetings);
  let none = 1 - chance * (meetings - whole);
  for (let i = 0; i < whole; i++) none *= 1 - chance;
  return none;
}
