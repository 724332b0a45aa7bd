import { readFileSync } from 'node:fs';
import { prepareLevel } from '../../play/movement/index.ts';
import { PERFECT } from '../../forecast/pacers/index.ts';
import { levelRunner } from '../../forecast/trials/index.ts';
import { describe, expect, it } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { homeBeforeDusk } from '../demo/index.ts';
import { documentOf, emptyProject, newLevel, pointerOf, projectOf, type Project } from '../../document/model/index.ts';
import {
  exportProject,
  fieldsOf,
  importProject,
  parameterTable,
  problemsAfterEdit,
  projectJsonSchema,
  SCHEMAS,
  upgrade,
} from './index.ts';

const fileOf = (version: number): unknown =>
  JSON.parse(readFileSync(new URL(`./upgrades/version${version}.json`, import.meta.url), 'utf8'));
const version1 = fileOf(1);
const version2 = fileOf(2);
const throughJson = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

/** The demo with one thing changed. */
function broken(change: (project: Record<string, any>) => void): unknown {
  const project = throughJson(exportProject(documentOf(homeBeforeDusk()))) as Record<string, any>;
  change(project);
  return project;
}

const many = (entry: unknown, count: number): unknown =>
  Object.fromEntries(Array.from({ length: count }, (_, index) => [`p${index}`, entry]));

describe('export then import', () => {
  const isIdentity = (project: Project): void => {
    const document = documentOf(project);
    const read = importProject(throughJson(exportProject(document)));
    expect(read).toEqual({ ok: true, document, project: projectOf(document) });
  };

  it('is identity', () => isIdentity(homeBeforeDusk()));

  it('is identity for an empty project and for one with a new level', () => {
    const empty = emptyProject('Quiet Garden');
    isIdentity(empty);
    const level = newLevel(empty, 'first', 'First');
    isIdentity({ ...empty, levels: { first: level }, slots: [{ id: 'slot-1', levelId: 'first' }] });
  });
});

