import { OpenApiGeneratorV31, OpenAPIRegistry, type RouteConfig } from '@asteasolutions/zod-to-openapi';
import { FILES, SCHEMAS } from '@stadion/core/exchange/formats';
import * as contract from '@stadion/core/exchange/contract';
import { PROJECT_VERSION } from '@stadion/core/document/model';
import { z } from 'zod';

type Responses = RouteConfig['responses'];

const json = (schema: z.ZodType) => ({ content: { 'application/json': { schema } } });
const problem = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: contract.Problem } },
});
const id = z.object({ id: z.string().describe('Of the project.') });

const snapshotId = id.extend({ snapshotId: z.string() });
const handOffId = id.extend({ handOffId: z.string() });

const fileName = z.enum(FILES.map(({ name }) => name));
const fileResponses: Responses = {
  200: {
    description: 'The file.',
    content: Object.fromEntries(FILES.map(({ type }) => [type, { schema: z.string() }])),
  },
  404: problem('There is no such project, or no such file.'),
};

/** The document itself is described by its own schema, served beside; here it stands as an object. */
const OpenProject = contract.OpenProject.extend({
  document: z.looseObject({}).describe('See /api/schema/project.json.'),
}).meta({ id: 'OpenProject' });

const found = (description: string, schema: z.ZodType): Responses => ({
  200: { description, ...json(schema) },
  404: problem('There is no such project.'),
});

