import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { freePort } from '../packages/server/src/testing/freePort.ts';

const ROOT = path.join(import.meta.dirname, '..');

/** The built application on a port and a database file of its own. */
export interface RunningServer {
  address: string;
  /** As if the power went: kill −9. */
  kill(): Promise<void>;
  /** Starts it again on the same port and file. */
  start(): Promise<void>;
  stop(): Promise<void>;
  /** Copies the database aside, and puts that copy back: only while the server does not run. */
  copyDatabase(): void;
  restoreDatabase(): void;
}

/** @param yields lets others have the cores first: its trials do not make what a user would see wait */
export async function runServer(yields = false): Promise<RunningServer> {
  const port = await freePort();
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stadion-'));
  const address = `http://127.0.0.1:${port}`;
  let child: ChildProcess | undefined;

  const ended = (process: ChildProcess): Promise<void> =>
    new Promise((resolve) =>
      process.exitCode !== null || process.signalCode !== null ? resolve() : process.once('exit', () => resolve()),
    );

  const start = (): Promise<void> =>
    new Promise((resolve, reject) => {
      const started = spawn('nice', ['-n', String(yields ? 10 : 0), process.execPath, 'packages/server/dist/main.js'], {
        cwd: ROOT,
        env: {
          ...process.env,
          PORT: String(port),
          STADION_DATABASE: path.join(folder, 'stadion.db'),
          LOG_LEVEL: 'error',
        },
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      child = started;
      started.once('exit', (code) => reject(new Error(`The server ended with ${code}.`)));
      started.stdout.on('data', (data: Buffer) => {
        if (String(data).includes('Stadion is at')) resolve();
      });
    });

  const FILES = ['stadion.db', 'stadion.db-wal', 'stadion.db-shm'];
  const copy = (from: string, to: string): void => {
    for (const name of FILES) {
      fs.rmSync(path.join(folder, `${name}${to}`), { force: true });
      if (fs.existsSync(path.join(folder, `${name}${from}`)))
        fs.copyFileSync(path.join(folder, `${name}${from}`), path.join(folder, `${name}${to}`));
    }
  };

  await start();
  return {
    address,
    start,
    kill: async () => {
      child?.kill('SIGKILL');
      if (child) await ended(child);
    },
    stop: async () => {
      child?.kill('SIGTERM');
      if (child) await ended(child);
      fs.rmSync(folder, { recursive: true, force: true });
    },
    copyDatabase: () => copy('', '.copy'),
    restoreDatabase: () => copy('.copy', ''),
  };
}
