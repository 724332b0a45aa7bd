import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { FILES, HandOff, SCHEMAS, type FileName } from '@stadion/core/exchange/formats';
import { documentOf, projectOf } from '@stadion/core/document/model';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { po } from 'gettext-parser';
import { readFileSync } from 'node:fs';
import { convert } from 'xmlbuilder2';
import { validateXML } from 'xmllint-wasm';
import { checksOf, fileName, junitFile, makeFile, readFile, valuesFile } from './index.ts';

const document = documentOf(homeBeforeDusk());
const text = (name: FileName): string => makeFile(name, document);

describe('every file', () => {
  it.each(FILES.map(({ name }) => name))('%s is made, ends with a line, and is the same each time', (name) => {
    const made = text(name);
    expect(made.endsWith('\n')).toBe(true);
    expect(makeFile(name, structuredClone(document))).toBe(made);
  });

  it.each(Object.keys(SCHEMAS))('%s is as its schema says', (name) => {
    const validate = new Ajv2020({ strict: false, code: { optimize: false } }).compile(SCHEMAS[name]!());
    validate(JSON.parse(text(name as FileName)));
    expect(validate.errors).toBeNull();
  });
});

describe('the project file', () => {
  it('is read back as it was', () => {
    expect(readFile(text('project.json'))).toEqual({ ok: true, document });
  });

  it('changes in one line where one number changes', () => {
    const changed = structuredClone(document);
    changed.parameters['hornetSpeed']!.pins['slot-7'] = 2.5;
    const before = text('project.json').split('\n');
    const after = makeFile('project.json', changed).split('\n');
    expect(after.filter((line, index) => line !== before[index])).toEqual(['        "slot-7": 2.5,']);
  });
});

describe('the hand-off', () => {
  it('changes in few lines where one number changes, and names nothing that only the editor needs', () => {
    const handOff = HandOff.parse(JSON.parse(text('hand-off.json')));
    expect(Object.keys(handOff.slots)).toHaveLength(24);
    expect(text('hand-off.json')).not.toMatch(/"(look|note|wanted|pacers)"/);
  });

  it('has no member that is null, which a merge patch could not set', () => {
    expect(text('hand-off.json')).not.toContain('": null');
  });
});

describe('values', () => {
  const rowFor = (name: string, as: 'csv' | 'tsv' = 'csv'): string => {
    const project = homeBeforeDusk();
    project.levels['clover-steps']!.name = name;
    project.parameters[0]!.pins['slot-1'] = -2;
    return valuesFile(project, as).split('\r\n')[1]!;
  };

  it.each([
    ['=1+1, "now"', `"'=1+1, ""now"""`],
    ['-5', `'-5`],
    ['-cmd|x', `'-cmd|x`],
    ['@SUM(1)', `'@SUM(1)`],
    [' =1+1', `"' =1+1"`],
    ['＝1+1', `'＝1+1`],
    ['Clover - 5', 'Clover - 5'],
  ])('keep a name that looks like a formula as text, and numbers as numbers: %s', (name, cell) => {
    expect(rowFor(name).replaceAll(/"('[^",]*)"/g, '$1')).toBe(
      `1,slot-1,${cell.replaceAll(/"('[^",]*)"/g, '$1')},-2,0,0.5,48,9,5,2,1,12`,
    );
  });

  it('stand between tabs as well', () => {
    expect(rowFor('=1', 'tsv').split('\t').slice(0, 4)).toEqual(['1', 'slot-1', expect.stringContaining("'=1"), '-2']);
  });
});

describe('strings', () => {
  it('are the same in JSON and in gettext, where the id is the context', () => {
    const { strings } = JSON.parse(text('strings.json')) as {
      strings: Record<string, { text: string; where: string }>;
    };
    expect(strings['levels.home-before-dusk.ending.won']).toEqual({
      text: 'Home before dusk.',
      where: 'Home Before Dusk: after a win',
    });
    const { translations } = po.parse(text('strings.po'));
    delete translations[''];
    const inPo = Object.entries(translations).map(([id, of]) => [id, Object.keys(of)[0]]);
    expect(Object.fromEntries(inPo)).toEqual(
      Object.fromEntries(Object.entries(strings).map(([id, one]) => [id, one.text])),
    );
  });

  it('name every text that the hand-off tells', () => {
    const { strings } = JSON.parse(text('strings.json')) as { strings: Record<string, { text: string }> };
    const told = [...text('hand-off.json').matchAll(/"text": "((?:[^"\\]|\\.)+)",\n\s+"textId": "([^"]+)"/g)];
    expect(told.length).toBeGreaterThan(30);
    for (const [, words, id] of told) expect([id, strings[id!]?.text]).toEqual([id, JSON.parse(`"${words}"`)]);
  });
});

