import type { Job } from '../answering.ts';
import type { BoutAnswer, BoutQuestion } from './bout.ts';
import type { FindingsAnswer, FindingsQuestion } from './findings.ts';
import type { ForecastAnswer, ForecastQuestion } from './forecast.ts';
import type { PlaythroughsAnswer, PlaythroughsQuestion } from './playthroughs.ts';
import type { SearchAnswer, SearchQuestion } from './search.ts';
import type { TravelAnswer, TravelQuestion } from './travel.ts';
import type { WaysAnswer, WaysQuestion } from './ways.ts';

/** Every sort of question that the engine answers, with its answer. */
export interface Jobs {
  bout: Job<BoutQuestion, BoutAnswer>;
  findings: Job<FindingsQuestion, FindingsAnswer>;
  forecast: Job<ForecastQuestion, ForecastAnswer>;
  playthroughs: Job<PlaythroughsQuestion, PlaythroughsAnswer>;
  search: Job<SearchQuestion, SearchAnswer>;
  travel: Job<TravelQuestion, TravelAnswer>;
  ways: Job<WaysQuestion, WaysAnswer>;
}
export type JobName = keyof Jobs;
export type QuestionOf<Name extends JobName> = Parameters<Jobs[Name]['begin']>[0];
export type AnswerOf<Name extends JobName> = Jobs[Name] extends Job<never, infer Part> ? Part : never;

/** Loads a job: a thread loads only the jobs that it is asked for. */
export const loadJob: { [Name in JobName]: () => Promise<Jobs[Name]> } = {
  bout: async () => (await import('./bout.ts')).bout,
  findings: async () => (await import('./findings.ts')).findings,
  forecast: async () => (await import('./forecast.ts')).forecast,
  playthroughs: async () => (await import('./playthroughs.ts')).playthroughs,
  search: async () => (await import('./search.ts')).search,
  travel: async () => (await import('./travel.ts')).travelling,
  ways: async () => (await import('./ways.ts')).ways,
};
