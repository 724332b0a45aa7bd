import { z } from 'zod';
import { GoesOn, LiveAxis, RUN_EVENTS } from '../../../document/model/index.ts';
import { HandedBouts, HandedFight, HandedMeetings } from './bouts.ts';

export const HAND_OFF_FORMAT = 'stadion-hand-off';
export const HAND_OFF_VERSION = 1;

const Follows = z
  .strictObject({
    parameter: z.string(),
    times: z.number(),
    plus: z.number(),
    of: z.number().optional().describe('Where it is a share: what it is a share of; then rounded up.'),
  })
  .describe('The number is the parameter’s value × times + plus, also after it has changed during an attempt.');

const Memory = z
  .strictObject({
    at: z
      .array(z.number().int().min(0))
      .describe('Which condition: the place in its group at each depth; empty for the whole.'),
    heldSeconds: z.number().optional().describe('True only once it has held for so long.'),
    inOrder: z
      .literal(true)
      .optional()
      .describe('An “and” whose conditions come true one after the other, one at a time.'),
    follows: Follows.optional().describe('For a comparison: its number changes with a parameter.'),
  })
  .describe('What a condition depends on besides the readings of the moment.');
export type Memory = z.infer<typeof Memory>;

/** A condition: JsonLogic over readings, and beside it what needs memory. */
const Condition = z.strictObject({
  when: z.json().describe('JsonLogic over readings; without “memory” it is the whole truth.'),
  memory: z.array(Memory).optional(),
});
export type HandedCondition = z.infer<typeof Condition>;

const Text = { text: z.string(), textId: z.string().describe('In the file of strings.') };

const Effect = z.discriminatedUnion('effect', [
  z.strictObject({ effect: z.literal('win') }),
  z.strictObject({ effect: z.literal('lose'), ...Text }),
  z.strictObject({
    effect: z.literal('loseLife'),
    lives: z.number(),
    back: z.enum(['start', 'checkpoint', 'stay']),
    resets: z.array(z.string()).describe('gathered, score, health, clock, latches, or a tally by id.'),
    cause: z.string().optional().describe('What took the life, as the designer calls it.'),
  }),
  z.strictObject({ effect: z.literal('back'), to: z.enum(['start', 'checkpoint']) }),
  z.strictObject({ effect: z.literal('gate'), gate: z.string(), open: z.boolean() }),
  z.strictObject({ effect: z.literal('wave'), spawner: z.string() }),
  z.strictObject({ effect: z.literal('reveal'), piece: z.string() }),
  z.strictObject({ effect: z.literal('score'), add: z.number() }),
  z.strictObject({ effect: z.literal('tally'), tally: z.string(), add: z.number() }),
  z.strictObject({ effect: z.literal('heal'), by: z.number() }),
  z.strictObject({ effect: z.literal('hurt'), by: z.number() }),
  z.strictObject({
    effect: z.literal('parameter'),
    parameter: z.string(),
    change: z.enum(['times', 'plus', 'set']),
    by: z.number(),
  }),
  z.strictObject({ effect: z.literal('message'), ...Text, seconds: z.number() }),
  z.strictObject({ effect: z.literal('cue'), name: z.string(), at: z.string().optional() }),
]);
export type HandedEffect = z.infer<typeof Effect>;

const Rule = Condition.extend({
  id: z.string(),
  fires: z
    .enum(['once', 'eachTime', 'every'])
    .describe('Once; each time it becomes true; then, and every so many seconds.'),
  everySeconds: z.number().optional(),
  then: z.array(Effect).describe('What follows, in this order.'),
});
export type HandedRule = z.infer<typeof Rule>;

const Next = z.strictObject({
  to: z.enum(['nextSlot', 'retry', 'levelChoice', 'endOfRun', 'slot']),
  slot: z.string().optional(),
});

const EndingSide = z.strictObject({
  freezeSeconds: z.number(),
  goesOn: z.array(GoesOn),
  ...Text,
  holdSeconds: z.number(),
  next: Next,
});

const Stars = z.discriminatedUnion('is', [
  z.strictObject({
    is: z.literal('ladder'),
    reading: z.string(),
    direction: z.enum(['atLeast', 'atMost']),
    thresholds: z.array(z.number().nullable()),
  }),
  z.strictObject({ is: z.literal('conditions'), conditions: z.array(Condition.nullable()) }),
]);

const LiveRamp = z.strictObject({
  along: LiveAxis,
  level: z.number(),
  levels: z.number(),
  bands: z.array(z.strictObject({ id: z.string(), from: z.number() })),
  values: z.record(z.string(), z.number()).describe('Of the parameters that its formula names.'),
  source: z.record(z.string(), z.json()).describe('The ramp: shape, caps, rounding; a formula as a tree.'),
});

const Numbers = z.record(z.string(), z.json());

