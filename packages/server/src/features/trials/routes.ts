import { Books, BooksRequest, ForecastList, TrialsChange, TrialsState } from '@stadion/core/exchange/contract';
import { z } from 'zod';
import { jsonBody, param } from '../../http/parsing.ts';
import { found, json, ofProject, problem, type Route } from '../../http/route.ts';
import type { TrialService } from './service.ts';

const byPacer = ofProject.extend({ pacer: z.string() });

export const trialRoutes = (trials: TrialService): Route[] => [
  {
    method: 'get',
    path: '/projects/{id}/forecasts/{pacer}',
    summary: 'The forecasts of all slots as far as known; the rest follows as events',
    request: { params: byPacer },
    responses: found('The forecasts.', ForecastList),
    handle: async (request, response) => {
      const list = await trials.forecasts(param(request, 'id'), param(request, 'pacer'));
      response.set('Cache-Control', 'no-store').json(list);
    },
  },
  {
    method: 'get',
    path: '/projects/{id}/snapshots/{snapshotId}/forecasts/{pacer}',
    summary: "The forecasts of a snapshot's slots as far as known; the rest follows as events",
    request: { params: byPacer.extend({ snapshotId: z.string() }) },
    responses: found('The forecasts.', ForecastList),
    handle: async (request, response) => {
      const named = (name: string): string => param(request, name);
      const list = await trials.snapshotForecasts(named('id'), named('snapshotId'), named('pacer'));
      response.set('Cache-Control', 'no-store').json(list);
    },
  },
  {
    method: 'get',
    path: '/projects/{id}/trials',
    summary: 'How the trials of a project stand',
    request: { params: ofProject },
    responses: { 200: { description: 'The state.', ...json(TrialsState) } },
    handle: async (request, response) =>
      response.set('Cache-Control', 'no-store').json(await trials.state(param(request, 'id'))),
  },
  {
    method: 'post',
    path: '/projects/{id}/trials',
    summary: 'Pause, resume or cancel the trials of a project; attempts that were played are kept',
    request: { params: ofProject, body: json(TrialsChange) },
    responses: { ...found('The state.', TrialsState), 400: problem('Not understood.') },
    handle: async (request, response) => {
      const { do: change } = jsonBody(request, TrialsChange, 'The change');
      response.json(await trials.change(param(request, 'id'), change));
    },
  },
  {
    method: 'post',
    path: '/trials/books',
    summary: 'Records of attempts that playthroughs are drawn from, by the keys of their questions',
    request: { body: json(BooksRequest) },
    responses: {
      200: { description: 'As far as they are known.', ...json(Books) },
      400: problem('Not understood.'),
    },
    handle: async (request, response) => {
      const { keys } = jsonBody(request, BooksRequest, 'The keys');
      response.json(await trials.books(keys));
    },
  },
];
