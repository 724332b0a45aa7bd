import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { homeBeforeDusk, manyLevels } from '../../exchange/demo/index.ts';
import {
  Amount,
  Condition,
  documentOf,
  emptyProject,
  findReferenceProblems,
  freshId,
  GroundEntry,
  Id,
  newLevel,
  ParameterEntry,
  positionOf,
  ProjectDocument,
  Ramp,
  slugOf,
  usesOfParameter,
  type Project,
} from './index.ts';

const messages = (result: { error?: { issues: { message: string }[] } | undefined }): string[] =>
  result.error?.issues.map((issue) => issue.message) ?? [];

describe('an id', () => {
  it.each([
    ['clover-steps', true],
    ['slot-1', true],
    ['hornetSpeed', true],
    ['1st', false],
    ['Clover', false],
    ['with space', false],
    ['__proto__', false],
    ['', false],
    ['a'.repeat(49), false],
  ])('%j is one: %s', (text, expected) => {
    expect(Id.safeParse(text).success).toBe(expected);
  });

  it.each([
    ['Clover Steps!', 'clover-steps'],
    ['  The 3rd Garden ', 'the-3rd-garden'],
    ['42', 'unnamed'],
    ['夕暮れ', 'unnamed'],
  ])('made from %j is %j', (name, slug) => {
    expect(slugOf(name)).toBe(slug);
  });

  it('made from any name is one, and fresh', () => {
    fc.assert(
      fc.property(fc.string(), fc.array(fc.string(), { maxLength: 5 }), (name, others) => {
        const taken = new Set(others.map(slugOf));
        const id = freshId(name, taken);
        expect(Id.safeParse(id).success).toBe(true);
        expect(taken.has(id)).toBe(false);
      }),
    );
  });
});

describe('an amount', () => {
  it.each([
    [{ from: 'number', value: 3 }, true],
    [{ from: 'number', value: Number.NaN }, false],
    [{ from: 'number', value: Number.POSITIVE_INFINITY }, false],
    [{ from: 'number' }, false],
    [{ from: 'parameter', parameter: 'clock' }, true],
    [{ from: 'parameter', parameter: 'clock', times: -1.1, plus: 8 }, true],
    [{ from: 'parameter', parameter: 'not an id' }, false],
    [{ from: 'share', share: { from: 'number', value: 0.5 }, of: 'any', measure: 'worth' }, true],
    [{ from: 'share', share: { from: 'share' }, of: 'any', measure: 'worth' }, false],
    [{ from: 'share', share: { from: 'number', value: 0.5 }, of: 'any', measure: 'weight' }, false],
    [5, false],
    [{ from: 'number', value: 3, extra: 1 }, false],
  ])('%j is one: %s', (value, expected) => {
    expect(Amount.safeParse(value).success).toBe(expected);
  });
});

describe('a condition', () => {
  const lives = {
    id: 'a',
    is: 'compare',
    reading: { reading: 'lives' },
    comparison: 'atMost',
    amount: { from: 'number', value: 0 },
  };
  it.each([
    ['a comparison', lives, true],
    ['a group in a group', { id: 'g', is: 'all', of: [{ id: 'h', is: 'any', of: [lives] }] }, true],
    ['an empty group', { id: 'g', is: 'none', of: [] }, true],
    ['a comparison without amount', { ...lives, amount: undefined }, false],
    ['a word that is no comparison', { ...lives, comparison: 'about' }, false],
    ['a reading that there is not', { ...lives, reading: { reading: 'mood' } }, false],
    [
      'too many in a group',
      { id: 'g', is: 'all', of: Array.from({ length: 21 }, (_, i) => ({ ...lives, id: `a-${i}` })) },
      false,
    ],
  ])('%s: %s', (_case, value, expected) => {
    expect(Condition.safeParse(value).success).toBe(expected);
  });
});

