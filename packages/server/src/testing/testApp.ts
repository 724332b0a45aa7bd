import { pino } from 'pino';
import { createApp, type App } from '../app.ts';
import { openStorage } from '../db/client.ts';
import { LOOPBACK_HOSTS, type Access } from '../http/security.ts';
import type { TrialQueue } from '../jobs/queue.ts';
import play from '../jobs/worker.ts';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

/** Plays in this very thread, one batch at a time. */
export const inlineQueue = (): TrialQueue & { played: number } => {
  const queue = {
    width: 1,
    played: 0,
    play: (task: Parameters<TrialQueue['play']>[0]) =>
      new Promise<ReturnType<typeof play>>((resolve) =>
        setImmediate(() => {
          queue.played++;
          resolve(play(task));
        }),
      ),
    close: () => Promise.resolve(),
  };
  return queue;
};

/** A server on a database of its own, without a port. */
export async function testApp(
  options: { access?: Access; file?: string; queue?: TrialQueue } = {},
): Promise<App & { file: string; end(): Promise<void> }> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stadion-server-'));
  const file = options.file ?? path.join(folder, 'stadion.db');
  let second = 0;
  const now = (): Date => new Date(Date.UTC(2030, 0, 1, 8, 0, second++));
  const storage = await openStorage(file, now);
  const app = createApp({
    storage,
    queue: options.queue ?? inlineQueue(),
    log: pino({ level: 'silent' }),
    now,
    access: options.access ?? { hosts: LOOPBACK_HOSTS },
  });
  return {
    ...app,
    file,
    end: async () => {
      await app.close();
      await storage.close();
      if (options.file === undefined) fs.rmSync(folder, { recursive: true, force: true });
    },
  };
}
