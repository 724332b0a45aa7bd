import { pino, type Logger } from 'pino';
import { createApp, type App } from '../app.ts';
import { openStorage, type Storage } from '../db/client.ts';
import { LOOPBACK_HOSTS, type Access } from '../http/security.ts';
import type { BatchTask, WorkQueue } from '../jobs/queue.ts';
import { localBlobs } from '../jobs/players.ts';
import type { FileWork } from '../jobs/files.ts';
import * as fileWorker from '../jobs/fileWorker.ts';
import play from '../jobs/worker.ts';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

/** Plays in this very thread, one batch at a time. @param fails which batches do not come back */
export const inlineQueue = (
  fails: (task: BatchTask) => boolean = () => false,
): WorkQueue & { played: number; firsts: number[] } => {
  const blobs = localBlobs();
  const queue = {
    width: 1,
    played: 0,
    /** Numbers of the first attempts of the batches played. */
    firsts: [] as number[],
    blobs,
    put: (task: BatchTask) =>
      new Promise<ReturnType<typeof play>>((resolve, reject) =>
        setImmediate(() => {
          queue.played++;
          queue.firsts.push(task.first);
          const question = blobs.get(task.question);
          if (!question || fails(task)) reject(new Error('The batch was lost.'));
          else resolve(play({ name: task.question, question, first: task.first, count: task.count }));
        }),
      ),
    drop: () => undefined,
    close: () => Promise.resolve(),
  };
  return queue;
};

/** Works on files in this very thread. */
const inlineFiles: FileWork = {
  read: (text) => Promise.resolve(fileWorker.read(text)),
  make: ({ document, ...task }) => Promise.resolve(fileWorker.make({ ...task, document: JSON.stringify(document) })),
  failures: ({ document, ...task }) =>
    Promise.resolve(fileWorker.failures({ ...task, document: JSON.stringify(document) })),
};

/** A server on a database of its own, without a port. */
export async function testApp(
  options: { access?: Access; file?: string; queue?: WorkQueue; log?: Logger } = {},
): Promise<App & { file: string; storage: Storage; end(): Promise<void> }> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stadion-server-'));
  const file = options.file ?? path.join(folder, 'stadion.db');
  let second = 0;
  const now = (): Date => new Date(Date.UTC(2030, 0, 1, 8, 0, second++));
  const storage = await openStorage(file, now);
  const app = createApp({
    storage,
    queue: options.queue ?? inlineQueue(),
    files: inlineFiles,
    log: options.log ?? pino({ level: 'silent' }),
    now,
    access: options.access ?? { hosts: LOOPBACK_HOSTS },
  });
  return {
    ...app,
    file,
    storage,
    end: async () => {
      await app.close();
      await storage.close();
      if (options.file === undefined) fs.rmSync(folder, { recursive: true, force: true });
    },
  };
}
