import type { Command } from 'commander';
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { Failure } from '../reading.ts';

/** Where the application stands from here: in a clone of Stadion. */
const START = path.join(import.meta.dirname, '../../../scripts/start.mjs');

export function addServe(program: Command): void {
  program
    .command('serve')
    .description('starts the application; in a clone of Stadion')
    .option('--port <number>', 'where it listens', '3000')
    .addHelpText('after', '\nExample:\n  stadion serve --port 3100')
    .action(async ({ port }: { port: string }) => {
      if (!fs.existsSync(START))
        throw new Failure('The application is not part of this package: clone Stadion, and run npm start there.');
      const server = spawn(process.execPath, [START], { stdio: 'inherit', env: { ...process.env, PORT: port } });
      for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => server.kill(signal));
      const code = await new Promise<number>((done) => server.once('exit', (ended) => done(ended ?? 0)));
      if (code !== 0) throw new Failure('', code);
    });
}
