import {
  CreateHandOff,
  HandOffChecks,
  HandOffList,
  HandOffSummary,
  ImportedProject,
  KeptHandOff,
} from '@stadion/core/exchange/contract';
import { FILES, SCHEMAS } from '@stadion/core/exchange/formats';
import type { ProjectDocument } from '@stadion/core/document/model';
import { fileName, jsonText, type Rates } from '@stadion/files';
import { text, type Response } from 'express';
import { z } from 'zod';
import { StadionError } from '../../http/errors.ts';
import { jsonBody, param, refuseBrokenText } from '../../http/parsing.ts';
import { found, foundText, json, ofProject, problem, textOf, type Responses, type Route } from '../../http/route.ts';
import type { FileWork } from '../../jobs/files.ts';
import { documentFrom, type HandOffService } from './service.ts';

interface Projects {
  text(id: string): Promise<{ name: string; document: string }>;
  read(id: string): Promise<{ document: ProjectDocument }>;
  add(document: ProjectDocument): Promise<ImportedProject>;
}

/** A project of 1,000 levels is about 8 MB. */
const LARGEST_FILE = '24mb';

const NAMES = FILES.map(({ name }) => name);
const ofHandOff = ofProject.extend({ handOffId: z.string() });
const file = z.enum(NAMES);
const fileResponses: Responses = {
  200: {
    description: 'The file.',
    content: Object.fromEntries(FILES.map(({ type }) => [type, { schema: z.string() }])),
  },
  404: problem('There is no such project, or no such file.'),
};

