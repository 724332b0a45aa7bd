import { z } from 'zod';
import { param } from '../../http/parsing.ts';
import { foundText, ofProject, type Route } from '../../http/route.ts';
import type { LiveService } from './service.ts';

const LONGEST_NAME = 60;

export const liveRoutes = (live: LiveService): Route[] => [
  {
    method: 'get',
    path: '/projects/{id}/live',
    summary: 'Server-sent events for a game: the hand-off, then JSON Merge Patches (RFC 7396) of it after each edit',
    request: { params: ofProject, query: z.object({ game: z.string().optional(), slot: z.string().optional() }) },
    responses: foundText('Events “hand-off” and “patch”.', 'text/event-stream'),
    handle: async (request, response) => {
      const { game, slot } = request.query;
      const name = typeof game === 'string' && game.trim() !== '' ? game.trim().slice(0, LONGEST_NAME) : 'A game';
      await live.connect(param(request, 'id'), name, typeof slot === 'string' ? slot : undefined, request, response);
    },
  },
];
