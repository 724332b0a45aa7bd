import { readFileSync } from 'node:fs';
import { prepareLevel } from '../grounds/index.ts';
import { PERFECT } from '../pacers/index.ts';
import { readyGame } from '../trials/index.ts';
import { describe, expect, it } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { homeBeforeDusk } from '../demo/index.ts';
import { emptyProject, newLevel, pointerOf } from '../model/index.ts';
import { exportProject, importProject, parameterTable, projectJsonSchema, upgrade } from './index.ts';

const version1: unknown = JSON.parse(readFileSync(new URL('./upgrades/version1.json', import.meta.url), 'utf8'));
const throughJson = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

/** The demo with one thing changed. */
function broken(change: (project: Record<string, any>) => void): unknown {
  const project = throughJson(exportProject(homeBeforeDusk())) as Record<string, any>;
  change(project);
  return project;
}

describe('export then import', () => {
  it('is identity', () => {
    expect(importProject(throughJson(exportProject(homeBeforeDusk())))).toEqual({
      ok: true,
      project: homeBeforeDusk(),
    });
  });

  it('is identity for an empty project and for one with a new level', () => {
    const empty = emptyProject('Quiet Garden');
    expect(importProject(throughJson(exportProject(empty)))).toEqual({ ok: true, project: empty });
    const level = newLevel(empty, 'first', 'First');
    const one = { ...empty, levels: { first: level }, slots: [{ id: 'slot-1', levelId: 'first' }] };
    expect(importProject(throughJson(exportProject(one)))).toEqual({ ok: true, project: one });
  });
});

describe('import refuses, with the place,', () => {
  it.each([
    ['another format', (p: Record<string, any>) => (p['format'] = 'something'), '/format'],
    ['a newer version', (p: Record<string, any>) => (p['version'] = 99), '/version'],
    ['a version that never was', (p: Record<string, any>) => (p['version'] = 'one'), '/version'],
    ['a missing name', (p: Record<string, any>) => delete p['name'], '/name'],
    [
      'a word for a number',
      (p: Record<string, any>) => (p['parameters'][0].ramp.shape.add = 'much'),
      '/parameters/0/ramp/shape/add',
    ],
    ['a slot without a level', (p: Record<string, any>) => (p['slots'][3].levelId = 'nowhere'), '/slots/3/levelId'],
    [
      'an inherited name as a level',
      (p: Record<string, any>) => (p['slots'][3].levelId = 'constructor'),
      '/slots/3/levelId',
    ],
    [
      'rows of unequal length',
      (p: Record<string, any>) => (p['levels']['clover-steps'].ground.rows[2] = '#..#'),
      '/levels/clover-steps/ground/rows/2',
    ],
    [
      'an unknown parameter',
      (p: Record<string, any>) => (p['levels']['clover-steps'].clock.limitSeconds.parameter = 'time'),
      '/levels/clover-steps/clock/limitSeconds/parameter',
    ],
    ['an id given twice', (p: Record<string, any>) => (p['slots'][1].id = 'slot-1'), '/slots/1/id'],
    ['tiers out of order', (p: Record<string, any>) => (p['tiers'][2].from = 2), '/tiers/2/from'],
    ['a key it does not know', (p: Record<string, any>) => (p['colour'] = 'red'), ''],
  ])('%s', (_case, change, place) => {
    const result = importProject(broken(change));
    expect(result.ok).toBe(false);
    if (!result.ok) expect(result.problems.map((problem) => pointerOf(problem.path))).toContain(place);
  });

  it('whatever else it is given, without throwing', () => {
    fc.assert(fc.property(fc.jsonValue(), (value) => expect(importProject(value).ok).toBe(false)));
    let deep: unknown = [];
    for (let i = 0; i < 100_000; i++) deep = [deep];
    expect(importProject({ format: 'stadion-project', version: 1, deep }).ok).toBe(false);
  });
});

