import { runCommand } from './program.ts';
import { EXIT } from './reading.ts';
import { output } from './writing.ts';

// A reader of the pipe may close it after the first lines.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(EXIT.fine);
  output.say(`The output cannot be written: ${error.message}`);
  process.exit(EXIT.unusable);
});

process.exitCode = await runCommand(process.argv.slice(2), output);
