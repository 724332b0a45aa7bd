import type { GameLink } from '@stadion/core/exchange/contract';
import express, { Router } from 'express';
import { pipeline } from 'node:stream/promises';
import { Readable } from 'node:stream';
import { StadionError } from '../../http/errors.ts';
import { param, refuseOversize } from '../../http/parsing.ts';
import type { PlaytestService } from './service.ts';

interface Projects {
  read(id: string): Promise<{ document: { name: string } }>;
}

/** A batch of the most events, each as large as it may be. */
const LARGEST_BATCH = '4mb';
const TYPES = ['application/json', 'application/cloudevents+json', 'application/cloudevents-batch+json'];

/** Takes in what games tell. */
export function eventRoutes(projects: Projects, playtests: PlaytestService): Router {
  const router = Router();

  router.post(
    '/projects/:id/events',
    express.json({ type: TYPES, limit: LARGEST_BATCH, verify: refuseOversize }),
    async (request, response) => {
      if (!request.is(TYPES))
        throw new StadionError('wrong-type', `Events must be sent as ${TYPES.slice(1).join(' or ')}.`);
      const id = param(request, 'id');
      await projects.read(id);
      response.status(202).json(await playtests.receive(id, request.body));
    },
  );

  return router;
}

/** Gives out what games told. @param connectedTo games that are connected to a project now */
export function playtestRoutes(
  projects: Projects,
  playtests: PlaytestService,
  connectedTo: (projectId: string) => GameLink['connected'],
): Router {
  const router = Router();

  router.get('/projects/:id/games', async (request, response) => {
    const id = param(request, 'id');
    await projects.read(id);
    const link: GameLink = { connected: connectedTo(id), ...(await playtests.summary(id)) };
    response.set('Cache-Control', 'no-store').json(link);
  });

  router.get('/projects/:id/events.jsonl', async (request, response) => {
    const id = param(request, 'id');
    await projects.read(id);
    response.attachment('events.jsonl').type('application/jsonl');
    await pipeline(Readable.from(playtests.lines(id)), response);
  });

  return router;
}
