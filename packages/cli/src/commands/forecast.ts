import { jsonText, tableText } from '@stadion/files';
import { SingleBar } from 'cli-progress';
import type { Command } from 'commander';
import { positionsFrom, PROJECT_ARGUMENT, readProject } from '../reading.ts';
import { pacerOf, tryLevel } from '../trying.ts';
import type { Output } from '../writing.ts';

interface Options {
  slots?: string;
  pacer: string;
  json?: true;
  csv?: true;
  output?: string;
}

const COLUMNS = ['position', 'slot', 'level', 'attempts', 'clearRate', 'low', 'high', 'medianSeconds'] as const;
const short = (value: number): number => Number(value.toPrecision(6));

export function addForecast(program: Command, { data }: Output): void {
  program
    .command('forecast')
    .description('plays levels by a pacer and tells how often they are cleared')
    .argument('<file>', PROJECT_ARGUMENT)
    .option('--slots <list>', 'positions, such as 3-9,12; all when absent')
    .option('--pacer <name>', 'who plays', 'Steady')
    .option('--json', 'as JSON')
    .option('--csv', 'as CSV')
    .option('-o, --output <file>', 'write to a file')
    .addHelpText(
      'after',
      '\nExamples:\n  stadion forecast dusk.json --slots 3-9\n  stadion forecast dusk.json --pacer Novice --csv -o rates.csv',
    )
    .action(async (file: string, options: Options) => {
      const { project } = await readProject(file);
      const pacer = pacerOf(project, options.pacer);
      const positions = positionsFrom(options.slots, project);
      const bar = new SingleBar({
        format: '{bar} {value}/{total} levels, {attempts} attempts',
        stream: process.stderr,
      });
      if (process.stderr.isTTY) bar.start(positions.length, 0, { attempts: 0 });
      let played = 0;
      const rows = positions.map((position, index) => {
        const forecast = tryLevel(project, position, pacer, (attempts) =>
          bar.update(index, { attempts: played + attempts }),
        );
        played += forecast.attempts;
        bar.update(index + 1, { attempts: played });
        const slot = project.slots[position - 1]!;
        return {
          position,
          slot: slot.id,
          level: project.levels[slot.levelId]?.name ?? '',
          attempts: forecast.attempts,
          clearRate: short(forecast.clearRate),
          low: short(forecast.interval.low),
          high: short(forecast.interval.high),
          medianSeconds: forecast.medianSeconds === null ? null : short(forecast.medianSeconds),
        };
      });
      bar.stop();
      const text = options.json
        ? jsonText({ pacer: pacer.name, levels: rows })
        : options.csv
          ? tableText(
              COLUMNS,
              rows.map((row) => COLUMNS.map((name) => row[name])),
            )
          : rows
              .map(
                ({ position, level, clearRate, low, high, attempts, medianSeconds }) =>
                  `${String(position).padStart(4)}  ${level.padEnd(28).slice(0, 28)} ${percent(clearRate)}  (${percent(low)} to ${percent(high)}, ${attempts} attempts${medianSeconds === null ? '' : `, ${medianSeconds.toFixed(1)} s`})\n`,
              )
              .join('');
      data(text, options.output);
    });
}

const percent = (share: number): string => `${(share * 100).toFixed(1).padStart(5)} %`;
