import { setCells } from '@stadion/core/edits';
import { readParameterTable } from '@stadion/core/formats';
import { applyPatch } from '@stadion/core/patch';
import { projectFile, rowsOf } from '@stadion/files';
import type { Command } from 'commander';
import { Failure, readProject, textOf } from '../reading.ts';
import type { Output } from '../writing.ts';

export function addImport(program: Command, { data, say }: Output): void {
  program
    .command('import')
    .description('takes a table of values into a project: what differs becomes pins')
    .argument('<file>', 'a project file')
    .argument('<values>', 'a table as “export --to csv” makes it, or a part of it; - for what is piped in')
    .option('-o, --output <file>', 'write to a file')
    .addHelpText('after', '\nExample:\n  stadion import dusk.json values.csv -o dusk.json')
    .action(async (file: string, values: string, { output }: { output?: string }) => {
      const { document, project } = await readProject(file);
      const reading = readParameterTable(project, rowsOf(await textOf(values)));
      if (!reading.ok)
        throw new Failure(reading.problems.map(({ line, message }) => `${values}:${line}: ${message}`).join('\n'));
      for (const note of reading.notes) say(note);
      const cells = reading.changes.map(({ key, slotId, after }) => ({ key, slotId, value: after }));
      const changed = applyPatch(document, setCells(project, cells, 'a table').patch);
      say(`${reading.changes.length} values differ.`);
      data(projectFile(changed), output);
    });
}
