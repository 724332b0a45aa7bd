import { PROJECT_VERSION } from '@stadion/core/model';
import { projectFile } from '@stadion/files';
import type { Command } from 'commander';
import { projectFrom, textOf } from '../reading.ts';
import type { Output } from '../writing.ts';

export function addUpgrade(program: Command, { data, say }: Output): void {
  program
    .command('upgrade')
    .description('writes a project file as this version of Stadion does')
    .argument('<file>', 'a project file of this version or an earlier one; - for what is piped in')
    .option('-o, --output <file>', 'write to a file; it may be the same one')
    .addHelpText('after', '\nExample:\n  stadion upgrade dusk.json -o dusk.json')
    .action(async (file: string, { output }: { output?: string }) => {
      const text = await textOf(file);
      const { document } = projectFrom(text, file === '-' ? 'stdin' : file);
      const was = (JSON.parse(text) as { version: number }).version;
      say(was === PROJECT_VERSION ? `It is of version ${was} already.` : `From version ${was} to ${PROJECT_VERSION}.`);
      data(projectFile(document), output);
    });
}
