import { FILES, type FileName } from '@stadion/core/exchange/formats';
import { makeFile, projectFolder } from '@stadion/files';
import { Option, type Command } from 'commander';
import { Failure, PROJECT_ARGUMENT, readProject } from '../reading.ts';
import { writeFolder, type Output } from '../writing.ts';

/** Short words for files; each may be named by itself as well. */
const SHORT: Readonly<Record<string, FileName>> = {
  'hand-off': 'hand-off.json',
  project: 'project.json',
  csv: 'values.csv',
  tsv: 'values.tsv',
  strings: 'strings.json',
  po: 'strings.po',
  junit: 'checks.xml',
  sheets: 'sheets.html',
  markdown: 'sheets.md',
};

export function addExport(program: Command, { data }: Output): void {
  program
    .command('export')
    .description('makes one of the files that a project is handed over in')
    .argument('<file>', PROJECT_ARGUMENT)
    .addOption(
      new Option('--to <what>', 'which file')
        .choices([...Object.keys(SHORT), 'folder', ...FILES.map(({ name }) => name)])
        .default('hand-off'),
    )
    .option('-o, --output <file>', 'write to a file')
    .addHelpText(
      'after',
      '\nExamples:\n  stadion export dusk.json -o hand-off.json\n  stadion export dusk.json --to csv | head -3\n  stadion export dusk.json --to folder -o dusk',
    )
    .action(async (file: string, { to, output }: { to: string; output?: string }) => {
      const { document } = await readProject(file);
      if (to === 'folder') {
        if (output === undefined) throw new Failure('Name the folder: -o FOLDER.');
        return writeFolder(output, projectFolder(document));
      }
      data(makeFile(SHORT[to] ?? (to as FileName), document), output);
    });
}
