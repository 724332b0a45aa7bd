import { z } from 'zod';
import { crowdOf, type Forecast } from '../../forecast/trials/index.ts';
import { Revision } from './edit.ts';

const Share = z.number().min(0).max(1);

/** A forecast as the track shows it. */
export const ForecastSummary = z
  .strictObject({
    attempts: z.number().int(),
    clearRate: Share,
    interval: z.strictObject({ low: Share, high: Share }),
    wins: z
      .string()
      .optional()
      .describe('Which attempts were won: bits in their order, as hexadecimal digits. Once done.'),
    medianSeconds: z.number().nullable(),
    stars: z.array(z.number().int()),
    endings: z
      .array(z.strictObject({ rule: z.number().int(), lifeRule: z.number().int(), count: z.number().int() }))
      .optional()
      .describe('Of the lost attempts: by rule in force, -1 for the clock. Once done.'),
    fired: z
      .array(z.number().int())
      .optional()
      .describe('By rule in force: attempts in which it has fired. Once done.'),
    neverGathered: z
      .array(z.number().int())
      .optional()
      .describe('Pieces to gather that no attempt gathered, by their places on the ground. Once done.'),
    crowd: z
      .strictObject({ x: z.number(), y: z.number(), count: z.number().int(), of: z.number().int() })
      .nullable()
      .optional()
      .describe('The spot of two by two units on which most losses lie. Once done.'),
  })
  .meta({ id: 'ForecastSummary' });
export type ForecastSummary = z.infer<typeof ForecastSummary>;

/** @param done the last word: what many events would carry in vain goes out with it only */
export const summarize = (forecast: Forecast, done: boolean): ForecastSummary => {
  const { attempts, clearRate, interval, medianSeconds, stars, wins } = forecast;
  const base = { attempts, clearRate, interval, medianSeconds, stars };
  if (!done) return base;
  const { endings, fired, neverGathered } = forecast;
  return {
    ...base,
    endings,
    crowd: crowdOf(forecast),
    ...(fired ? { fired } : {}),
    ...(neverGathered ? { neverGathered } : {}),
    ...(wins === undefined ? {} : { wins }),
  };
};

/** One slot's forecast as it comes: `key` names the question it answers. */
export const ForecastEvent = z
  .strictObject({
    snapshot: z.string().optional().describe('The snapshot whose slot it is; the project as it is when absent.'),
    slotId: z.string(),
    pacer: z.string(),
    key: z.string(),
    motion: z
      .string()
      .describe('Names all of the question but what judges: alike, the same attempts are judged two ways.'),
    done: z.boolean().describe('False while attempts are still being played.'),
    summary: ForecastSummary.nullable(),
    failed: z
      .literal(true)
      .optional()
      .describe('It could not be played, and is not tried again until it is asked anew.'),
  })
  .meta({ id: 'ForecastEvent' });
export type ForecastEvent = z.infer<typeof ForecastEvent>;

export const ForecastList = z
  .strictObject({ pacer: z.string(), entries: z.array(ForecastEvent) })
  .meta({ id: 'ForecastList' });
export type ForecastList = z.infer<typeof ForecastList>;

export const RevisionEvent = z.strictObject({ revisions: z.array(Revision) }).meta({ id: 'RevisionEvent' });
export type RevisionEvent = z.infer<typeof RevisionEvent>;

/** Names of the server-sent events of a project. */
export const ServerEventName = z.enum(['revision', 'forecasts', 'games']);
export type ServerEventName = z.infer<typeof ServerEventName>;
