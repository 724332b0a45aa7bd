import { Router } from 'express';
import { param } from '../../http/parsing.ts';
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
  return router;
}
