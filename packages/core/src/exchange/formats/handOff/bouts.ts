import { z } from 'zod';
import {
  boutAmount,
  experienceNeeded,
  meetingOf,
  meetingsOf,
  MOST_LEVEL,
  NOBODY,
  prepareBout,
  statisticsOf,
  USUAL_TURN_SECONDS,
  spreadOnWay,
  type PreparedBout,
  type PreparedFighter,
  type PreparedUse,
} from '../../../play/bouts/index.ts';
import type { Bouts, Level, Project } from '../../../document/model/index.ts';
import type { Values } from '../../../document/ramps/index.ts';

type Json = ReturnType<typeof JSON.parse>;

const Numbers = z.record(z.string(), z.number());

const Use = z.strictObject({
  weight: z.number().describe('Against the other actions that can be used.'),
  belowHealth: z.number().optional().describe('Only while no more than this share of what is lost is left.'),
  aboveHealth: z.number().optional().describe('Only while more than this share is left.'),
  everyTurns: z.number().optional().describe('Only every so many turns of its own.'),
});

const Kind = {
  name: z.string(),
  uses: z.record(z.string(), Use).describe('By action.'),
  takes: Numbers.describe('By element: the share of harm that reaches it; 1 where none is given.'),
};

const HandedFighter = z.strictObject({
  ...{ id: z.string(), ...Kind },
  statistics: Numbers.describe('At the start, by key.'),
  gives: z
    .strictObject({
      experience: z.number(),
      coins: z.number(),
      things: z.array(z.strictObject({ name: z.string(), chance: z.number().describe('0–1') })),
    })
    .optional()
    .describe('What beating it brings.'),
});
export type HandedFighter = z.infer<typeof HandedFighter>;

/** The bout that decides a slot. */
export const HandedFight = z.strictObject({
  ours: z.array(HandedFighter),
  theirs: z.array(HandedFighter),
});

/** Groups that are met on the way through a slot. */
export const HandedMeetings = z.strictObject({
  many: z.number().describe('Meetings on the way through, at most; of a part of one, by chance.'),
  every: z.number().optional().describe('Units of way to one of them, on average; absent where zones say where.'),
  zones: z
    .array(z.string())
    .optional()
    .describe('Goals and zones in each of which there is one meeting, when it is first entered.'),
  mayWithdraw: z.boolean(),
  whenLost: z.enum(['lost', 'goOn']).describe('What a lost bout means: the level is lost, or it goes on.'),
  groups: z.record(
    z.string(),
    z.strictObject({
      name: z.string(),
      share: z.number().describe('Of the meetings, against the other shares.'),
      theirs: z.array(HandedFighter),
    }),
  ),
});

/** Fighters, actions and groups of a game. */
export const HandedBouts = z.strictObject({
  order: z.enum(['rounds', 'gauges']),
  turnSeconds: z.number().describe('So long a turn of one fighter takes on the clock.'),
  mostRounds: z.number().describe('A bout that is not decided after so many rounds never is.'),
  statistics: z
    .array(
      z.strictObject({
        key: z.string(),
        name: z.string(),
        role: z.enum(['lost', 'strikes', 'protects', 'first', 'other']),
      }),
    )
    .describe('In the order of the project.'),
  elements: z.array(z.string()),
  fighters: z.record(z.string(), z.string()).describe('Names by id, in the order of the project.'),
  actions: z.record(
    z.string(),
    z.strictObject({
      name: z.string(),
      strikes: z.enum(['one', 'all', 'itself', 'ally', 'allies']),
      does: z.enum(['harm', 'heal']),
      formula: z.json().optional().describe('How much, as a tree; absent where it could not be read.'),
      spread: z.number(),
      chance: z.number(),
      element: z.string().optional(),
      costs: Numbers,
    }),
  ),
  party: z
    .record(
      z.string(),
      z.strictObject({
        ...Kind,
        statistics: z.record(z.string(), z.array(z.number())).describe('By key: at levels 1 to 99.'),
      }),
    )
    .describe('Everybody of ours, for meetings; amounts that follow a ramp as they are at the first slot.'),
  experience: z
    .array(z.number())
    .describe('Needed from each level to the next, from level 1; it ends where a level is never left.'),
});
export type HandedBouts = z.infer<typeof HandedBouts>;

const useOf = ({ weight, below, above, everyTurns }: PreparedUse): z.infer<typeof Use> => ({
  weight,
  ...(below < 1 ? { belowHealth: below } : {}),
  ...(above >= 0 ? { aboveHealth: above } : {}),
  ...(everyTurns > 1 ? { everyTurns } : {}),
});

