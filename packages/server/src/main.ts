import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { openStorage, Unopenable } from './db/client.ts';
import { storageTrouble } from './db/trouble.ts';
import { LOOPBACK_HOSTS, type Access } from './http/security.ts';
import { redisAddressRefused } from './jobs/redisAddress.ts';
import { fileThread } from './jobs/fileThread.ts';
import type { WorkQueue } from './jobs/queue.ts';
import { threadQueue } from './jobs/threads.ts';

const root = path.join(import.meta.dirname, '../../..');
const host = process.env['STADION_HOST'] ?? '127.0.0.1';
const port = Number(process.env['PORT'] ?? 3000);
const file = process.env['STADION_DATABASE'] ?? path.join(root, 'data/stadion.db');
const webFolder = path.join(root, 'packages/web/dist');

const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
const now = (): Date => new Date();

/** Anyone on the network may knock once the server listens beyond this machine: then a token is required. */
function access(): Access {
  const token = process.env['STADION_TOKEN'];
  if (token !== undefined && token.trim() === '') {
    process.stderr.write('STADION_TOKEN is empty: set it to a long word that nobody guesses, or do not set it.\n');
    process.exit(1);
  }
  const list = (text: string | undefined): string[] =>
    (text ?? '').split(',').flatMap((name) => (name.trim() === '' ? [] : [name.trim()]));
  const gameOrigins = list(process.env['STADION_GAME_ORIGINS']);
  if (host === '127.0.0.1' || host === '::1' || host === 'localhost') return { hosts: LOOPBACK_HOSTS, gameOrigins };
  const names = list(process.env['STADION_HOST_NAMES'] ?? host);
  const gameToken = process.env['STADION_GAME_TOKEN'];
  return {
    hosts: [...LOOPBACK_HOSTS, ...names],
    gameOrigins,
    token: token ?? randomBytes(18).toString('base64url'),
    ...(gameToken === undefined || gameToken.trim() === '' ? {} : { gameToken }),
  };
}

const allowed = access();
/** Says why the server cannot start, and ends it. */
function giveUp(error: unknown): never {
  const trouble = error instanceof Unopenable ? error : storageTrouble(error);
  if (!trouble) throw error;
  process.stderr.write(`Stadion cannot start: ${trouble.message}\nThe database is ${file}.\n`);
  process.exit(1);
}

const storage = await openStorage(file, now).catch(giveUp);
/** Where trials are played: on the threads of this machine, and, where one is named, by all who listen to a Redis. */
async function trials(): Promise<WorkQueue> {
  const url = process.env['STADION_REDIS'] ?? '';
  if (url === '') return threadQueue();
  const refused = redisAddressRefused(url);
  if (refused !== undefined) {
    process.stderr.write(`Stadion cannot start: ${refused}\n`);
    process.exit(1);
  }
  const { redisQueue, redisWorker } = await import('./jobs/redis.ts');
  return redisQueue(url, log, redisWorker(url, log));
}

const files = fileThread();
const app = createApp({
  storage,
  queue: await trials(),
  files,
  log,
  now,
  access: allowed,
  ...(fs.existsSync(path.join(webFolder, 'index.html')) ? { webFolder } : {}),
  gameFolders: [path.join(root, 'packages/sample-game'), path.join(root, 'packages/runtime/dist')],
});
async function makeReady(): Promise<void> {
  await app.projects.emptyBin();
  const { upgraded, unreadable } = await app.projects.bringUpToDate();
  if (upgraded.length > 0) log.info({ projects: upgraded }, 'brought up to the present version');
  for (const { id, why } of unreadable) log.error({ project: id, why }, 'a project cannot be read');
  if ((await app.projects.list()).length === 0) await app.projects.create({ from: 'demo' });
}
await makeReady().catch(giveUp);

const server = app.express.listen(port, host, (error?: Error) => {
  if (error) {
    process.stderr.write(
      `Stadion cannot listen on port ${port}: ${error.message}\nSet PORT to another one, for instance: PORT=3100 npm start\n`,
    );
    process.exit(1);
  }
  const address = server.address();
  const actual = typeof address === 'object' && address ? address.port : port;
  const query = allowed.token === undefined ? '' : `/?token=${allowed.token}`;
  process.stdout.write(`Stadion is at http://${host === '127.0.0.1' ? 'localhost' : host}:${actual}${query}\n`);
});

const stop = (): void => {
  server.close();
  server.closeAllConnections();
  void Promise.all([app.close(), files.close()])
    .then(() => storage.close())
    .then(() => process.exit(0));
};
process.once('SIGINT', stop);
process.once('SIGTERM', stop);
