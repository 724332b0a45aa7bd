import { Command } from 'commander';
import { addCheck } from './commands/check.ts';
import { addDiff } from './commands/diff.ts';
import { addExport } from './commands/export.ts';
import { addForecast } from './commands/forecast.ts';
import { addImport } from './commands/import.ts';
import { addServe } from './commands/serve.ts';
import { addUpgrade } from './commands/upgrade.ts';
import { EXIT, Failure } from './reading.ts';
import type { Output } from './writing.ts';

/** Runs a command line. @param words without “node stadion” @returns the code to end with: 0 fine, 1 a check failed, 2 nothing could be done */
export async function runCommand(words: readonly string[], output: Output): Promise<number> {
  const program = new Command('stadion')
    .description('What Stadion does without its application: checks, forecasts and files of a project.')
    .version('0.1.0')
    .addHelpText('after', '\nEnds with 0 when all is well, 1 when a check fails, 2 when nothing could be done.')
    .exitOverride()
    .configureOutput({ writeOut: (text) => output.data(text), writeErr: (text) => output.say(text.trimEnd()) });
  for (const add of [addCheck, addForecast, addExport, addImport, addDiff, addUpgrade]) add(program, output);
  addServe(program);
  try {
    await program.parseAsync([...words], { from: 'user' });
    return EXIT.fine;
  } catch (error) {
    if (error instanceof Failure) {
      if (error.message !== '') output.say(error.message);
      return error.code;
    }
    // Help and version end a command, too.
    const { exitCode, code } = error as { exitCode?: number; code?: string };
    if (code?.startsWith('commander.')) return exitCode === 0 ? EXIT.fine : EXIT.unusable;
    throw error;
  }
}
