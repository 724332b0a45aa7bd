import { runCommand } from './program.ts';
import { output } from './writing.ts';

// Who reads only the first lines of what is piped on has had enough.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit(0);
  throw error;
});

process.exitCode = await runCommand(process.argv.slice(2), output);
