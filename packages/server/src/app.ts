import express, { type Express } from 'express';
import fs from 'node:fs';
import path from 'node:path';
import type { Logger } from 'pino';
import type { Storage } from './db/client.ts';
import { handoffRoutes } from './features/handoff/routes.ts';
import { knownForecasts, knownRates } from './features/handoff/known.ts';
import { makeHandOffService } from './features/handoff/service.ts';
import { liveRoutes } from './features/live/routes.ts';
import { makeLiveService, type LiveService } from './features/live/service.ts';
import { eventRoutes, playtestRoutes } from './features/playtests/routes.ts';
import { makePlaytestService } from './features/playtests/service.ts';
import { projectRoutes } from './features/projects/routes.ts';
import { makeProjectService } from './features/projects/service.ts';
import { snapshotRoutes } from './features/snapshots/routes.ts';
import { makeSnapshotService } from './features/snapshots/service.ts';
import { trialRoutes } from './features/trials/routes.ts';
import { makeTrialService } from './features/trials/service.ts';
import { ProjectEvents } from './http/events.ts';
import { logRequests } from './http/logging.ts';
import { ownRoutes } from './http/ownRoutes.ts';
import { answerErrors, answerUnknown } from './http/respond.ts';
import { refuseOversize } from './http/parsing.ts';
import { routerOf } from './http/route.ts';
import { admitGames, checkOrigin, checkToken, compress, headers, limitRate, type Access } from './http/security.ts';
import type { FileWork } from './jobs/files.ts';
import type { WorkQueue } from './jobs/queue.ts';
import { Soon } from './jobs/soon.ts';

export interface AppDependencies {
  storage: Storage;
  queue: WorkQueue;
  files: FileWork;
  log: Logger;
  now: () => Date;
  access: Access;
  /** The built interface; without it only the API answers. */
  webFolder?: string;
  /** Folders of the sample game, its page first; without it there is none. */
  gameFolders?: readonly string[];
}

export interface App {
  express: Express;
  live: LiveService;
  projects: ReturnType<typeof makeProjectService>;
  close(): Promise<void>;
}

/** Many times what a person with several tabs makes; stops a loop gone wild. */
const REQUESTS_PER_MINUTE = 3000;
/** Games in many hands tell more. */
const EVENT_REQUESTS_PER_MINUTE = 300_000;
/** Shortest interval between reports about games to a page, ms. */
const TELL_OF_GAMES_MS = 500;

/** A batch of edits may carry several new levels of 10 kB each. */
const LARGEST_REQUEST = '8mb';

/** The whole server, without a port. */
export function createApp({
  storage,
  queue,
  files,
  log,
  now,
  access,
  webFolder,
  gameFolders = [],
}: AppDependencies): App {
  const events = new ProjectEvents((projectId) => trials.left(projectId));
  const projects = makeProjectService({
    storage,
    now,
    onRevisions: (projectId, revisions) => {
      events.tell(projectId, 'revision', { revisions });
      trials.changed(projectId);
      live.changed(projectId);
    },
  });
  const snapshots = makeSnapshotService({ storage, now, projects });
  const trials = makeTrialService({
    storage,
    queue,
    log,
    now,
    readProject: (id) => projects.read(id),
    readSnapshot: (projectId, snapshotId) => snapshots.read(projectId, snapshotId),
    tell: (projectId, entries) => events.tell(projectId, 'forecasts', entries),
    isHeard: (projectId) => events.isHeard(projectId),
    keepRates: (projectId, rates) => projects.keepRates(projectId, rates),
  });

  const tellOfGames = new Soon(
    async (projectId) => {
      if (!events.isHeard(projectId)) return;
      const summary = await playtests.summary(projectId);
      events.tell(projectId, 'games', { connected: live.connectedTo(projectId), ...summary });
    },
    TELL_OF_GAMES_MS,
    log,
  );
  const onGames = (projectId: string): void => tellOfGames.ask(projectId);
  const live = makeLiveService({ read: (id) => projects.read(id), now, log, onGames });
  const playtests = makePlaytestService({ storage, now, onEvents: onGames });

  const handOffs = makeHandOffService({
    storage,
    now,
    read: (id) => projects.read(id),
    files,
    forecastsFor: (id, document) => knownForecasts(id, document, trials.forecasts),
  });
  const reports = eventRoutes(projects, playtests);
  /** Routes about games: they read bodies of their own, or none. */
  const games = [...playtestRoutes(projects, playtests, (id) => live.connectedTo(id)), ...liveRoutes(live)];
  const rest = [
    ...handoffRoutes(projects, handOffs, files, (id, document) => knownRates(id, document, trials.forecasts)),
    ...projectRoutes(projects, events),
    ...snapshotRoutes(snapshots),
    ...trialRoutes(trials),
  ];
  const api = express.Router();
  api.post('/projects/:id/events', limitRate(EVENT_REQUESTS_PER_MINUTE));
  api.use(routerOf(reports));
  api.use(limitRate(REQUESTS_PER_MINUTE));
  api.use(routerOf(games));
  api.use(express.json({ limit: LARGEST_REQUEST, verify: refuseOversize }));
  api.use(routerOf([...ownRoutes([...reports, ...games, ...rest]), ...rest]));
  api.use(answerUnknown);

  const app = express();
  app.disable('x-powered-by');
  app.set('query parser', 'simple');
  app.use(logRequests(log));
  app.use(headers, admitGames(access), checkOrigin(access), checkToken(access), compress);
  app.use('/api', api);
  for (const folder of gameFolders) app.use('/sample', express.static(folder));
  if (webFolder !== undefined) serveInterface(app, webFolder);
  app.use(answerErrors(log));
  return {
    express: app,
    projects,
    live,
    close: async () => {
      tellOfGames.close();
      live.close();
      await trials.close();
      await projects.close();
    },
  };
}

function serveInterface(app: Express, folder: string): void {
  const page = path.join(folder, 'index.html');
  // Built files carry their hash in their name.
  app.use(
    '/assets',
    express.static(path.join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
  );
  app.use(express.static(folder, { index: false }));
  app.get('/{*path}', (_request, response) => {
    response.set('Cache-Control', 'no-cache').type('html').send(fs.readFileSync(page, 'utf8'));
  });
}
