import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { documentOf, type Project } from '@stadion/core/document/model';
import { projectFile } from '@stadion/files';
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { settings } from './commands/serve.ts';
import { runCommand } from './program.ts';
import { output } from './writing.ts';

let folder: string;
const at = (name: string): string => path.join(folder, name);
const put = (name: string, text: string): string => {
  fs.writeFileSync(at(name), text);
  return at(name);
};

beforeAll(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stadion-cli-'));
  put('dusk.json', projectFile(documentOf(homeBeforeDusk())));
});
afterAll(() => fs.rmSync(folder, { recursive: true, force: true }));

/** Runs a command, and gives what it wrote. */
async function stadion(...words: string[]): Promise<{ code: number; out: string; said: string }> {
  let [out, said] = ['', ''];
  const code = await runCommand(words, {
    data: (text, file) => (file === undefined ? void (out += text) : output.data(text, file)),
    say: (text) => void (said += `${text}\n`),
  });
  return { code, out, said };
}

describe('check', () => {
  it('tells findings, and ends with 1 where one stops play', async () => {
    const { code, out, said } = await stadion('check', at('dusk.json'), '--junit', at('checks.xml'));
    expect(code).toBe(1);
    expect(out).toMatch(/^FAIL {2}17 The Greedy Bee: stops play: .*nobody can win/m);
    expect(out).toMatch(/^note {2}7 Lavender Bank: surely wrong/m);
    expect(said).toMatch(/\d+ checks, 2 failed\./);
    expect(fs.readFileSync(at('checks.xml'), 'utf8')).toContain('<testsuites name="Home Before Dusk"');
  });

  it('ends with 0 where nothing fails, and tries expected clear rates when asked', async () => {
    const project = homeBeforeDusk();
    project.slots = project.slots.filter(({ id }) => id !== 'slot-11' && id !== 'slot-17');
    project.expectations = project.expectations.filter(({ is }) => is === 'clearRate');
    const good = put('good.json', projectFile(documentOf(project)));
    expect(await stadion('check', good)).toMatchObject({
      code: 0,
      out: expect.stringContaining('waits for its forecast'),
    });
    const tried = await stadion('check', good, '--forecast');
    expect([tried.code, tried.said]).toEqual([0, expect.stringContaining('Trying level 1 …')]);
    expect(tried.out).not.toContain('waits');
  });
});

describe('a file that cannot be used', () => {
  it.each([
    [
      'is cut short',
      (text: string) => text.slice(0, 3000),
      /The file is not JSON\.\n.*broken\.json:\d+:\d+: The quotes are not closed/,
    ],
    [
      'has a word for a number',
      (text: string) => text.replace('"every": 2', '"every": "often"'),
      /broken\.json:\d+:\d+: \/parameters\/hornetSpeed\/ramp\/shape\/every/,
    ],
    [
      'is of a newer Stadion',
      (text: string) => text.replace('"version": 3', '"version": 9'),
      /made by a newer Stadion.*Bring Stadion up to date/,
    ],
  ])('because it %s is reported with its place', async (_what, spoil, told) => {
    const broken = put('broken.json', spoil(fs.readFileSync(at('dusk.json'), 'utf8')));
    const { code, out, said } = await stadion('export', broken);
    expect([code, out]).toEqual([2, '']);
    expect(said).toMatch(told);
  });

  it.each([
    [['export', 'nothing.json'], 'There is no file nothing.json.'],
    [['export', os.tmpdir()], 'The folder has no project.json.'],
    [['forecast', 'FILE', '--slots', '3-99'], '“3-99” names no levels: write 3, or 3-9, up to 24.'],
    [['forecast', 'FILE', '--slots', '3', '--pacer', 'Nobody'], 'There are Novice, Steady, Sharp, Without mistakes.'],
    [['diff', 'FILE'], 'Name two project files'],
    [['export', 'FILE', '-o', '/nowhere/at/all.json'], '/nowhere/at/all.json cannot be written'],
    [['export', 'FILE', '--to', 'paper'], "argument 'paper' is invalid"],
    [['dance'], "unknown command 'dance'"],
  ])('%s', async (words, told) => {
    const { code, out, said } = await stadion(...words.map((word) => (word === 'FILE' ? at('dusk.json') : word)));
    expect([code, out]).toEqual([2, '']);
    expect(said).toContain(told);
  });
});

