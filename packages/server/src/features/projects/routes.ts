import {
  CreateProject,
  historyTag,
  ImportedProject,
  OpenProject,
  PatchRequest,
  PatchResponse,
  ProjectList,
  RenameProject,
  RevisionList,
} from '@stadion/core/exchange/contract';
import { z } from 'zod';
import type { ProjectEvents } from '../../http/events.ts';
import { StadionError } from '../../http/errors.ts';
import { ifMatch, jsonBody, param } from '../../http/parsing.ts';
import { done, found, foundText, json, ofProject, problem, type Route } from '../../http/route.ts';
import type { ProjectService } from './service.ts';

/** The document itself is described by its own schema, served beside; here it stands as an object. */
const OpenProjectOutline = OpenProject.extend({
  document: z.looseObject({}).describe('See /api/schema/project.json.'),
}).meta({ id: 'OpenProject' });

export const projectRoutes = (projects: ProjectService, events: ProjectEvents): Route[] => [
  {
    method: 'get',
    path: '/projects',
    summary: 'All projects',
    responses: { 200: { description: 'All projects.', ...json(ProjectList) } },
    handle: async (_request, response) => response.json({ projects: await projects.list() }),
  },
  {
    method: 'post',
    path: '/projects',
    summary: 'A new project: empty, from the demo, from another one, or started from three choices',
    request: { body: json(CreateProject) },
    responses: { 201: { description: 'Made.', ...json(ImportedProject) }, 400: problem('Not understood.') },
    handle: async (request, response) => {
      const created = await projects.create(jsonBody(request, CreateProject, 'The new project'));
      response.status(201).location(`/api/projects/${created.id}`).json(created);
    },
  },
  {
    method: 'get',
    path: '/projects/{id}',
    summary: 'The document at its revision (ETag)',
    request: { params: ofProject },
    responses: found('The project.', OpenProjectOutline),
    handle: async (request, response) => {
      const project = await projects.open(param(request, 'id'));
      response
        .set('ETag', historyTag({ revision: project.revision, editId: project.recent.at(-1)?.edit.id }))
        .set('Cache-Control', 'no-store')
        .json(project);
    },
  },
  {
    method: 'patch',
    path: '/projects/{id}',
    summary: 'Make edits (JSON Patch) on a revision',
    request: {
      params: ofProject,
      headers: z.object({ 'If-Match': z.string().describe('The revision.') }),
      body: json(PatchRequest),
    },
    responses: {
      ...found('All edits are made.', PatchResponse),
      409: problem('An edit was made before.'),
      412: problem('The project has moved on; `revision` says how far.'),
      422: problem('An edit does not fit, or the project would not be whole.'),
      428: problem('If-Match is missing.'),
    },
    handle: async (request, response) => {
      const on = ifMatch(request);
      const { edits } = jsonBody(request, PatchRequest, 'The edits');
      const result = await projects.edit(param(request, 'id'), on, edits);
      response
        .set('ETag', historyTag({ revision: result.revision, editId: result.revisions.at(-1)?.edit.id }))
        .json(result);
    },
  },
  {
    method: 'put',
    path: '/projects/{id}/name',
    summary: 'Rename a project, as an edit',
    request: { params: ofProject, body: json(RenameProject) },
    responses: done('Renamed.'),
    handle: async (request, response) => {
      const { name } = jsonBody(request, RenameProject, 'The name');
      await projects.rename(param(request, 'id'), name);
      response.status(204).end();
    },
  },
  {
    method: 'delete',
    path: '/projects/{id}',
    summary: 'Put a project into the bin, for 30 days',
    request: { params: ofProject },
    responses: done('In the bin.'),
    handle: async (request, response) => {
      await projects.bin(param(request, 'id'));
      response.status(204).end();
    },
  },
  {
    method: 'post',
    path: '/projects/{id}/restore',
    summary: 'Take a project out of the bin',
    request: { params: ofProject },
    responses: done('Back in the list.'),
    handle: async (request, response) => {
      await projects.restore(param(request, 'id'));
      response.status(204).end();
    },
  },
  {
    method: 'get',
    path: '/projects/{id}/revisions',
    summary: 'The revisions after a given one',
    request: {
      params: ofProject,
      query: z.object({
        after: z.number().int().min(0).optional(),
        of: z.string().optional().describe('Id of the edit that made that revision: tells one history from another.'),
      }),
    },
    responses: found('The revisions, oldest first.', RevisionList),
    handle: async (request, response) => {
      const after = Number(request.query['after'] ?? 0);
      if (!Number.isSafeInteger(after) || after < 0)
        throw new StadionError('bad-request', '“after” must be a revision, 0 or more.');
      const of = request.query['of'];
      const place = { revision: after, editId: typeof of === 'string' ? of : undefined };
      response.set('Cache-Control', 'no-store').json(await projects.revisionsAfter(param(request, 'id'), place));
    },
  },
  {
    method: 'get',
    path: '/projects/{id}/events',
    summary: 'Server-sent events: revision (RevisionEvent), forecasts (ForecastEvent[])',
    request: { params: ofProject },
    responses: foundText('A stream.', 'text/event-stream'),
    handle: async (request, response) => {
      const { id } = await projects.read(param(request, 'id'));
      await events.connect(id, request, response);
    },
  },
];