function exportFighter(
  { id, name, statistics, takes, uses }: PreparedFighter,
  bout: PreparedBout,
  { elements, fighters }: Bouts,
  values: Values,
): HandedFighter {
  const gives = fighters.find((each) => each.id === id)?.gives;
  return {
    ...(gives && {
      gives: {
        experience: Math.max(0, boutAmount(gives.experience, values)),
        coins: Math.max(0, boutAmount(gives.coins, values)),
        things: gives.things,
      },
    }),
    ...{ id, name },
    statistics: Object.fromEntries(bout.statistics.map(({ key }, index) => [key, statistics[index] ?? 0])),
    takes: Object.fromEntries(
      elements.flatMap((element, index) => (takes[index] === 1 ? [] : [[element.id, takes[index] ?? 1]])),
    ),
    uses: Object.fromEntries(uses.map((use) => [bout.actions[use.action]!.id, useOf(use)])),
  };
}

const LEVELS = Array.from({ length: MOST_LEVEL }, (_, index) => index + 1);

/** Results by the values that they were made with: an edit elsewhere makes nothing again. */
const known = new WeakMap<Bouts, { values: string; made: HandedBouts }>();

/** Fighters, actions and groups of a game; undefined where it has no fights. @param first values of parameters at the first slot */
export function exportBouts({ bouts, slots }: Project, first: Values): HandedBouts | undefined {
  if (!bouts) return undefined;
  const values = `${slots.length} ${JSON.stringify(first)}`;
  const before = known.get(bouts);
  if (before?.values === values) return before.made;
  const made = makeBouts(bouts, first, slots.length);
  known.set(bouts, { values, made });
  return made;
}

function makeBouts(bouts: Bouts, values: Values, positions: number): HandedBouts {
  const ours = bouts.fighters.filter(({ side }) => side === 'ours');
  const bout = prepareBout(bouts, {
    party: ours.map(({ id }) => ({ fighter: id, level: 1 })),
    ...{ group: NOBODY, mayWithdraw: false, values, position: 1, positions },
  });
  const experience = LEVELS.slice(0, -1).map((level) => experienceNeeded(bouts, level));
  const end = experience.findIndex((needed) => !Number.isFinite(needed));
  return {
    ...{ order: bouts.order, turnSeconds: bouts.turnSeconds ?? USUAL_TURN_SECONDS, mostRounds: bout.mostRounds },
    statistics: bout.statistics,
    elements: bouts.elements.map(({ id }) => id),
    fighters: Object.fromEntries(bouts.fighters.map(({ id, name }) => [id, name])),
    actions: Object.fromEntries(
      bouts.actions.map(({ id, name, strikes, does, spread, chance, element, costs }, index) => {
        const { formula } = bout.actions[index]!;
        return [
          id,
          {
            ...{ name, strikes, does, spread, chance, costs },
            ...(formula ? { formula: formula as Json } : {}),
            ...(element === undefined ? {} : { element }),
          },
        ];
      }),
    ),
    party: Object.fromEntries(
      ours.map((fighter, member) => {
        const {
          id,
          statistics: _first,
          gives: _none,
          ...kind
        } = exportFighter(bout.ours[member]!, bout, bouts, values);
        const at = LEVELS.map((level) => statisticsOf(bouts, fighter, level, values));
        const statistics = bouts.statistics.map(({ key }, index) => [key, at.map((row) => row[index] ?? 0)]);
        return [id, { ...kind, statistics: Object.fromEntries(statistics) }];
      }),
    ),
    experience: end === -1 ? experience : experience.slice(0, end),
  };
}

/** Fights at a slot: the bout that decides its level, and the meetings on the way. */
export function exportFights(
  project: Project,
  level: Level,
  position: number,
  values: Values,
): { bout?: z.infer<typeof HandedFight>; meetings?: z.infer<typeof HandedMeetings> } {
  const { bouts, slots } = project;
  if (!bouts) return {};
  const { bout } = level;
  const meetings = meetingsOf(level);
  const own = bout && prepareBout(bouts, meetingOf({ ...project, bouts }, bout, position, values));
  const side = (of: PreparedBout, list: readonly PreparedFighter[]): HandedFighter[] =>
    list.map((fighter) => exportFighter(fighter, of, bouts, values));
  const { many = 0, every = null } = meetings ? spreadOnWay(meetings, level, values) : {};
  return {
    ...(own ? { bout: { ours: side(own, own.ours), theirs: side(own, own.theirs) } } : {}),
    ...(meetings
      ? {
          meetings: {
            ...{ many, ...(every === null ? {} : { every }), ...(meetings.zones && { zones: meetings.zones }) },
            ...{ mayWithdraw: meetings.mayWithdraw, whenLost: meetings.whenLost },
            groups: Object.fromEntries(
              bouts.groups.flatMap((group) => {
                const share = meetings.groups[group.id];
                if (share === undefined) return [];
                const { mayWithdraw } = meetings;
                const met = prepareBout(bouts, {
                  ...{ party: [], group, mayWithdraw, values, position, positions: slots.length },
                });
                return [[group.id, { name: group.name, share, theirs: side(met, met.theirs) }]];
              }),
            ),
          },
        }
      : {}),
  };
}
