import { z } from 'zod';
import { Line } from '../../document/model/index.ts';

/** As many events as come at once. */
export const MOST_EVENTS_IN_A_BATCH = 1000;

const Words = Line(200);
const Finite = z.number().min(-1e12).max(1e12);

const started = z.strictObject({
  slot: Words.describe('Id of the slot that is played.'),
  try: z.number().int().min(1).max(1e6).optional().describe('Which try at it this is, from 1.'),
  build: Words.optional(),
  player: Words.optional().describe('Anonymous: the same player, the same word.'),
});

const ended = started.extend({
  result: z.enum(['won', 'lost', 'left']).describe('Left: the player gave up.'),
  cause: Words.optional().describe('Id of the rule that ended it, or a word of the game’s.'),
  seconds: Finite.min(0),
  stars: z.number().int().min(0).max(5).optional(),
  readings: z.record(Words, Finite).optional().describe('Readings at the end, by name.'),
  place: z.strictObject({ x: Finite, y: Finite }).optional().describe('Where it ended. Units.'),
});

const cue = started.extend({ cue: Words });
const custom = z.strictObject({
  slot: Words.optional(),
  build: Words.optional(),
  player: Words.optional(),
  values: z.record(Words, z.union([Finite, Words, z.boolean()])).optional(),
});

const envelope = {
  specversion: z.literal('1.0'),
  id: Line(200).min(1),
  source: Line(500).min(1),
  time: z.iso.datetime({ offset: true }).optional(),
  subject: Words.optional(),
  datacontenttype: z.literal('application/json').optional(),
  dataschema: Line(500).optional(),
};

/** Event of a game: a CloudEvent (version 1.0, JSON). Extension attributes are accepted and not kept. */
export const GameEvent = z
  .discriminatedUnion('type', [
    z.object({ ...envelope, type: z.literal('attempt.started'), data: started }),
    z.object({ ...envelope, type: z.literal('attempt.ended'), data: ended }),
    z.object({ ...envelope, type: z.literal('cue'), data: cue }),
    z.object({ ...envelope, type: z.literal('custom'), data: custom }),
  ])
  .meta({ id: 'GameEvent' });
export type GameEvent = z.infer<typeof GameEvent>;

/** Result of the events of one request. */
export const EventReceipt = z
  .strictObject({
    kept: z.number().int(),
    known: z.number().int().describe('They had come before, and count once.'),
    refused: z.array(
      z
        .strictObject({ index: z.number().int(), pointer: z.string(), message: z.string() })
        .meta({ id: 'RefusedEvent' }),
    ),
  })
  .meta({ id: 'EventReceipt' });
export type EventReceipt = z.infer<typeof EventReceipt>;

/** Connected games, and the events received. */
export const GameLink = z
  .strictObject({
    connected: z.array(z.strictObject({ game: z.string(), slot: z.string().optional(), since: z.iso.datetime() })),
    events: z.number().int(),
    attemptsToday: z.number().int(),
    last: z.strictObject({ type: z.string(), slot: z.string().nullable(), at: z.iso.datetime() }).nullable(),
  })
  .meta({ id: 'GameLink' });
export type GameLink = z.infer<typeof GameLink>;