describe('a ground', () => {
  const start = { order: 1, piece: 'start', at: { x: 1.5, y: 1.5 } };
  const rows = ['####', '#..#', '#..#', '####'];
  it.each([
    [
      'with letters in it',
      { rows: ['####', '#x.#', '#..#', '####'] },
      'A row is made of # (wall), . (open) and ~ (no ground).',
    ],
    ['too narrow', { rows: ['###', '#.#', '#.#', '###'] }, 'A ground is at least 4 cells wide.'],
    ['too wide', { rows: Array.from({ length: 4 }, () => '.'.repeat(65)) }, 'A ground is at most 64 cells wide.'],
    [
      'ragged',
      { rows: ['####', '#..##', '#..#', '####'] },
      'Row 2 has 5 cells, the first has 4: all rows must be equally long.',
    ],
    ['without a start', { pieces: {} }, 'A ground has exactly one start; this has 0.'],
    ['with two starts', { pieces: { start, other: start } }, 'A ground has exactly one start; this has 2.'],
    [
      'with a piece outside',
      { pieces: { start: { ...start, at: { x: 9, y: 1 } } } },
      '“start” lies outside the ground.',
    ],
  ])('%s is refused with the reason', (_case, change, message) => {
    expect(messages(GroundEntry.safeParse({ kind: 'roam', rows, pieces: { start }, ...change }))).toContain(message);
    expect(GroundEntry.safeParse({ kind: 'roam', rows, pieces: { start } }).success).toBe(true);
  });
});

describe('a ramp', () => {
  it.each([
    [
      'with its floor above its cap',
      { shape: { type: 'hold', value: 1 }, atLeast: 3, atMost: 2 },
      '“At least” must not be above “at most”.',
    ],
    ['rounded to nothing', { shape: { type: 'hold', value: 1 }, roundTo: 0 }, 'Rounding is to a multiple above 0.'],
    [
      'with half a level per step',
      { shape: { type: 'steps', from: 1, add: 1, every: 0.5, startingAt: 1 } },
      'A step comes every whole number of levels.',
    ],
    [
      'starting before the first level',
      { shape: { type: 'steps', from: 1, add: 1, every: 1, startingAt: 0 } },
      'The first level is 1.',
    ],
  ])('%s is refused with the reason', (_case, ramp, message) => {
    expect(messages(Ramp.safeParse(ramp))).toContain(message);
  });

  it('whose sane range is upside down is refused', () => {
    const parameter = { ...documentOf(homeBeforeDusk()).parameters['clock'], sane: { min: 2, max: 1 } };
    expect(messages(ParameterEntry.safeParse(parameter))).toContain('The sane range must have its lower end first.');
  });
});

describe('documents that come with Stadion', () => {
  it.each([
    ['the demo', homeBeforeDusk()],
    ['500 levels with 60 parameters', manyLevels(500, 60)],
    ['an empty project', emptyProject('Quiet Garden')],
  ])('%s: whole', (_name, project) => {
    expect(ProjectDocument.safeParse(documentOf(project)).error).toBeUndefined();
    expect(findReferenceProblems(project)).toEqual([]);
  });

  it('share no part between two calls or two levels', () => {
    const one = homeBeforeDusk();
    one.levels['clover-steps']!.rules[0]!.id = 'changed';
    one.parameters[0]!.pins['slot-1'] = 9;
    expect(one.levels['dew-on-the-beds']!.rules[0]!.id).toBe('won');
    expect(homeBeforeDusk().levels['clover-steps']!.rules[0]!.id).toBe('won');
    expect(homeBeforeDusk().parameters[0]!.pins).not.toHaveProperty('slot-1');
  });
});

describe('a new level', () => {
  it.each([
    ['in an empty project', emptyProject('Quiet Garden')],
    ['in the demo', homeBeforeDusk()],
    [
      'where there is nothing to gather and nobody to fear',
      { ...emptyProject('Bare'), standing: [], kinds: { collectables: [], enemies: [], hazards: [] } },
    ],
  ])('%s is whole', (_case, project) => {
    const level = newLevel(project, 'fresh', 'Fresh');
    const grown: Project = {
      ...project,
      levels: { ...project.levels, fresh: level },
      slots: [...project.slots, { id: 'slot-fresh', levelId: 'fresh' }],
    };
    expect(ProjectDocument.safeParse(documentOf(grown)).error).toBeUndefined();
    expect(findReferenceProblems(grown)).toEqual([]);
  });
});

