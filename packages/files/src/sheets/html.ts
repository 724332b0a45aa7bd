import { create } from 'xmlbuilder2';
import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces.js';
import type { LevelSheet, Sheets } from './sheet.ts';
import { addLine, addPicture } from './svg.ts';

/** One level a page of A4; readable on a screen as well. No character that XML would write otherwise. */
const STYLE = `
@page { size: A4; margin: 16mm; }
* { box-sizing: border-box; }
body { margin: 0 auto; max-width: 178mm; font: 10.5pt/1.4 system-ui, sans-serif; color: #10261f; }
h1 { font-size: 20pt; margin: 0 0 4mm; }
h2 { font-size: 15pt; margin: 0; }
h3 { font-size: 10.5pt; margin: 4mm 0 1mm; }
p, ul { margin: 0 0 2mm; padding: 0; }
li { margin-left: 5mm; }
table { border-collapse: collapse; width: 100%; }
th, td { text-align: left; padding: 0.8mm 2mm 0.8mm 0; border-bottom: 0.2mm solid #b9c7c2; vertical-align: top; }
th { font-weight: 600; }
td.what { width: 46%; }
td.n { text-align: right; font-variant-numeric: tabular-nums; white-space: nowrap; }
.level { break-before: page; padding-top: 2mm; }
.head { display: flex; justify-content: space-between; align-items: baseline; border-bottom: 0.4mm solid #1a4238; margin-bottom: 2mm; }
.tier { color: #4a5f58; }
svg.ground { display: block; width: 100%; max-height: 88mm; margin: 2mm 0; }
svg.line { width: 60mm; height: 9mm; }
.two { columns: 2; column-gap: 8mm; }
.warn { color: #ad2456; }
tr, li { break-inside: avoid; }
`;

const list = (parent: XMLBuilder, items: readonly string[], attributes: Record<string, string> = {}): void => {
  if (items.length === 0) return;
  const ul = parent.ele('ul', attributes);
  for (const item of items) ul.ele('li').txt(item);
};

function addLevel(body: XMLBuilder, sheet: LevelSheet): void {
  const section = body.ele('section', { class: 'level', id: `level-${sheet.position}` });
  const head = section.ele('div', { class: 'head' });
  head.ele('h2').txt(`${sheet.position} ${sheet.name}`);
  head.ele('span', { class: 'tier' }).txt(sheet.tier);
  section.ele('p').txt(sheet.brief);
  addPicture(section, sheet.picture.marks, sheet.picture.width, sheet.picture.height, `Ground of ${sheet.name}`);
  section.ele('h3').txt('What holds');
  list(section, sheet.rules);
  section.ele('h3').txt('Clock, stars, end');
  list(section, [`Clock: ${sheet.clock}`, `Stars: ${sheet.stars}`, ...sheet.endings]);
  section.ele('h3').txt('Numbers');
  list(
    section,
    sheet.numbers.map(({ label, value }) => `${label}: ${value}`),
    { class: 'two' },
  );
  if (sheet.wanted !== '' || sheet.rate !== '') {
    section.ele('h3').txt('Clear rate');
    section
      .ele('p')
      .txt(
        [sheet.rate && `Forecast ${sheet.rate}`, sheet.wanted && `wanted ${sheet.wanted}`].filter(Boolean).join(', '),
      );
  }
  if (sheet.findings.length > 0) {
    section.ele('h3').txt('Found');
    list(section, sheet.findings, { class: 'warn' });
  }
  if (sheet.note !== '') {
    section.ele('h3').txt('Note');
    section.ele('p').txt(sheet.note);
  }
}

/** The sheets as one page that prints well. */
export function sheetsPage({ name, levels, ramps, failing }: Sheets): string {
  const html = create().ele('html', { lang: 'en' });
  const head = html.ele('head');
  head.ele('meta', { charset: 'utf-8' });
  head.ele('title').txt(`${name}: level sheets`);
  head.ele('style').txt(STYLE);
  const body = html.ele('body');
  body.ele('h1').txt(name);
  const table = body.ele('table');
  const row = table.ele('thead').ele('tr');
  for (const title of ['', 'Level', 'Tier', 'Clear rate', 'Wanted']) row.ele('th').txt(title);
  const rows = table.ele('tbody');
  for (const { position, name: level, tier, rate, wanted } of levels) {
    const tr = rows.ele('tr');
    tr.ele('td', { class: 'n' }).txt(String(position));
    tr.ele('td')
      .ele('a', { href: `#level-${position}`, style: 'color: inherit' })
      .txt(level);
    for (const cell of [tier, rate, wanted]) tr.ele('td').txt(cell);
  }
  if (failing.length > 0) {
    body.ele('h3').txt('Checks that fail');
    list(body, failing, { class: 'warn' });
  }
  body.ele('h3').txt('How numbers change over the sequence');
  const lines = body.ele('table').ele('tbody');
  for (const { label, values, first, last, note } of ramps) {
    const tr = lines.ele('tr');
    const name = tr.ele('td', { class: 'what' });
    name.ele('b').txt(label);
    if (note !== '') name.ele('div').txt(note);
    tr.ele('td', { class: 'n' }).txt(first);
    addLine(tr.ele('td'), values, `${label} over the sequence`);
    tr.ele('td', { class: 'n' }).txt(last);
  }
  for (const level of levels) addLevel(body, level);
  return `<!doctype html>\n${html.end({ headless: true })}\n`;
}
