import { Router } from 'express';
import { param } from '../../http/parsing.ts';
import type { LiveService } from './service.ts';

const LONGEST_NAME = 60;

export function liveRoutes(live: LiveService): Router {
  const router = Router();

  router.get('/projects/:id/live', async (request, response) => {
    const { game, slot } = request.query;
    const name = typeof game === 'string' && game.trim() !== '' ? game.trim().slice(0, LONGEST_NAME) : 'A game';
    await live.connect(param(request, 'id'), name, typeof slot === 'string' ? slot : undefined, request, response);
  });

  return router;
}