describe('references that lead nowhere', () => {
  const found = (edit: (project: Project) => void): string => {
    const project = homeBeforeDusk();
    edit(project);
    return findReferenceProblems(project)
      .map((problem) => `/${problem.path.join('/')} ${problem.message}`)
      .join('\n');
  };
  const clover = (project: Project) => project.levels['clover-steps']!;
  const pieceOf = (project: Project, piece: string) =>
    clover(project).ground.pieces.find((entry) => entry.piece === piece)!;

  it.each<[string, (project: Project) => void, string]>([
    [
      'a kind of collectable',
      (p) => Object.assign(pieceOf(p, 'collectable'), { kind: 'thistle' }),
      'There is no collectable “thistle”.',
    ],
    ['a kind of enemy', (p) => Object.assign(pieceOf(p, 'spawner'), { kind: 'bear' }), 'There is no enemy “bear”.'],
    [
      'a zone',
      (p) => Object.assign(pieceOf(p, 'goal'), { id: 'gate' }),
      'There is no goal or zone “hive” on this ground.',
    ],
    [
      'a kind in a touch',
      (p) => Object.assign(p.standing[1]!.when, { reading: { reading: 'touching', kind: 'bear' } }),
      'There is no enemy and no hazard “bear”.',
    ],
    [
      'a parameter of a kind',
      (p) => (p.kinds.enemies[0]!.speed = { from: 'parameter', parameter: 'wind' }),
      'There is no parameter “wind”.',
    ],
    ['a condition given twice', (p) => (clover(p).rules[0]!.when.id = 'home'), 'The condition “home” is given twice.'],
    [
      'an enemy with the id of a hazard',
      (p) => (p.kinds.enemies[0]!.id = 'pond'),
      '/kinds/enemies/pond “pond” is a hazard, too',
    ],
    [
      'a pacer of an expectation',
      (p) => Object.assign(p.expectations[0]!, { pacer: 'ghost' }),
      '/expectations/first-is-easy/pacer There is no pacer “ghost”.',
    ],
    ['a pacer of the audience', (p) => (p.audience = { ghost: 0.5 }), '/audience/ghost There is no pacer “ghost”.'],
  ])('%s', (_case, edit, message) => {
    expect(found(edit)).toContain(message);
  });

  it('and groups too deep to be read', () => {
    const said = found((project) => {
      let inner: Condition = { id: 'deep-0', is: 'all', of: [] };
      for (let i = 1; i < 9; i++) inner = { id: `deep-${i}`, is: 'all', of: [inner] };
      clover(project).rules[0]!.when = inner;
    });
    expect(said).toContain('Groups are at most 6 deep');
  });
});

describe('uses of a parameter', () => {
  it('are found in kinds and levels, with their place', () => {
    const uses = usesOfParameter(homeBeforeDusk(), 'hornetSpeed');
    expect(uses.map((use) => use.path.slice(0, 3).join('/'))).toEqual([
      'player/moves/run',
      'kinds/enemies/hornet',
      'kinds/enemies/wasp',
      ...Array.from({ length: 5 }, () => 'levels/the-garden-path/ground'),
      'levels/long-shadows/rules',
      ...Array.from({ length: 4 }, () => 'levels/last-light-on-the-ponds/ground'),
      ...Array.from({ length: 7 }, () => 'levels/the-mown-rows/ground'),
    ]);
    expect(usesOfParameter(homeBeforeDusk(), 'clock')).toHaveLength(9);
    expect(usesOfParameter(homeBeforeDusk(), 'nectarNeeded').every((use) => use.levelId !== undefined)).toBe(true);
    expect(usesOfParameter(homeBeforeDusk(), 'nothing')).toEqual([]);
  });
});

describe('positionOf', () => {
  it.each([
    ['slot-1', 1],
    ['slot-24', 24],
    ['nowhere', 0],
  ])('%s is %d', (slotId, position) => {
    expect(positionOf(homeBeforeDusk(), slotId)).toBe(position);
  });
});
