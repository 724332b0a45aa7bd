import { setCells } from '@stadion/core/authoring/edits';
import { readParameterTable } from '@stadion/core/exchange/formats';
import { applyPatch } from '@stadion/core/basics/patch';
import { rowsOf } from '@stadion/files';
import type { Command } from 'commander';
import { Failure, readProject, textOf } from '../reading.ts';
import { writeProject, type Output } from '../writing.ts';

export function addImport(program: Command, output: Output): void {
  program
    .command('import')
    .description('takes a table of values into a project: what differs becomes pins')
    .argument('<file>', 'a project file or folder')
    .argument('<values>', 'a table as “export --to csv” makes it, or a part of it; - for what is piped in')
    .option('-o, --output <file>', 'write to a file or an existing folder')
    .addHelpText('after', '\nExample:\n  stadion import dusk.json values.csv -o dusk.json')
    .action(async (file: string, values: string, options: { output?: string }) => {
      const { document, project } = await readProject(file);
      const reading = readParameterTable(project, rowsOf(await textOf(values)));
      if (!reading.ok)
        throw new Failure(reading.problems.map(({ line, message }) => `${values}:${line}: ${message}`).join('\n'));
      for (const note of reading.notes) output.say(note);
      const cells = reading.changes.map(({ key, slotId, after }) => ({ key, slotId, value: after }));
      const changed = applyPatch(document, setCells(project, cells, 'a table').patch);
      output.say(`${reading.changes.length} values differ.`);
      writeProject(output, changed, options.output);
    });
}
