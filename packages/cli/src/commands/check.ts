import { checksOf, junitFile } from '@stadion/files';
import type { KnownForecast } from '@stadion/core/authoring/findings';
import type { Command } from 'commander';
import { EXIT, Failure, PROJECT_ARGUMENT, readProject } from '../reading.ts';
import { pacerOf, tryLevel } from '../trying.ts';
import type { Output } from '../writing.ts';

interface Options {
  junit?: string;
  forecast?: true;
}

export function addCheck(program: Command, { data, say }: Output): void {
  program
    .command('check')
    .description('tells findings and expectations; fails where a finding stops play or an expectation is not met')
    .argument('<file>', PROJECT_ARGUMENT)
    .option('--junit <file>', 'write the checks as JUnit XML, too')
    .option('--forecast', 'try the clear rates that are expected, which takes a while')
    .addHelpText(
      'after',
      '\nExamples:\n  stadion check dusk.json\n  stadion check dusk.json --forecast --junit checks.xml',
    )
    .action(async (file: string, options: Options) => {
      const { project } = await readProject(file);
      const tried = new Map<string, KnownForecast>();
      if (options.forecast)
        for (const expectation of project.expectations) {
          if (expectation.is !== 'clearRate') continue;
          const position = project.slots.findIndex(({ id }) => id === expectation.slotId) + 1;
          say(`Trying level ${position} …`);
          tried.set(expectation.id, tryLevel(project, position, pacerOf(project, expectation.pacer)));
        }
      const checks = checksOf(project, tried);
      const told = checks.filter(({ said }) => said !== '');
      data(
        told
          .map(({ group, name, fails, said }) => `${fails ? 'FAIL' : 'note'}  ${group}: ${said} [${name}]\n`)
          .join(''),
      );
      if (options.junit !== undefined) data(junitFile(project, checks), options.junit);
      const failed = checks.filter(({ fails }) => fails).length;
      say(`${checks.length} checks, ${failed} failed.`);
      if (failed > 0) throw new Failure('', EXIT.failed);
    });
}