describe('checks', () => {
  const project = projectOf(document);
  it('tell findings and expectations, and which of them fail', () => {
    const checks = checksOf(project);
    expect(checks.filter(({ fails }) => fails).map(({ name }) => name)).toEqual([
      'already-true',
      'target-beyond-placed',
    ]);
    expect(checks.find(({ name }) => name === 'star-unreachable')).toMatchObject({
      group: '7 Lavender Bank',
      fails: false,
    });
  });

  it('are JUnit: counts agree, failures say why', () => {
    const root = convert(junitFile(project, checksOf(project)), { format: 'object' }) as unknown as {
      testsuites: { '@tests': string; '@failures': string; testsuite: { '@name': string; '@tests': string }[] };
    };
    const { testsuites } = root;
    const sum = testsuites.testsuite.reduce((total, suite) => total + Number(suite['@tests']), 0);
    expect([sum, testsuites['@failures']]).toEqual([Number(testsuites['@tests']), '2']);
    const broken = junitFile(project, [{ group: 'A\u0000B', name: 'n', fails: true, said: 'one\ntwo \ud800\u0007' }]);
    expect(broken).toContain('name="AB"');
    expect(broken).toContain('one\ntwo ');
    for (const character of ['\u0000', '\u0007', '\ud800']) expect(broken).not.toContain(character);
    expect(junitFile(project, [{ group: 'A & B', name: '<1>', fails: true, said: 'no "way"' }])).toContain(
      '<failure message="no &quot;way&quot;" type="&lt;1&gt;">no "way"</failure>',
    );
  });

  it('are what the schema of JUnit files takes', async () => {
    const schema = readFileSync(new URL('testing/junit.xsd', import.meta.url), 'utf8');
    const isValid = async (contents: string): Promise<boolean> =>
      (await validateXML({ xml: [{ fileName: 'checks.xml', contents }], schema: [schema] })).valid;
    const made = junitFile(project, checksOf(project));
    expect(await isValid(made)).toBe(true);
    expect(await isValid(made.replace('<testcase name=', '<testcase title='))).toBe(false);
  });
});

describe('level sheets', () => {
  const page = makeFile(
    'sheets.html',
    document,
    new Map(homeBeforeDusk().slots.map(({ id }) => [id, { clearRate: 0.913, low: 0.88, high: 0.94 }])),
  );

  it('have a page for each level, with its rules in words, its ground, its numbers and what was found', () => {
    expect(page.match(/<section class="level"/g)).toHaveLength(24);
    expect(page.match(/<svg [^>]*class="ground"/g)).toHaveLength(24);
    expect(page).toContain('Each time a hornet touches the bee: costs a life.');
    expect(page).toContain('★★ at least 12 seconds left');
    expect(page).toContain('Nectar needed: 75 % of what is placed');
    expect(page).toContain('The target is beyond what is placed: nobody can win.');
    expect(page).toContain('Forecast 91.3 % (88 % to 94 %), wanted 60 %');
  });

  it('are well-formed, and take names as text', () => {
    const changed = structuredClone(document);
    changed.levels['clover-steps']!.name = '<b>Clover</b> & "Steps"';
    const spoiled = makeFile('sheets.html', changed);
    expect(spoiled).toContain('1 &lt;b&gt;Clover&lt;/b&gt; &amp; "Steps"');
    expect(spoiled).not.toContain('<b>Clover');
    expect(() => convert(spoiled.replace('<!doctype html>', ''), { format: 'object' })).not.toThrow();
    expect(makeFile('sheets.md', changed)).toContain('## 1 \\<b\\>Clover\\</b\\> & "Steps"');
  });

  it('say the same as Markdown', () => {
    const text = makeFile('sheets.md', document);
    expect(text.match(/^## /gm)).toHaveLength(24);
    expect(text).toContain('- Won when all of: nectar gathered is at least “Nectar needed” of what is placed;');
  });
});

describe('a file name', () => {
  it.each([
    ['Home Before Dusk', 'home-before-dusk.json'],
    ['../../etc', 'etc.json'],
    ['夕暮れ', 'project.json'],
  ])('from %s is %s', (name, expected) => expect(fileName(name, 'json')).toBe(expected));
});
