import { EventReceipt, GameEvent, GameLink } from '@stadion/core/exchange/contract';
import express from 'express';
import { pipeline } from 'node:stream/promises';
import { Readable } from 'node:stream';
import { z } from 'zod';
import { StadionError } from '../../http/errors.ts';
import { param, refuseOversize } from '../../http/parsing.ts';
import { found, foundText, json, ofProject, problem, type Route } from '../../http/route.ts';
import type { PlaytestService } from './service.ts';

interface Projects {
  read(id: string): Promise<{ document: { name: string } }>;
}

/** A batch of the most events, each as large as it may be. */
const LARGEST_BATCH = '4mb';
const TYPES = ['application/json', 'application/cloudevents+json', 'application/cloudevents-batch+json'];

/** Takes in the events that games report. */
export const eventRoutes = (projects: Projects, playtests: PlaytestService): Route[] => [
  {
    method: 'post',
    path: '/projects/{id}/events',
    summary: 'Events that a game reports: one CloudEvent, or a batch',
    request: {
      params: ofProject,
      body: {
        content: {
          'application/cloudevents+json': { schema: GameEvent },
          'application/cloudevents-batch+json': { schema: z.array(GameEvent) },
        },
      },
    },
    responses: {
      202: { description: 'On the disk, but for those that are refused.', ...json(EventReceipt) },
      422: problem('None of it can be read.'),
    },
    readBody: express.json({ type: TYPES, limit: LARGEST_BATCH, verify: refuseOversize }),
    handle: async (request, response) => {
      if (!request.is(TYPES))
        throw new StadionError('wrong-type', `Events must be sent as ${TYPES.slice(1).join(' or ')}.`);
      const id = param(request, 'id');
      await projects.read(id);
      response.status(202).json(await playtests.receive(id, request.body));
    },
  },
];

/** Gives out the events that games reported. @param connectedTo games that are connected to a project now */
export const playtestRoutes = (
  projects: Projects,
  playtests: PlaytestService,
  connectedTo: (projectId: string) => GameLink['connected'],
): Route[] => [
  {
    method: 'get',
    path: '/projects/{id}/games',
    summary: 'The games that are connected, and a summary of their events',
    request: { params: ofProject },
    responses: found('The games.', GameLink),
    handle: async (request, response) => {
      const id = param(request, 'id');
      await projects.read(id);
      const link: GameLink = { connected: connectedTo(id), ...(await playtests.summary(id)) };
      response.set('Cache-Control', 'no-store').json(link);
    },
  },
  {
    method: 'get',
    path: '/projects/{id}/events.jsonl',
    summary: 'Every event of games, a line each, in the order of time',
    request: { params: ofProject },
    responses: foundText('The events.', 'application/jsonl'),
    handle: async (request, response) => {
      const id = param(request, 'id');
      await projects.read(id);
      response.attachment('events.jsonl').type('application/jsonl');
      await pipeline(Readable.from(playtests.lines(id)), response);
    },
  },
];
