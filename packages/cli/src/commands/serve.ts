import type { Command } from 'commander';
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { Failure } from '../reading.ts';

/** Where the application stands from here: in a clone of Stadion, or in the package beside the commands. */
const IN_CLONE = path.join(import.meta.dirname, '../../../scripts/start.mjs');
const IN_PACKAGE = path.join(import.meta.dirname, '../serve/packages/server/dist/main.js');

interface Options {
  port: string;
  database?: string;
}

/** Further settings of the server: from the package it keeps its projects in the folder where it is started. */
export function settings({ port, database }: Options, inClone: boolean): NodeJS.ProcessEnv {
  const file = database ?? process.env['STADION_DATABASE'] ?? (inClone ? undefined : 'stadion.db');
  return {
    NODE_ENV: 'production',
    ...process.env,
    PORT: port,
    ...(file === undefined ? {} : { STADION_DATABASE: path.resolve(file) }),
  };
}

export function addServe(program: Command): void {
  program
    .command('serve')
    .description('starts the application')
    .option('--port <number>', 'where it listens', '3000')
    .option('--database <file>', 'where it keeps its projects; stadion.db in this folder, in a clone data/stadion.db')
    .addHelpText('after', '\nExample:\n  stadion serve --port 3100 --database gardens.db')
    .action(async (options: Options) => {
      const inClone = fs.existsSync(IN_CLONE);
      const start = inClone ? IN_CLONE : IN_PACKAGE;
      if (!fs.existsSync(start)) throw new Failure(`The application is not where it belongs: ${start}.`);
      const server = spawn(process.execPath, [start], { stdio: 'inherit', env: settings(options, inClone) });
      for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => server.kill(signal));
      const code = await new Promise<number>((done) => server.once('exit', (ended) => done(ended ?? 0)));
      if (code !== 0) throw new Failure('', code);
    });
}
