import { CreateSnapshot, RenameSnapshot } from '@stadion/core/exchange/contract';
import { Router } from 'express';
import { jsonBody, param } from '../../http/parsing.ts';
import type { SnapshotService } from './service.ts';

export function snapshotRoutes(snapshots: SnapshotService): Router {
  const router = Router();

  router.get('/projects/:id/snapshots', async (request, response) => {
    response.set('Cache-Control', 'no-store').json({ snapshots: await snapshots.list(param(request, 'id')) });
  });

  router.post('/projects/:id/snapshots', async (request, response) => {
    const id = param(request, 'id');
    const created = await snapshots.create(id, jsonBody(request, CreateSnapshot, 'The snapshot'));
    response.status(201).location(`/api/projects/${id}/snapshots/${created.id}`).json(created);
  });

  router.get('/projects/:id/snapshots/:snapshotId', async (request, response) => {
    response.json(await snapshots.read(param(request, 'id'), param(request, 'snapshotId')));
  });

  router.put('/projects/:id/snapshots/:snapshotId/name', async (request, response) => {
    const { name } = jsonBody(request, RenameSnapshot, 'The name');
    await snapshots.rename(param(request, 'id'), param(request, 'snapshotId'), name);
    response.status(204).end();
  });

  router.delete('/projects/:id/snapshots/:snapshotId', async (request, response) => {
    await snapshots.remove(param(request, 'id'), param(request, 'snapshotId'));
    response.status(204).end();
  });

  return router;
}
