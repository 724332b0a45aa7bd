import { PROJECT_VERSION } from '@stadion/core/document/model';
import type { Command } from 'commander';
import { readProject } from '../reading.ts';
import { writeProject, type Output } from '../writing.ts';

export function addUpgrade(program: Command, output: Output): void {
  program
    .command('upgrade')
    .description('writes a project as this version of Stadion does')
    .argument('<file>', 'a project file or folder of this version or an earlier one; - for what is piped in')
    .option('-o, --output <file>', 'write to a file or an existing folder; it may be the same one')
    .addHelpText('after', '\nExample:\n  stadion upgrade dusk.json -o dusk.json')
    .action(async (file: string, options: { output?: string }) => {
      const { document, head } = await readProject(file);
      const was = (JSON.parse(head) as { version: number }).version;
      output.say(
        was === PROJECT_VERSION ? `It is of version ${was} already.` : `From version ${was} to ${PROJECT_VERSION}.`,
      );
      writeProject(output, document, options.output);
    });
}