describe('export, import, upgrade', () => {
  it('gives a file on stdout, or writes it as a whole', async () => {
    expect((await stadion('export', at('dusk.json'), '--to', 'csv')).out).toMatch(/^position,slot,level,hornetSpeed/);
    await stadion('export', at('dusk.json'), '-o', at('ho.json'));
    expect(JSON.parse(fs.readFileSync(at('ho.json'), 'utf8'))).toMatchObject({ format: 'stadion-hand-off' });
    expect(fs.readdirSync(folder).filter((name) => name.startsWith('.'))).toEqual([]);
  });

  it('takes a table back: what differs becomes pins, and nothing else changes', async () => {
    const { out } = await stadion('export', at('dusk.json'), '--to', 'csv');
    const values = put('values.csv', out.replace(',2.55,', ',2.2,'));
    const { said } = await stadion('import', at('dusk.json'), values, '-o', at('next.json'));
    expect(said).toBe('1 values differ.\n');
    expect((await stadion('diff', at('dusk.json'), at('next.json'))).out).toBe('Hornet speed: pin at 7 2.55 → 2.2\n');
    const wrong = put('wrong.csv', 'slot,hornetSpeed\nslot-3,fast\n');
    expect(await stadion('import', at('dusk.json'), wrong)).toMatchObject({
      code: 2,
      out: '',
      said: expect.stringMatching(/wrong\.csv:2: /),
    });
  });

  it('writes a file as this version does, which changes nothing in one of this version', async () => {
    const { out, said } = await stadion('upgrade', at('dusk.json'));
    expect([out, said]).toEqual([fs.readFileSync(at('dusk.json'), 'utf8'), 'It is of version 3 already.\n']);
  });
});

describe('a folder', () => {
  it('has a file for each level, is read as the project is, and loses files of levels that are gone', async () => {
    const folderOf = at('dusk-folder');
    await stadion('export', at('dusk.json'), '--to', 'folder', '-o', folderOf);
    expect(fs.readdirSync(path.join(folderOf, 'levels'))).toHaveLength(24);
    expect((await stadion('export', folderOf, '--to', 'project')).out).toBe(
      (await stadion('export', at('dusk.json'), '--to', 'project')).out,
    );
    fs.writeFileSync(path.join(folderOf, 'levels/old.json'), '{}');
    await stadion('export', at('dusk.json'), '--to', 'folder', '-o', folderOf);
    expect(fs.existsSync(path.join(folderOf, 'levels/old.json'))).toBe(false);
  });

  it('is written in place by what changes a project', async () => {
    const folderOf = at('kept-folder');
    await stadion('export', at('dusk.json'), '--to', 'folder', '-o', folderOf);
    const levels = fs.readdirSync(path.join(folderOf, 'levels'));
    expect((await stadion('upgrade', folderOf, '-o', folderOf)).said).toBe('It is of version 3 already.\n');
    expect((await stadion('diff', at('dusk.json'), folderOf)).out).toBe('');
    const values = put('faster.csv', 'slot,hornetSpeed\nslot-7,2.2\n');
    expect((await stadion('import', folderOf, values, '-o', folderOf)).code).toBe(0);
    expect((await stadion('diff', at('dusk.json'), folderOf)).out).toBe('Hornet speed: pin at 7 2.55 → 2.2\n');
    expect(fs.readdirSync(path.join(folderOf, 'levels'))).toEqual(levels);
  });

  it('that is wrong is reported with the file, the line and the column', async () => {
    const folderOf = at('wrong-folder');
    await stadion('export', at('dusk.json'), '--to', 'folder', '-o', folderOf);
    const level = path.join(folderOf, 'levels/two-ponds.json');
    const text = fs.readFileSync(level, 'utf8');
    fs.writeFileSync(level, text.replace('"tie": "win"', '"tie": "draw"'));
    expect((await stadion('check', folderOf)).said).toMatch(/levels\/two-ponds\.json:\d+:\d+: \/tie: /);
    fs.writeFileSync(level, text.slice(0, 200));
    expect((await stadion('check', folderOf)).said).toMatch(
      /levels\/two-ponds\.json is not JSON\.\n.*two-ponds\.json:\d+:\d+/,
    );
    fs.rmSync(path.join(folderOf, 'project.json'));
    expect((await stadion('check', folderOf)).said).toContain('The folder has no project.json.');
  });
});

