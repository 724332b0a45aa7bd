import { CreateHandOff, type ImportedProject } from '@stadion/core/exchange/contract';
import { FILES, SCHEMAS } from '@stadion/core/exchange/formats';
import type { ProjectDocument } from '@stadion/core/document/model';
import { fileName, jsonText, type Rates } from '@stadion/files';
import { Router, text, type Response } from 'express';
import { StadionError } from '../../http/errors.ts';
import { jsonBody, param, refuseBrokenText } from '../../http/parsing.ts';
import type { FileWork } from '../../jobs/files.ts';
import { documentFrom, type HandOffService } from './service.ts';

interface Projects {
  text(id: string): Promise<{ name: string; document: string }>;
  read(id: string): Promise<{ document: ProjectDocument }>;
  add(document: ProjectDocument): Promise<ImportedProject>;
}

/** A project of 1,000 levels is about 8 MB. */
const LARGEST_FILE = '24mb';

/** @param ratesOf what is known of the clear rates of a project that is read so */
export function handoffRoutes(
  projects: Projects,
  handOffs: HandOffService,
  files: Pick<FileWork, 'read' | 'make'>,
  ratesOf: (id: string, document: ProjectDocument) => Promise<Rates>,
): Router {
  const router = Router();

  router.get('/projects/:id/stored.json', async (request, response) => {
    const { name, document } = await projects.text(param(request, 'id'));
    response
      .attachment(fileName(`${name} stored`, 'json'))
      .type('text/plain')
      .send(document);
  });

  const send = async (
    response: Response,
    wanted: string,
    read: () => Promise<{ document: ProjectDocument }>,
    ratesOfIt: (document: ProjectDocument) => Promise<Rates> | undefined = () => undefined,
  ): Promise<void> => {
    const file = FILES.find(({ name }) => name === wanted);
    if (!file)
      throw new StadionError(
        'not-found',
        `There is no such file. There are ${FILES.map(({ name }) => name).join(', ')}.`,
      );
    const { document } = await read();
    const [stem, ending] = file.name.split('.') as [string, string];
    const rates = file.name.startsWith('sheets') ? await ratesOfIt(document) : undefined;
    const made = await files.make({ name: file.name, document, rates });
    // A page is looked at and printed; all else is kept.
    if (ending !== 'html')
      response.attachment(fileName(file.name === 'project.json' ? document.name : `${document.name} ${stem}`, ending));
    response.type(file.type).send(made);
  };

  router.get('/projects/:id/files/:file', (request, response) =>
    send(
      response,
      param(request, 'file'),
      () => projects.read(param(request, 'id')),
      (document) => ratesOf(param(request, 'id'), document),
    ),
  );
  router.get('/projects/:id/hand-offs/:handOffId/files/:file', (request, response) =>
    send(response, param(request, 'file'), () => handOffs.read(param(request, 'id'), param(request, 'handOffId'))),
  );
  // Where the two first files have stood from the beginning.
  router.get('/projects/:id/export.json', (request, response) =>
    send(response, 'project.json', () => projects.read(param(request, 'id'))),
  );
  router.get('/projects/:id/parameters.csv', (request, response) =>
    send(response, 'values.csv', () => projects.read(param(request, 'id'))),
  );

  router.get('/projects/:id/checks', async (request, response) => {
    response.set('Cache-Control', 'no-store').json(await handOffs.checks(param(request, 'id')));
  });

  router.get('/projects/:id/hand-offs', async (request, response) => {
    response.set('Cache-Control', 'no-store').json({ handOffs: await handOffs.list(param(request, 'id')) });
  });

  router.post('/projects/:id/hand-offs', async (request, response) => {
    const id = param(request, 'id');
    const created = await handOffs.create(id, jsonBody(request, CreateHandOff, 'The hand-off'));
    response.status(201).location(`/api/projects/${id}/hand-offs/${created.id}`).json(created);
  });

  router.get('/projects/:id/hand-offs/:handOffId', async (request, response) => {
    response.json(await handOffs.read(param(request, 'id'), param(request, 'handOffId')));
  });

  router.get('/schema/:file', (request, response) => {
    const schema = SCHEMAS[param(request, 'file')];
    if (!schema)
      throw new StadionError('not-found', `There is no such schema. There are ${Object.keys(SCHEMAS).join(', ')}.`);
    response
      .attachment(`stadion-${param(request, 'file').replace('.json', '.schema.json')}`)
      .type('application/schema+json')
      .send(jsonText(schema()));
  });

  router.post(
    '/projects/import',
    text({ type: ['text/plain', 'application/vnd.stadion+json'], limit: LARGEST_FILE, verify: refuseBrokenText }),
    async (request, response) => {
      if (typeof request.body !== 'string') throw new StadionError('wrong-type', 'Send the file as text/plain.');
      const created = await projects.add(documentFrom(await files.read(request.body)));
      response.status(201).location(`/api/projects/${created.id}`).json(created);
    },
  );

  return router;
}
