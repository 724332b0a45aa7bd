import { BooksRequest, TrialsChange } from '@stadion/core/exchange/contract';
import { Router } from 'express';
import { jsonBody, param } from '../../http/parsing.ts';
import type { TrialService } from './service.ts';

export function trialRoutes(trials: TrialService): Router {
  const router = Router();
  router.get('/projects/:id/forecasts/:pacer', async (request, response) => {
    const list = await trials.forecasts(param(request, 'id'), param(request, 'pacer'));
    response.set('Cache-Control', 'no-store').json(list);
  });
  router.get('/projects/:id/snapshots/:snapshotId/forecasts/:pacer', async (request, response) => {
    const named = (name: string): string => param(request, name);
    const list = await trials.snapshotForecasts(named('id'), named('snapshotId'), named('pacer'));
    response.set('Cache-Control', 'no-store').json(list);
  });
  router.get('/projects/:id/trials', async (request, response) => {
    response.set('Cache-Control', 'no-store').json(await trials.state(param(request, 'id')));
  });
  router.post('/projects/:id/trials', async (request, response) => {
    const { do: change } = jsonBody(request, TrialsChange, 'The change');
    response.json(await trials.change(param(request, 'id'), change));
  });
  router.post('/trials/books', async (request, response) => {
    const { keys } = jsonBody(request, BooksRequest, 'The keys');
    response.json(await trials.books(keys));
  });
  return router;
}