const ROUTES: RouteConfig[] = [
  {
    method: 'get',
    path: '/api/projects',
    summary: 'All projects',
    responses: { 200: { description: 'All projects.', ...json(contract.ProjectList) } },
  },
  {
    method: 'post',
    path: '/api/projects',
    summary: 'A new project: empty, from the demo, from another one, or started from three choices',
    request: { body: json(contract.CreateProject) },
    responses: { 201: { description: 'Made.', ...json(contract.ImportedProject) }, 400: problem('Not understood.') },
  },
  {
    method: 'post',
    path: '/api/projects/import',
    summary: 'A new project from a project file',
    request: { body: { content: { 'text/plain': { schema: z.string() } } } },
    responses: {
      201: { description: 'Imported.', ...json(contract.ImportedProject) },
      422: problem('The file is broken; says where.'),
    },
  },
  {
    method: 'get',
    path: '/api/projects/{id}',
    summary: 'The document at its revision (ETag)',
    request: { params: id },
    responses: found('The project.', OpenProject),
  },
  {
    method: 'patch',
    path: '/api/projects/{id}',
    summary: 'Make edits (JSON Patch) on a revision',
    request: {
      params: id,
      headers: z.object({ 'If-Match': z.string().describe('The revision.') }),
      body: json(contract.PatchRequest),
    },
    responses: {
      ...found('All edits are made.', contract.PatchResponse),
      409: problem('An edit was made before.'),
      412: problem('The project has moved on; `revision` says how far.'),
      422: problem('An edit does not fit, or the project would not be whole.'),
      428: problem('If-Match is missing.'),
    },
  },
  {
    method: 'put',
    path: '/api/projects/{id}/name',
    summary: 'Rename a project, as an edit',
    request: { params: id, body: json(contract.RenameProject) },
    responses: { 204: { description: 'Renamed.' }, 404: problem('There is no such project.') },
  },
  {
    method: 'delete',
    path: '/api/projects/{id}',
    summary: 'Put a project into the bin, for 30 days',
    request: { params: id },
    responses: { 204: { description: 'In the bin.' }, 404: problem('There is no such project.') },
  },
  {
    method: 'post',
    path: '/api/projects/{id}/restore',
    summary: 'Take a project out of the bin',
    request: { params: id },
    responses: { 204: { description: 'Back in the list.' }, 404: problem('There is no such project.') },
  },
  {
    method: 'get',
    path: '/api/projects/{id}/revisions',
    summary: 'The revisions after a given one',
    request: { params: id, query: z.object({ after: z.number().int().min(0).optional() }) },
    responses: found('The revisions, oldest first.', contract.RevisionList),
  },
  {
    method: 'get',
    path: '/api/projects/{id}/events',
    summary: 'Server-sent events: revision (RevisionEvent), forecasts (ForecastEvent[])',
    request: { params: id },
    responses: {
      200: { description: 'A stream.', content: { 'text/event-stream': { schema: z.string() } } },
      404: problem('There is no such project.'),
    },
  },
  {
    method: 'get',
    path: '/api/projects/{id}/forecasts/{pacer}',
    summary: 'The forecasts of all slots as far as known; the rest follows as events',
    request: { params: id.extend({ pacer: z.string() }) },
    responses: found('The forecasts.', contract.ForecastList),
  },
  {
    method: 'get',
    path: '/api/projects/{id}/trials',
    summary: 'How the trials of a project stand',
    request: { params: id },
    responses: { 200: { description: 'The state.', ...json(contract.TrialsState) } },
  },
  {
    method: 'post',
    path: '/api/projects/{id}/trials',
    summary: 'Pause, resume or cancel the trials of a project; attempts that were played are kept',
    request: { params: id, body: json(contract.TrialsChange) },
    responses: { ...found('The state.', contract.TrialsState), 400: problem('Not understood.') },
  },
  {
    method: 'post',
    path: '/api/trials/books',
    summary: 'What the books of a run need of attempts, by the keys of their questions',
    request: { body: json(contract.BooksRequest) },
    responses: {
      200: { description: 'As far as they are known.', ...json(contract.Books) },
      400: problem('Not understood.'),
    },
  },
  {
    method: 'get',
    path: '/api/projects/{id}/snapshots',
    summary: 'The snapshots of a project, oldest first',
    request: { params: id },
    responses: found('The snapshots.', contract.SnapshotList),
  },
  {
    method: 'post',
    path: '/api/projects/{id}/snapshots',
    summary: 'Keep the project as it is, or as it was at a revision, under a name',
    request: { params: id, body: json(contract.CreateSnapshot) },
    responses: {
      201: { description: 'Kept.', ...json(contract.SnapshotSummary) },
      400: problem('Not understood, or no such revision.'),
      404: problem('There is no such project.'),
    },
  },
  {
    method: 'get',
    path: '/api/projects/{id}/snapshots/{snapshotId}',
    summary: 'A snapshot with its document',
    request: { params: snapshotId },
    responses: found('The snapshot.', contract.SnapshotSummary),
  },
  {
    method: 'put',
    path: '/api/projects/{id}/snapshots/{snapshotId}/name',
    summary: 'Rename a snapshot',
    request: { params: snapshotId, body: json(contract.RenameSnapshot) },
    responses: { 204: { description: 'Renamed.' }, 404: problem('There is no such snapshot.') },
  },
  {
    method: 'delete',
    path: '/api/projects/{id}/snapshots/{snapshotId}',
    summary: 'Remove a snapshot; the project is not touched',
    request: { params: snapshotId },
    responses: { 204: { description: 'Removed.' }, 404: problem('There is no such snapshot.') },
  },
  {
    method: 'get',
    path: '/api/projects/{id}/snapshots/{snapshotId}/forecasts/{pacer}',
    summary: "The forecasts of a snapshot's slots as far as known; the rest follows as events",
    request: { params: snapshotId.extend({ pacer: z.string() }) },
    responses: found('The forecasts.', contract.ForecastList),
  },
  {
    method: 'get',
    path: '/api/projects/{id}/files/{file}',
    summary: `A file that the project is handed over in: ${FILES.map(({ name }) => name).join(', ')}`,
    request: { params: id.extend({ file: fileName }) },
    responses: fileResponses,
  },
  {
    method: 'get',
    path: '/api/projects/{id}/checks',
    summary: 'What stands against handing the project over as it is',
    request: { params: id },
    responses: found('The checks that fail.', contract.HandOffChecks),
  },
  {
    method: 'get',
    path: '/api/projects/{id}/hand-offs',
    summary: 'Hand-offs that are kept, the latest first',
    request: { params: id },
    responses: found('The hand-offs.', contract.HandOffList),
  },
  {
    method: 'post',
    path: '/api/projects/{id}/hand-offs',
    summary: 'Hand the project over as it is',
    request: { params: id, body: json(contract.CreateHandOff) },
    responses: {
      201: { description: 'Kept.', ...json(contract.HandOffSummary) },
      409: problem('Checks fail, and no reason is given.'),
    },
  },
  {
    method: 'get',
    path: '/api/projects/{id}/hand-offs/{handOffId}',
    summary: 'A hand-off with its document',
    request: { params: handOffId },
    responses: found('The hand-off.', contract.KeptHandOff),
  },
  {
    method: 'get',
    path: '/api/projects/{id}/hand-offs/{handOffId}/files/{file}',
    summary: 'A file of a hand-off, as it was handed over',
    request: { params: handOffId.extend({ file: fileName }) },
    responses: fileResponses,
  },
  {
    method: 'get',
    path: '/api/projects/{id}/live',
    summary: 'Server-sent events for a game: the hand-off, then JSON Merge Patches (RFC 7396) of it after each edit',
    request: { params: id, query: z.object({ game: z.string().optional(), slot: z.string().optional() }) },
    responses: {
      200: { description: 'Events “hand-off” and “patch”.', content: { 'text/event-stream': { schema: z.string() } } },
      404: problem('There is no such project.'),
    },
  },
  {
    method: 'post',
    path: '/api/projects/{id}/events',
    summary: 'What a game tells: one CloudEvent, or a batch',
    request: {
      params: id,
      body: {
        content: {
          'application/cloudevents+json': { schema: contract.GameEvent },
          'application/cloudevents-batch+json': { schema: z.array(contract.GameEvent) },
        },
      },
    },
    responses: {
      202: { description: 'On the disk, but for those that are refused.', ...json(contract.EventReceipt) },
      422: problem('None of it can be read.'),
    },
  },
  {
    method: 'get',
    path: '/api/projects/{id}/events.jsonl',
    summary: 'Every event of games, a line each, in the order of time',
    request: { params: id },
    responses: {
      200: { description: 'The events.', content: { 'application/jsonl': { schema: z.string() } } },
      404: problem('There is no such project.'),
    },
  },
  {
    method: 'get',
    path: '/api/projects/{id}/games',
    summary: 'Which games are connected, and what has come of them',
    request: { params: id },
    responses: found('The games.', contract.GameLink),
  },
  {
    method: 'get',
    path: '/api/projects/{id}/stored.json',
    summary: 'The text that is stored of a project, also of one that cannot be read',
    request: { params: id },
    responses: {
      200: { description: 'The text.', content: { 'text/plain': { schema: z.string() } } },
      404: problem('There is no such project.'),
    },
  },
  ...(['export.json', 'parameters.csv'] as const).map((file): RouteConfig => ({
    method: 'get',
    path: `/api/projects/{id}/${file}`,
    summary: 'The first address of a file that is now among `files`',
    deprecated: true,
    request: { params: id },
    responses: fileResponses,
  })),
  {
    method: 'get',
    path: '/api/health',
    summary: 'Whether the server answers',
    responses: { 200: { description: 'It does.', ...json(z.object({ ok: z.literal(true) })) } },
  },
  {
    method: 'get',
    path: '/api/openapi.json',
    summary: 'This description',
    responses: { 200: { description: 'OpenAPI 3.1.', ...json(z.looseObject({})) } },
  },
  {
    method: 'get',
    path: '/api/schema/{file}',
    summary: 'JSON Schema of a file',
    request: { params: z.object({ file: z.enum(Object.keys(SCHEMAS) as [string]) }) },
    responses: {
      200: { description: 'The schema.', content: { 'application/schema+json': { schema: z.looseObject({}) } } },
    },
  },
];

/** The description of this API, made from the same schemas that check every request. */
export function openApiDocument(): unknown {
  const registry = new OpenAPIRegistry();
  for (const route of ROUTES) registry.registerPath(route);
  for (const [name, schema] of Object.entries({
    ForecastEvent: contract.ForecastEvent,
    RevisionEvent: contract.RevisionEvent,
  })) {
    registry.registerComponent('schemas', name, z.toJSONSchema(schema, { io: 'input' }) as never);
  }
  return new OpenApiGeneratorV31(registry.definitions).generateDocument({
    openapi: '3.1.0',
    info: {
      title: 'Stadion',
      version: String(PROJECT_VERSION),
      description: 'Level rules, ramps, forecasts and hand-off of a project.',
    },
  });
}
