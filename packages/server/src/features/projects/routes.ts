import { CreateProject, historyTag, PatchRequest, RenameProject } from '@stadion/core/exchange/contract';
import { Router } from 'express';
import type { ProjectEvents } from '../../http/events.ts';
import { StadionError } from '../../http/errors.ts';
import { ifMatch, jsonBody, param } from '../../http/parsing.ts';
import type { ProjectService } from './service.ts';

export function projectRoutes(projects: ProjectService, events: ProjectEvents): Router {
  const router = Router();

  router.get('/projects', async (_request, response) => {
    response.json({ projects: await projects.list() });
  });

  router.post('/projects', async (request, response) => {
    const created = await projects.create(jsonBody(request, CreateProject, 'The new project'));
    response.status(201).location(`/api/projects/${created.id}`).json(created);
  });

  router.get('/projects/:id', async (request, response) => {
    const project = await projects.open(param(request, 'id'));
    response
      .set('ETag', historyTag({ revision: project.revision, editId: project.recent.at(-1)?.edit.id }))
      .set('Cache-Control', 'no-store')
      .json(project);
  });

  router.patch('/projects/:id', async (request, response) => {
    const on = ifMatch(request);
    const { edits } = jsonBody(request, PatchRequest, 'The edits');
    const result = await projects.edit(param(request, 'id'), on, edits);
    response
      .set('ETag', historyTag({ revision: result.revision, editId: result.revisions.at(-1)?.edit.id }))
      .json(result);
  });

  router.put('/projects/:id/name', async (request, response) => {
    const { name } = jsonBody(request, RenameProject, 'The name');
    await projects.rename(param(request, 'id'), name);
    response.status(204).end();
  });

  router.delete('/projects/:id', async (request, response) => {
    await projects.bin(param(request, 'id'));
    response.status(204).end();
  });

  router.post('/projects/:id/restore', async (request, response) => {
    await projects.restore(param(request, 'id'));
    response.status(204).end();
  });

  router.get('/projects/:id/revisions', async (request, response) => {
    const after = Number(request.query['after'] ?? 0);
    if (!Number.isSafeInteger(after) || after < 0)
      throw new StadionError('bad-request', '“after” must be a revision, 0 or more.');
    const of = request.query['of'];
    const place = { revision: after, editId: typeof of === 'string' ? of : undefined };
    response.set('Cache-Control', 'no-store').json(await projects.revisionsAfter(param(request, 'id'), place));
  });

  router.get('/projects/:id/events', async (request, response) => {
    const { id } = await projects.read(param(request, 'id'));
    await events.connect(id, request, response);
  });

  return router;
}