/** @param ratesOf known clear rates of a project, for the files that show them */
export function handoffRoutes(
  projects: Projects,
  handOffs: HandOffService,
  files: Pick<FileWork, 'read' | 'make'>,
  ratesOf: (id: string, document: ProjectDocument) => Promise<Rates>,
): Route[] {
  const send = async (
    response: Response,
    wanted: string,
    read: () => Promise<{ document: ProjectDocument }>,
    ratesOfIt: (document: ProjectDocument) => Promise<Rates> | undefined = () => undefined,
  ): Promise<void> => {
    const file = FILES.find(({ name }) => name === wanted);
    if (!file) throw new StadionError('not-found', `There is no such file. There are ${NAMES.join(', ')}.`);
    const { document } = await read();
    const [stem, ending] = file.name.split('.') as [string, string];
    const rates = file.name.startsWith('sheets') ? await ratesOfIt(document) : undefined;
    const made = await files.make({ name: file.name, document, rates });
    // A page is looked at and printed; all else is kept.
    if (ending !== 'html')
      response.attachment(fileName(file.name === 'project.json' ? document.name : `${document.name} ${stem}`, ending));
    response.type(file.type).send(made);
  };

  /** An address that a file had before all files stood together. */
  const firstAddress = (name: string, wanted: string): Route => ({
    method: 'get',
    path: `/projects/{id}/${name}`,
    summary: 'The first address of a file that is now among `files`',
    deprecated: true,
    request: { params: ofProject },
    responses: fileResponses,
    handle: (request, response) => send(response, wanted, () => projects.read(param(request, 'id'))),
  });

  return [
    {
      method: 'get',
      path: '/projects/{id}/stored.json',
      summary: 'The text that is stored of a project, also of one that cannot be read',
      request: { params: ofProject },
      responses: foundText('The text.', 'text/plain'),
      handle: async (request, response) => {
        const { name, document } = await projects.text(param(request, 'id'));
        response
          .attachment(fileName(`${name} stored`, 'json'))
          .type('text/plain')
          .send(document);
      },
    },
    {
      method: 'get',
      path: '/projects/{id}/files/{file}',
      summary: `A file that the project is handed over in: ${NAMES.join(', ')}`,
      request: { params: ofProject.extend({ file }) },
      responses: fileResponses,
      handle: (request, response) =>
        send(
          response,
          param(request, 'file'),
          () => projects.read(param(request, 'id')),
          (document) => ratesOf(param(request, 'id'), document),
        ),
    },
    {
      method: 'get',
      path: '/projects/{id}/hand-offs/{handOffId}/files/{file}',
      summary: 'A file of a hand-off, as it was handed over',
      request: { params: ofHandOff.extend({ file }) },
      responses: fileResponses,
      handle: (request, response) =>
        send(response, param(request, 'file'), () => handOffs.read(param(request, 'id'), param(request, 'handOffId'))),
    },
    firstAddress('export.json', 'project.json'),
    firstAddress('parameters.csv', 'values.csv'),
    {
      method: 'get',
      path: '/projects/{id}/checks',
      summary: 'Reasons against handing the project over as it is',
      request: { params: ofProject },
      responses: found('The checks that fail.', HandOffChecks),
      handle: async (request, response) =>
        response.set('Cache-Control', 'no-store').json(await handOffs.checks(param(request, 'id'))),
    },
    {
      method: 'get',
      path: '/projects/{id}/hand-offs',
      summary: 'Hand-offs that are kept, the latest first',
      request: { params: ofProject },
      responses: found('The hand-offs.', HandOffList),
      handle: async (request, response) =>
        response.set('Cache-Control', 'no-store').json({ handOffs: await handOffs.list(param(request, 'id')) }),
    },
    {
      method: 'post',
      path: '/projects/{id}/hand-offs',
      summary: 'Hand the project over as it is',
      request: { params: ofProject, body: json(CreateHandOff) },
      responses: {
        201: { description: 'Kept.', ...json(HandOffSummary) },
        404: problem('There is no such project.'),
        409: problem('Checks fail, and no reason is given.'),
      },
      handle: async (request, response) => {
        const id = param(request, 'id');
        const created = await handOffs.create(id, jsonBody(request, CreateHandOff, 'The hand-off'));
        response.status(201).location(`/api/projects/${id}/hand-offs/${created.id}`).json(created);
      },
    },
    {
      method: 'get',
      path: '/projects/{id}/hand-offs/{handOffId}',
      summary: 'A hand-off with its document',
      request: { params: ofHandOff },
      responses: found('The hand-off.', KeptHandOff),
      handle: async (request, response) =>
        response.json(await handOffs.read(param(request, 'id'), param(request, 'handOffId'))),
    },
    {
      method: 'get',
      path: '/schema/{file}',
      summary: 'JSON Schema of a file',
      request: { params: z.object({ file: z.enum(Object.keys(SCHEMAS) as [string]) }) },
      responses: {
        200: { description: 'The schema.', content: { 'application/schema+json': { schema: z.looseObject({}) } } },
        404: problem('There is no such schema.'),
      },
      handle: (request, response) => {
        const schema = SCHEMAS[param(request, 'file')];
        if (!schema)
          throw new StadionError('not-found', `There is no such schema. There are ${Object.keys(SCHEMAS).join(', ')}.`);
        response
          .attachment(`stadion-${param(request, 'file').replace('.json', '.schema.json')}`)
          .type('application/schema+json')
          .send(jsonText(schema()));
      },
    },
    {
      method: 'post',
      path: '/projects/import',
      summary: 'A new project from a project file',
      request: { body: textOf('text/plain') },
      responses: {
        201: { description: 'Imported.', ...json(ImportedProject) },
        422: problem('The file is broken; says where.'),
      },
      readBody: text({
        type: ['text/plain', 'application/vnd.stadion+json'],
        limit: LARGEST_FILE,
        verify: refuseBrokenText,
      }),
      handle: async (request, response) => {
        if (typeof request.body !== 'string') throw new StadionError('wrong-type', 'Send the file as text/plain.');
        const created = await projects.add(documentFrom(await files.read(request.body)));
        response.status(201).location(`/api/projects/${created.id}`).json(created);
      },
    },
  ];
}
