import type { Sheets } from './sheet.ts';

/** Text that stands on one line and means no more than its characters. */
const plain = (text: string): string =>
  text.replaceAll(/\s*[\r\n]+\s*/g, ' ').replaceAll(/[\\`*_[\]<>|#]/g, (character) => `\\${character}`);
const list = (items: readonly string[]): string => items.map((item) => `- ${plain(item)}\n`).join('');
const part = (title: string, items: readonly string[]): string =>
  items.length === 0 ? '' : `\n**${title}**\n\n${list(items)}`;

/** The sheets as Markdown, without pictures. */
export function sheetsMarkdown({ name, levels, ramps, failing }: Sheets): string {
  const table = [
    '|  | Level | Tier | Clear rate | Wanted |',
    '| ---: | --- | --- | --- | --- |',
    ...levels.map(
      ({ position, name: level, tier, rate, wanted }) =>
        `| ${position} | ${plain(level)} | ${plain(tier)} | ${rate} | ${wanted} |`,
    ),
  ];
  const numbers = ramps.map(({ label, first, last }) => `${label}: ${first} at the first level, ${last} at the last`);
  const sheets = levels.map(
    (sheet) =>
      `\n## ${sheet.position} ${plain(sheet.name)}\n\n${plain(sheet.brief)}\n` +
      part('What holds', sheet.rules) +
      part('Clock, stars, end', [`Clock: ${sheet.clock}`, `Stars: ${sheet.stars}`, ...sheet.endings]) +
      part(
        'Numbers',
        sheet.numbers.map(({ label, value }) => `${label}: ${value}`),
      ) +
      part('Found', sheet.findings) +
      part('Note', sheet.note === '' ? [] : [sheet.note]),
  );
  return `# ${plain(name)}\n\n${table.join('\n')}\n${part('Checks that fail', failing)}${part('How numbers change over the sequence', numbers)}${sheets.join('')}`;
}