describe('forecast', () => {
  /** The demo with attempts that are over soon: a little nectar will do. */
  const quick = (): Project => {
    const project = homeBeforeDusk();
    const needed = project.parameters.find(({ key }) => key === 'nectarNeeded')!;
    Object.assign(needed.pins, { 'slot-1': 0.05, 'slot-3': 0.05 });
    needed.sane.min = 0.05;
    return project;
  };

  it('tells clear rates with their intervals, as text, JSON and CSV', async () => {
    const words = ['forecast', put('quick.json', projectFile(documentOf(quick()))), '--slots', '1,3'];
    expect((await stadion(...words)).out).toMatch(
      /^ {3}1 {2}Clover Steps +\d+\.\d % {2}\(.* attempts, \d+\.\d s\)\n {3}3 /,
    );
    const { levels } = JSON.parse((await stadion(...words, '--json')).out) as {
      levels: { position: number; low: number; clearRate: number }[];
    };
    expect(levels.map(({ position }) => position)).toEqual([1, 3]);
    expect(levels[0]!.low).toBeLessThan(levels[0]!.clearRate);
    const csv = (await stadion(...words, '--csv')).out.trimEnd().split('\r\n');
    expect([csv.length, csv[0]]).toEqual([3, 'position,slot,level,attempts,clearRate,low,high,medianSeconds']);
  });

  it('keeps a name that a spreadsheet would run as text', async () => {
    const project = quick();
    project.levels['clover-steps']!.name = '=HYPERLINK("x")';
    const file = put('formula.json', projectFile(documentOf(project)));
    const { out } = await stadion('forecast', file, '--slots', '1', '--csv');
    expect(out).toContain(`"'=HYPERLINK(""x"")"`);
  });
});

describe('diff', () => {
  const faster = (): string => {
    const project = homeBeforeDusk();
    project.parameters[0]!.pins['slot-7'] = 2.1;
    return projectFile(documentOf(project));
  };

  it('ends with 1 where it is asked to and something differs', async () => {
    const other = put('other.json', faster());
    expect((await stadion('diff', at('dusk.json'), other, '--exit-code')).code).toBe(1);
    expect((await stadion('diff', other, other, '--exit-code')).code).toBe(0);
    expect(JSON.parse((await stadion('diff', at('dusk.json'), other, '--json')).out)).toEqual([
      { about: 'parameter', title: 'Hornet speed', words: ['pin at 7 2.55 → 2.1'], positions: [7] },
    ]);
  });

  it('is what git calls for a file whose driver it is', async () => {
    const repository = at('repository');
    fs.mkdirSync(repository);
    const git = (...words: string[]): string => spawnSync('git', words, { cwd: repository, encoding: 'utf8' }).stdout;
    const recorded = path.join(folder, 'called.json');
    // In place of the built command: writes down what git calls it with.
    const script = put(
      'driver.mjs',
      `import fs from 'node:fs'; fs.writeFileSync(${JSON.stringify(recorded)}, JSON.stringify([...process.argv.slice(2), fs.readFileSync(process.argv[3], 'utf8')]));`,
    );
    git('init', '-q');
    git('config', 'user.email', 'designer@example.invalid');
    git('config', 'user.name', 'A designer');
    git('config', 'diff.stadion.command', `${process.execPath} ${script}`);
    fs.writeFileSync(path.join(repository, '.gitattributes'), '*.json diff=stadion\n');
    fs.writeFileSync(path.join(repository, 'dusk.json'), fs.readFileSync(at('dusk.json')));
    git('add', '.');
    git('commit', '-qm', 'One');
    fs.writeFileSync(path.join(repository, 'dusk.json'), faster());
    git('--no-pager', 'diff');
    const called = JSON.parse(fs.readFileSync(recorded, 'utf8')) as string[];
    expect(called).toHaveLength(8);
    const [name, , hash, mode, , ...rest] = called as [string, string, string, string, string, string, string, string];
    const { out } = await stadion(
      'diff',
      name,
      put('old.json', rest[2]!),
      hash,
      mode,
      path.join(repository, 'dusk.json'),
      rest[0]!,
      rest[1]!,
    );
    expect(out).toBe('stadion diff dusk.json\nHornet speed: pin at 7 2.55 → 2.1\n');
  });
});

