import { changesBetween } from '@stadion/core/authoring/changes';
import { jsonText } from '@stadion/files';
import type { Command } from 'commander';
import { emptyProject } from '@stadion/core/document/model';
import { EXIT, Failure, readProject } from '../reading.ts';
import type { Output } from '../writing.ts';

interface Options {
  json?: true;
  exitCode?: true;
}

/** Arguments by which git calls a diff driver: path, old file, its hash and mode, new file, its hash and mode. */
const GIT_ARGUMENTS = 7;

export function addDiff(program: Command, { data }: Output): void {
  program
    .command('diff')
    .description('tells in words how one project differs from another; also a diff driver for git')
    .argument('<files...>', 'the earlier project file and the later one')
    .option('--json', 'as JSON')
    .option('--exit-code', 'end with 1 where they differ')
    .addHelpText(
      'after',
      `
Examples:
  stadion diff before.json after.json
In a repository, so that “git diff” speaks in words:
  echo '*.stadion.json diff=stadion' >> .gitattributes
  git config diff.stadion.command 'stadion diff'`,
    )
    .action(async (files: string[], { json, exitCode }: Options) => {
      const isGit = files.length === GIT_ARGUMENTS;
      const [before, after] = isGit ? [files[1], files[4]] : files;
      if (before === undefined || after === undefined || (!isGit && files.length !== 2))
        throw new Failure('Name two project files: the earlier one and the later one.');
      const read = async (file: string) =>
        // A new or removed file is compared with nothing.
        file === '/dev/null' ? emptyProject('') : (await readProject(file)).project;
      const changes = changesBetween(await read(before), await read(after));
      if (json)
        data(jsonText(changes.map(({ about, title, words, positions }) => ({ about, title, words, positions }))));
      else {
        if (isGit) data(`stadion diff ${files[0] ?? ''}\n`);
        data(changes.map(({ title, words }) => `${title}: ${words.join(', ')}\n`).join(''));
      }
      if (exitCode && changes.length > 0) throw new Failure('', EXIT.failed);
    });
}