describe('upgrade', () => {
  const upgrades = [
    { from: 1, up: (d: Record<string, unknown>) => ({ ...d, b: d['a'] }) },
    { from: 2, up: ({ a: _a, ...d }: Record<string, unknown>) => d },
  ];

  it('goes through every version in turn', () => {
    expect(upgrade({ version: 1, a: 5 }, 3, upgrades)).toEqual({ document: { version: 3, b: 5 } });
    expect(upgrade({ version: 3 }, 3, upgrades)).toEqual({ document: { version: 3 } });
  });

  it('says where it is stuck', () => {
    expect(upgrade({ version: 0 }, 3, upgrades)).toEqual({ stuckAt: 0 });
  });
});

describe('a file of version 1', () => {
  const old = (): Record<string, any> => throughJson(version1) as Record<string, any>;

  it('is read as a whole project, with what it took for granted written down', () => {
    const result = importProject(old());
    expect(result.ok ? [] : result.problems).toEqual([]);
    if (!result.ok) return;
    const { project } = result;
    expect(project.version).toBe(2);
    expect(project.slots.map((slot) => slot.levelId)).toEqual(['clover-steps', 'dew-on-the-beds']);
    const level = project.levels['clover-steps']!;
    expect(level.rules.map((rule) => rule.id)).toEqual(['won', 'out-of-lives', 'hornet-touch', 'wasp-touch']);
    expect(level.rules[2]!.then).toEqual([
      { effect: 'loseLife', lives: { from: 'number', value: 1 }, back: 'start', resets: [] },
    ]);
    expect(level.stars).toMatchObject({ is: 'ladder', reading: 'timeLeft', direction: 'atLeast' });
    expect(level.ending.won.next).toEqual({ to: 'nextSlot' });
    expect(project.run).toMatchObject({
      order: 'inOrder',
      afterLast: 'end',
      livesAtStart: { from: 'number', value: 4 },
    });
    expect(importProject(throughJson(exportProject(project)))).toEqual({ ok: true, project });
  });

  it('plays as it did: the same rules at the same places', () => {
    const result = importProject(old());
    if (!result.ok) throw new Error('not read');
    const game = readyGame(prepareLevel(result.project, 1));
    expect(game.play(PERFECT, 1).won).toBe(true);
  });

  it('is refused with the place of what is broken in it, however it is broken', () => {
    for (const part of ['levels', 'kinds', 'run', 'player', 'slots']) {
      for (const value of [null, 5, 'text', [], [null], { a: null }]) {
        expect(importProject({ ...old(), [part]: value }).ok).toBe(part === 'slots' && JSON.stringify(value) === '[]');
      }
    }
  });
});

describe('the JSON Schema', () => {
  const validate = new Ajv2020({ strict: false }).compile(projectJsonSchema());

  it('accepts what is exported', () => {
    const valid = validate(throughJson(exportProject(homeBeforeDusk())));
    expect(validate.errors).toBeNull();
    expect(valid).toBe(true);
  });

  it('refuses a wrong number', () => {
    expect(validate(broken((p) => (p['parameters'][0].ramp.shape.every = 0)))).toBe(false);
  });
});

describe('the table of values', () => {
  it('has a row per slot and a column per parameter', () => {
    const { header, rows } = parameterTable(homeBeforeDusk());
    expect(header).toEqual([
      'position',
      'slot',
      'level',
      'hornetSpeed',
      'hornetsSent',
      'nectarNeeded',
      'clock',
      'nestRest',
      'hornetSight',
      'beetles',
    ]);
    expect(rows).toHaveLength(24);
    // Lavender Bank: speed pinned, 0 + ⌊(7 − 2) / 4⌋ sent, 0.5 + 0.05, 48 − 2, 9 − 0.5 × 2, 5, 2 + ⌊6 / 6⌋.
    expect(rows[6]).toEqual([7, 'slot-7', 'Lavender Bank', 2.55, 1, 0.55, 46, 8, 5, 3]);
  });
});
