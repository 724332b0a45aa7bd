import { FILES, type FileName } from '@stadion/core/formats';
import { makeFile } from '@stadion/files';
import { Option, type Command } from 'commander';
import { readProject } from '../reading.ts';
import type { Output } from '../writing.ts';

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
    .argument('<file>', 'a project file, or - for what is piped in')
    .addOption(
      new Option('--to <what>', 'which file')
        .choices([...Object.keys(SHORT), ...FILES.map(({ name }) => name)])
        .default('hand-off'),
    )
    .option('-o, --output <file>', 'write to a file')
    .addHelpText(
      'after',
      '\nExamples:\n  stadion export dusk.json -o hand-off.json\n  stadion export dusk.json --to csv | head -3',
    )
    .action(async (file: string, { to, output }: { to: string; output?: string }) => {
      const { document } = await readProject(file);
      data(makeFile(SHORT[to] ?? (to as FileName), document), output);
    });
}