describe('import refuses, with the place,', () => {
  it.each([
    ['another format', (p: Record<string, any>) => (p['format'] = 'something'), '/format'],
    ['a newer version', (p: Record<string, any>) => (p['version'] = 99), '/version'],
    ['a version that never was', (p: Record<string, any>) => (p['version'] = 'one'), '/version'],
    [
      'an entry that schemas pass over',
      (p: Record<string, any>) => Object.defineProperty(p['levels'], '__proto__', { value: {}, enumerable: true }),
      '/levels/__proto__',
    ],
    ['a missing name', (p: Record<string, any>) => delete p['name'], '/name'],
    [
      'a word for a number',
      (p: Record<string, any>) => (p['parameters'].hornetSpeed.ramp.shape.add = 'much'),
      '/parameters/hornetSpeed/ramp/shape/add',
    ],
    [
      'a slot without a level',
      (p: Record<string, any>) => (p['slots']['slot-4'].levelId = 'nowhere'),
      '/slots/slot-4/levelId',
    ],
    [
      'an inherited name as a level',
      (p: Record<string, any>) => (p['slots']['slot-4'].levelId = 'constructor'),
      '/slots/slot-4/levelId',
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
    ['two tiers at one place', (p: Record<string, any>) => (p['tiers'].afternoon.from = 8), '/tiers/afternoon/from'],
    ['a first tier that is late', (p: Record<string, any>) => (p['tiers'].morning.from = 2), '/tiers/morning/from'],
    ['no pacers', (p: Record<string, any>) => (p['pacers'] = {}), '/pacers'],
    [
      'an ability out of its range',
      (p: Record<string, any>) => (p['pacers'].steady.abilities.planning = 2),
      '/pacers/steady/abilities/planning',
    ],
    [
      'too many parameters',
      (p: Record<string, any>) => (p['parameters'] = many(p['parameters'].clock, 121)),
      '/parameters',
    ],
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

describe('what is wrong after an edit', () => {
  const document = documentOf(homeBeforeDusk());
  const [level] = Object.values(document.levels);
  const [slot] = Object.values(document.slots);
  const nectar = document.parameters['nectarNeeded'];
  const { nectarNeeded: _moved, ...others } = document.parameters;
  const many = Object.fromEntries(
    Array.from({ length: 121 }, (_, index) => [`p${index}`, { ...nectar, order: index }]),
  );

  it.each<[string, unknown]>([
    ['nothing', document],
    ['a level moved to an id that is none', { ...document, levels: { ...document.levels, 'No id': level } }],
    ['a slot moved to an id that is none', { ...document, slots: { ...document.slots, 'No id': slot } }],
    ['a slot of a level that is not there', { ...document, slots: { s: { ...slot, levelId: 'gone' } } }],
    ['a parameter without a label', { ...document, parameters: { ...others, nectarNeeded: { ...nectar, label: 7 } } }],
    ['a parameter that is gone', { ...document, parameters: others }],
    ['too many parameters', { ...document, parameters: many }],
  ])('is what reading it again finds: %s', (_case, edited) => {
    // The whole parts are known from before.
    expect(problemsAfterEdit(document)).toEqual([]);
    const anew = importProject(throughJson(edited));
    const places = (problems: readonly { path: PropertyKey[] }[]): string[] =>
      problems.map(({ path }) => pointerOf(path));
    expect(places(problemsAfterEdit(edited as typeof document))).toEqual(anew.ok ? [] : places(anew.problems));
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
    expect(project.version).toBe(3);
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
    expect(importProject(throughJson(exportProject(result.document)))).toEqual(result);
  });

  it('plays as it did: the same rules at the same places', () => {
    const result = importProject(old());
    if (!result.ok) throw new Error('not read');
    const game = levelRunner(prepareLevel(result.project, 1));
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

describe('a file of version 2', () => {
  const read = () => {
    const result = importProject(throughJson(version2));
    expect(result.ok ? [] : result.problems).toEqual([]);
    if (!result.ok) throw new Error('not read');
    return result;
  };

  it('is read in the order of its lists, which are keyed now', () => {
    const { document, project } = read();
    const old = version2 as Record<string, any>;
    const ids = (list: { id: string }[]): string[] => list.map(({ id }) => id);
    expect(ids(project.slots)).toEqual(ids(old['slots']));
    expect(ids(project.standing)).toEqual(ids(old['standing']));
    expect(project.parameters.map(({ key }) => key)).toEqual(old['parameters'].map(({ key }: { key: string }) => key));
    expect(project.tiers).toEqual(old['tiers']);
    expect(project.liveTiers).toEqual(old['liveTiers']);
    for (const level of Object.values(project.levels)) {
      const was = old['levels'][level.id];
      expect(ids(level.ground.pieces)).toEqual(ids(was.ground.pieces));
      expect(ids(level.rules)).toEqual(ids(was.rules));
      expect(level.standingRulesOff).toEqual(was.without);
    }
    expect(Object.keys(document.slots)).toEqual(ids(old['slots']));
  });

  it('has the ways of moving by kind of ground, and the pacers that there were outside of it', () => {
    const { project } = read();
    expect(project.player.moves.roam.speed).toEqual({ from: 'number', value: 4.6 });
    expect(project.player).not.toHaveProperty('speed');
    // Giving up came later.
    expect(project.pacers.map(({ id, order: _order, ...pacer }) => ({ id, ...pacer }))).toEqual(
      homeBeforeDusk().pacers.map(({ persistence: _persistence, ...pacer }) => pacer),
    );
    // One of its expectations named a pacer that there never was.
    expect(project.expectations.map(({ id }) => id)).toEqual(['first']);
  });

  it('is refused with the place of what is broken in it, however it is broken', () => {
    for (const part of Object.keys(version2 as object)) {
      for (const value of [null, 5, [null], [{ id: 5 }], { a: null }]) {
        expect(importProject({ ...(throughJson(version2) as object), [part]: value }).ok).toBe(part === '$schema');
      }
    }
  });
});

describe('the JSON Schema', () => {
  const validate = new Ajv2020({ strict: false, code: { optimize: false } }).compile(projectJsonSchema());

  it('accepts what is exported', () => {
    const valid = validate(throughJson(exportProject(documentOf(homeBeforeDusk()))));
    expect(validate.errors).toBeNull();
    expect(valid).toBe(true);
  });

  it('refuses a wrong number', () => {
    expect(validate(broken((p) => (p['parameters'].hornetSpeed.ramp.shape.every = 0)))).toBe(false);
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
      'partyLevel',
      'antStrength',
    ]);
    expect(rows).toHaveLength(24);
    // Lavender Bank: speed pinned, 0 + ⌊(7 − 2) / 4⌋ sent, 0.5 + 0.05, 48 − 2, 9 − 0.5 × 2, 5, 2 + ⌊6 / 6⌋.
    expect(rows[6]).toEqual([7, 'slot-7', 'Lavender Bank', 2.55, 1, 0.55, 46, 8, 5, 3, 2, 13]);
  });
});

describe('the fields of a file', () => {
  it.each(Object.keys(SCHEMAS))('of %s are listed one by one, with their meanings', (name) => {
    const fields = fieldsOf(SCHEMAS[name]!());
    expect(fields.length).toBeGreaterThan(5);
    expect(new Set(fields.map(({ path }) => path)).size).toBe(fields.length);
    expect(fields.find(({ path }) => path === 'version')?.type).toMatch(/^\d$/);
  });

  it('say what may be absent, and what each may be', () => {
    const fields = fieldsOf(SCHEMAS['hand-off.json']!());
    expect(fields.find(({ path }) => path === 'slots.*.clock.limitSeconds')).toEqual({
      path: 'slots.*.clock.limitSeconds',
      type: 'number',
      about: 'No limit when absent.',
      optional: true,
    });
    expect(fields.find(({ path }) => path === 'slots.*.tie')?.type).toBe('"win" or "loss"');
  });
});
