import { subjectsOf } from '../attempt/index.ts';
import { sectionsOf } from '../grid/index.ts';
import type { Bouts, Ground, Group, Level, Meetings } from '../../document/model/index.ts';
import { drawAt, mix } from '../../basics/random/index.ts';
import type { Observed } from '../rules/index.ts';
import type { Values } from '../../document/ramps/index.ts';
import type { WithBouts } from './level.ts';
import type { PreparedBout } from './prepared.ts';
import { boutAmount, prepareBout } from './statistics.ts';

/** Addresses of what is drawn about meetings; see drawAt. */
const DRAWS = { where: 0x3ee7, whether: 0x3ee8, who: 0x3ee9, fights: 0x3eea } as const;
/** Default size of the party on the way. */
const PARTY_ON_THE_WAY = 4;
const MOST_MEETINGS = 100;
const SHORTEST_WAY = 0.1;

/** Where on the way through a level somebody is met. */
export interface MetOnWay {
  /** Meetings, at most; of a part of one, by chance. */
  many: number;
  /** Units of way to one of them, on average; null where zones say where. */
  every: number | null;
  /** Indices of the goals and zones of the ground that have a meeting each. */
  zones: readonly number[];
  /** Shares of the groups that can be met, against each other. */
  shares: readonly number[];
}

/** The meetings on the way through a level; none where a bout decides in place of its ground. */
export const meetingsOf = ({ bout, meetings }: Pick<Level, 'bout' | 'meetings'>): Meetings | undefined =>
  bout ? undefined : meetings;

/** The groups that can be met, in the order in which fights with them are made ready. */
export const groupsMet = ({ groups }: Pick<Bouts, 'groups'>, meetings: Meetings): Group[] =>
  groups.filter(({ id }) => (meetings.groups[id] ?? 0) > 0);

/** Returns the party on the way: the first fighters of the project's own, all at one level. */
export const partyOnWay = ({ fighters }: Pick<Bouts, 'fighters'>, level: number) =>
  fighters
    .filter(({ side }) => side === 'ours')
    .slice(0, PARTY_ON_THE_WAY)
    .map(({ id }) => ({ fighter: id, level }));

/** About how long the way through a ground is, in units: across it, or through each section once. */
export function wayAcross(ground: Ground): number {
  const sections = sectionsOf(ground);
  const width = (rows: readonly string[]): number => rows[0]?.length ?? 0;
  return sections.length > 0
    ? sections.reduce((sum, { rows }) => sum + width(rows), 0)
    : width(ground.rows) + ground.rows.length;
}

const within = (value: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, Number.isFinite(value) ? value : least));

/** How many meetings there are at most, and how far it is to one of them. */
export function spreadOnWay(
  meetings: Meetings,
  { ground }: Pick<Level, 'ground'>,
  values: Values,
): Pick<MetOnWay, 'many' | 'every'> {
  const { every, zones } = meetings;
  const many = within(boutAmount(meetings.many, values), 0, MOST_MEETINGS);
  if (zones) return { many: zones.length, every: null };
  return {
    many,
    every: every ? within(boutAmount(every, values), SHORTEST_WAY, 1e6) : wayAcross(ground) / Math.max(1, many),
  };
}

/** How many meetings a level has, on average. */
export function meetingsExpected(meetings: Meetings, level: Pick<Level, 'ground'>, values: Values): number {
  const { many, every } = spreadOnWay(meetings, level, values);
  return meetings.every && every !== null ? Math.min(many, wayAcross(level.ground) / every) : many;
}

/** Meetings on the way through a level at one slot, with every number resolved: plain data. */
export interface PreparedMeetings {
  on: MetOnWay;
  /** The fight with each group that can be met. */
  fights: PreparedBout[];
  /** Is the level lost with one of them? Else it goes on. */
  loses: boolean;
}

/** @param position from 1 @param partyLevel of all who go along */
export function prepareMeetings(
  project: WithBouts,
  level: Level,
  meetings: Meetings,
  { position, values, partyLevel }: { position: number; values: Values; partyLevel: number },
): PreparedMeetings {
  const { bouts, slots } = project;
  const party = partyOnWay(bouts, partyLevel);
  // Without a party there are no meetings.
  const groups = party.length === 0 ? [] : groupsMet(bouts, meetings);
  const { mayWithdraw } = meetings;
  const { zone: zoneOf } = subjectsOf(project, level);
  return {
    on: {
      ...spreadOnWay(meetings, level, values),
      zones: (meetings.zones ?? []).flatMap((zone) => zoneOf.get(zone) ?? []),
      shares: groups.map(({ id }) => meetings.groups[id] ?? 0),
    },
    fights: groups.map((group) =>
      prepareBout(bouts, { party, group, mayWithdraw, values, position, positions: slots.length }),
    ),
    loses: meetings.whenLost === 'lost',
  };
}

/** How far somebody has come among the meetings of a level. */
export interface OnWay {
  seed: number;
  /** How many there have been. */
  met: number;
  /** Zones whose meeting has been. */
  entered: Set<number>;
}

export const startOnWay = (seed: number): OnWay => ({ seed, met: 0, entered: new Set() });

/** Units of way gone at which the next meeting is: each somewhere in a stretch of its own. */
function nextAt({ many, every }: MetOnWay, { seed, met }: OnWay): number {
  if (every === null || met >= many) return Number.POSITIVE_INFINITY;
  if (met + 1 > many && drawAt(seed, DRAWS.whether, met) >= many - met) return Number.POSITIVE_INFINITY;
  return every * (met + drawAt(seed, DRAWS.where, met));
}

/** A meeting: the index of a group, and the seed of the fight. */
export interface Met {
  group: number;
  seed: number;
}

/** Is somebody met now? Asked after every tick. The same seed and way give the same meetings. */
export function meetNow(place: MetOnWay, way: OnWay, seen: Pick<Observed, 'distance' | 'inside'>): Met | null {
  const zone = place.zones.find((index) => seen.inside[index] === 1 && !way.entered.has(index));
  if (zone === undefined && !(seen.distance >= nextAt(place, way))) return null;
  if (zone !== undefined) way.entered.add(zone);
  const number = way.met++;
  const total = place.shares.reduce((sum, share) => sum + share, 0);
  if (!(total > 0)) return null;
  let at = drawAt(way.seed, DRAWS.who, number) * total;
  const drawn = place.shares.findIndex((share) => (at -= share) < 0);
  const group = drawn >= 0 ? drawn : place.shares.findLastIndex((share) => share > 0);
  return { group, seed: mix(mix(DRAWS.fights, way.seed), number) };
}