describe('serve', () => {
  it('keeps projects where it is started, unless it stands in a clone or an option says otherwise', () => {
    const file = (options: Partial<Parameters<typeof settings>[0]>, inClone: boolean): string | undefined =>
      settings({ port: '3100', ...options }, inClone)['STADION_DATABASE'];
    expect(file({}, false)).toBe(path.resolve('stadion.db'));
    expect(file({}, true)).toBe(process.env['STADION_DATABASE']);
    expect(file({ database: 'gardens.db' }, true)).toBe(path.resolve('gardens.db'));
    expect(settings({ port: '3100' }, false)['PORT']).toBe('3100');
  });
});

describe('help', () => {
  it.each(['check', 'forecast', 'export', 'import', 'diff', 'upgrade', 'serve'])(
    'of %s has an example',
    async (name) => {
      const { code, out } = await stadion(name, '--help');
      expect(code).toBe(0);
      expect(out).toMatch(new RegExp(`Examples?:\\n {2}stadion ${name}`));
    },
  );
});

describe('what a command writes', () => {
  const written = (): string => fs.readFileSync(at('dusk.json'), 'utf8').slice(0, 20);

  it('goes through a link, which stays a link', async () => {
    put('real.json', 'old');
    fs.symlinkSync(at('real.json'), at('link.json'));
    expect((await stadion('export', at('dusk.json'), '--to', 'hand-off', '-o', at('link.json'))).code).toBe(0);
    expect(fs.lstatSync(at('link.json')).isSymbolicLink()).toBe(true);
    expect(fs.readFileSync(at('real.json'), 'utf8')).toContain('stadion');
  });

  it('goes into a device, which stays a device', async () => {
    const { rdev } = fs.statSync('/dev/null');
    expect((await stadion('check', at('dusk.json'), '--junit', '/dev/null')).code).toBe(1);
    const after = fs.statSync('/dev/null');
    expect([after.isCharacterDevice(), after.rdev]).toEqual([true, rdev]);
  });

  it('keeps the rights of the file that it replaces', async () => {
    fs.chmodSync(put('private.json', 'old'), 0o600);
    await stadion('export', at('dusk.json'), '--to', 'hand-off', '-o', at('private.json'));
    expect(fs.statSync(at('private.json')).mode & 0o777).toBe(0o600);
    expect(written()).toContain('{');
  });
});

describe('what a command reads', () => {
  it('may begin with a byte order mark', async () => {
    const file = put('mark.json', `\uFEFF${fs.readFileSync(at('dusk.json'), 'utf8')}`);
    expect((await stadion('diff', file, at('dusk.json'))).code).toBe(0);
  });

  it('is refused with the place of the first byte that is no UTF-8', async () => {
    fs.writeFileSync(at('latin.json'), Buffer.concat([Buffer.from('{"näme": "'), Buffer.from([0xe4, 0x22, 0x7d])]));
    expect(await stadion('check', at('latin.json'))).toMatchObject({
      code: 2,
      said: expect.stringContaining('is not UTF-8: see byte 12.'),
    });
  });

  it('ends at a limit where the input is endless', async () => {
    expect(await stadion('check', '/dev/zero')).toMatchObject({
      code: 2,
      said: expect.stringContaining('is larger than 64 MiB'),
    });
  });
});
