import type { ImportedProject } from '@stadion/core/contract';
import { projectJsonSchema, SCHEMA_FILE_NAME } from '@stadion/core/formats';
import { projectOf, type ProjectDocument } from '@stadion/core/model';
import { Router, text } from 'express';
import { StadionError } from '../../http/errors.ts';
import { param, refuseBrokenText } from '../../http/parsing.ts';
import type { FileReading } from './readFile.ts';
import { documentFrom, fileName, parameterFile, projectFile } from './service.ts';

interface Projects {
  text(id: string): Promise<{ name: string; document: string }>;
  read(id: string): Promise<{ document: ProjectDocument }>;
  add(document: ProjectDocument): Promise<ImportedProject>;
}

/** A project of 1,000 levels is about 8 MB. */
const LARGEST_FILE = '24mb';

/** @param readFile reads a file elsewhere than in the thread that answers */
export function handoffRoutes(projects: Projects, readFile: (text: string) => Promise<FileReading>): Router {
  const router = Router();

  router.get('/projects/:id/export.json', async (request, response) => {
    const { document } = await projects.read(param(request, 'id'));
    response.attachment(fileName(document.name, 'json')).type('application/json').send(projectFile(document));
  });

  router.get('/projects/:id/stored.json', async (request, response) => {
    const { name, document } = await projects.text(param(request, 'id'));
    response
      .attachment(fileName(`${name} stored`, 'json'))
      .type('text/plain')
      .send(document);
  });

  router.get('/projects/:id/parameters.csv', async (request, response) => {
    const { document } = await projects.read(param(request, 'id'));
    response
      .attachment(fileName(`${document.name} parameters`, 'csv'))
      .type('text/csv')
      .send(parameterFile(projectOf(document)));
  });

  router.get('/schema/project.json', (_request, response) => {
    response
      .attachment(SCHEMA_FILE_NAME)
      .type('application/schema+json')
      .send(`${JSON.stringify(projectJsonSchema(), null, 2)}\n`);
  });

  router.post(
    '/projects/import',
    text({ type: ['text/plain', 'application/vnd.stadion+json'], limit: LARGEST_FILE, verify: refuseBrokenText }),
    async (request, response) => {
      if (typeof request.body !== 'string') throw new StadionError('wrong-type', 'Send the file as text/plain.');
      const created = await projects.add(documentFrom(await readFile(request.body)));
      response.status(201).location(`/api/projects/${created.id}`).json(created);
    },
  );

  return router;
}