const Slot = z.strictObject({
  position: z.number().int().describe('From 1.'),
  id: z.string(),
  level: z.string().describe('Id of the level that stands here.'),
  name: z.string(),
  brief: z.string().describe('What the player has to do.'),
  tier: z.string().describe('Id of the tier that the position lies in.'),
  starsAsked: z.number().describe('Stars that a run needs before this slot opens.'),
  values: z.record(z.string(), z.number()).describe('Every parameter’s value here.'),
  live: z.record(z.string(), LiveRamp).describe('Ramps along a reading of the attempt, by parameter.'),
  changing: z.array(z.string()).describe('Parameters that may change during an attempt, in this order.'),
  follows: z
    .array(z.strictObject({ at: z.string().describe('JSON pointer inside this slot.'), ...Follows.shape }))
    .describe('Numbers of this slot that change with such a parameter.'),
  readings: z.array(z.string()).describe('What the rules of this slot read.'),
  player: Numbers.describe('Radius, health, grace, shooting, and how it moves here. Units, units per second, seconds.'),
  kinds: z.strictObject({
    collectables: z.record(z.string(), Numbers),
    enemies: z.record(z.string(), Numbers),
    hazards: z.record(z.string(), Numbers),
  }),
  ground: z.strictObject({
    kind: z.string(),
    rows: z.array(z.string()).describe('Cells: # wall, . open, ~ no ground, - ledge.'),
    pieces: z.record(z.string(), Numbers),
    drawnBy: z.string().optional().describe('A run: the reading whose tiers say which section comes.'),
    bounds: z.array(z.number()).optional().describe('A run: where each tier of that reading begins.'),
    sections: z
      .record(
        z.string(),
        z.strictObject({
          name: z.string(),
          tier: z.number(),
          weight: z.number(),
          rows: z.array(z.string()),
          pieces: z.record(z.string(), Numbers),
        }),
      )
      .optional(),
  }),
  bout: HandedFight.optional().describe('The fight that decides the slot in place of its ground.'),
  meetings: HandedMeetings.optional().describe('Fights on the way through.'),
  lives: z.number().describe('At the start of a run.'),
  score: z
    .array(z.strictObject({ reading: z.string(), times: z.number() }))
    .describe('The score is the sum of these, besides what rules add.'),
  clock: z.strictObject({
    limitSeconds: z.number().optional().describe('No limit when absent.'),
    limitFollows: Follows.optional(),
    starts: z.enum(['load', 'firstMove', 'condition']).describe('What lets the clock run.'),
    startsWhen: Condition.optional(),
    warnAtSeconds: z.number().optional().describe('Warns when so much is left.'),
    parSeconds: z.number().optional().describe('The time that a good attempt takes.'),
    atExpiry: z.enum(['lose', 'win', 'grade']).describe('Grade: won with a star, else lost.'),
  }),
  rules: z.array(Rule).describe('In the order in which they act; standing rules first.'),
  tie: z.enum(['win', 'loss']).describe('What stands where a win and a loss come together.'),
  stars: Stars,
  ending: z
    .strictObject({ won: EndingSide, lost: EndingSide })
    .describe('What happens after the end: freeze, what goes on, text, how long it stands, where it leads.'),
  run: z.strictObject({
    livesAtMost: z.number().optional().describe('No limit when absent.'),
    lifeEvery: z.number().describe('Points of a run for another life; 0 for none.'),
    resets: z
      .partialRecord(z.enum(RUN_EVENTS), z.record(z.string(), z.number()))
      .describe('By event and tally: what it is set to; what is not named is kept.'),
  }),
});
export type HandedSlot = z.infer<typeof Slot>;

/** The hand-off: every number of every slot resolved. Nothing is null but in lists: a merge patch could not set it. */
export const HandOff = z
  .strictObject({
    format: z.literal(HAND_OFF_FORMAT),
    version: z.literal(HAND_OFF_VERSION),
    name: z.string().describe('Of the game.'),
    words: z
      .strictObject({ player: z.string(), worth: z.string() })
      .describe('What the game calls its player and the points gathered.'),
    metresPerUnit: z.number().describe('All lengths are in units.'),
    tallies: z
      .record(z.string(), z.strictObject({ name: z.string(), start: z.number() }))
      .describe('The project’s own counters, by id.'),
    run: z.strictObject({
      order: z
        .enum(['inOrder', 'shuffled', 'inOrderThenShuffled', 'loop'])
        .describe('In which order slots are played.'),
      afterLast: z.enum(['end', 'startOver', 'goOn']).describe('What comes after the last one.'),
      unlock: z.enum(['win', 'stars', 'open']).describe('What opens a slot.'),
      onGameOver: z.enum(['firstSlot', 'tierFirstSlot', 'sameSlot']).describe('Where a run goes on without lives.'),
      tiers: z.array(z.strictObject({ id: z.string(), name: z.string(), from: z.number() })),
    }),
    bouts: HandedBouts.optional().describe('What fights by turns are made of.'),
    slots: z.record(z.string(), Slot).describe('By id; each says its position.'),
    rounds: z
      .record(z.string(), z.record(z.string(), Numbers))
      .optional()
      .describe(
        'Where the ramps go on past the last slot: by round from 2, then by slot, a merge patch (RFC 7396) of what is another number there. After the last one written, its numbers stay.',
      ),
  })
  .meta({ title: 'Stadion hand-off' });
export type HandOff = z.infer<typeof HandOff>;
