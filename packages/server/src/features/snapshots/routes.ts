import { CreateSnapshot, RenameSnapshot, SnapshotList, SnapshotSummary } from '@stadion/core/exchange/contract';
import { z } from 'zod';
import { jsonBody, param } from '../../http/parsing.ts';
import { done, found, json, ofProject, problem, type Route } from '../../http/route.ts';
import type { SnapshotService } from './service.ts';

const ofSnapshot = ofProject.extend({ snapshotId: z.string() });

export const snapshotRoutes = (snapshots: SnapshotService): Route[] => [
  {
    method: 'get',
    path: '/projects/{id}/snapshots',
    summary: 'The snapshots of a project, oldest first',
    request: { params: ofProject },
    responses: found('The snapshots.', SnapshotList),
    handle: async (request, response) =>
      response.set('Cache-Control', 'no-store').json({ snapshots: await snapshots.list(param(request, 'id')) }),
  },
  {
    method: 'post',
    path: '/projects/{id}/snapshots',
    summary: 'Keep the project as it is, or as it was at a revision, under a name',
    request: { params: ofProject, body: json(CreateSnapshot) },
    responses: {
      201: { description: 'Kept.', ...json(SnapshotSummary) },
      400: problem('Not understood, or no such revision.'),
      404: problem('There is no such project.'),
    },
    handle: async (request, response) => {
      const id = param(request, 'id');
      const created = await snapshots.create(id, jsonBody(request, CreateSnapshot, 'The snapshot'));
      response.status(201).location(`/api/projects/${id}/snapshots/${created.id}`).json(created);
    },
  },
  {
    method: 'get',
    path: '/projects/{id}/snapshots/{snapshotId}',
    summary: 'A snapshot with its document',
    request: { params: ofSnapshot },
    responses: found('The snapshot.', SnapshotSummary),
    handle: async (request, response) =>
      response.json(await snapshots.read(param(request, 'id'), param(request, 'snapshotId'))),
  },
  {
    method: 'put',
    path: '/projects/{id}/snapshots/{snapshotId}/name',
    summary: 'Rename a snapshot',
    request: { params: ofSnapshot, body: json(RenameSnapshot) },
    responses: done('Renamed.', 'snapshot'),
    handle: async (request, response) => {
      const { name } = jsonBody(request, RenameSnapshot, 'The name');
      await snapshots.rename(param(request, 'id'), param(request, 'snapshotId'), name);
      response.status(204).end();
    },
  },
  {
    method: 'delete',
    path: '/projects/{id}/snapshots/{snapshotId}',
    summary: 'Remove a snapshot; the project is not touched',
    request: { params: ofSnapshot },
    responses: done('Removed.', 'snapshot'),
    handle: async (request, response) => {
      await snapshots.remove(param(request, 'id'), param(request, 'snapshotId'));
      response.status(204).end();
    },
  },
];
