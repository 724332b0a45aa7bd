import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  documentOf,
  literal,
  type Comparison,
  type Condition,
  type Level,
  type Piece,
  type Project,
} from '../../document/model/index.ts';
import { compare } from '../../play/rules/index.ts';
import { importProject } from '../../exchange/formats/index.ts';
import {
  atLeast,
  clover,
  depth,
  garden,
  is,
  mistakenProject,
  PLANTS,
  rule,
  soundProject,
  type Garden,
} from '../../testing/index.ts';
import { findingsAt, findingsOf, type FindingCode } from './index.ts';

/** Classes about targets, stars and starts. */
const CLASSES: ReadonlySet<string> = new Set(['target-beyond-placed', 'star-unreachable', 'already-true']);
const codes = (made: Garden): string[] =>
  findingsAt(garden({ ...made, alone: true }), 1).flatMap(({ code }) => (CLASSES.has(code) ? [code] : []));
const exit: Piece = { id: 'exit', piece: 'goal', name: 'Exit', at: { x: 15, y: 4 }, width: 2, height: 3 };
const won = (when: Condition, id = 'won') => rule(id, when, [{ effect: 'win' }]);

describe('a target, over random conditions', () => {
  const KINDS = ['clover', 'lavender', 'royal-bloom'] as const;
  const comparisons: Comparison[] = ['atLeast', 'moreThan', 'atMost', 'lessThan', 'exactly', 'not'];
  const leaf = fc
    .tuple(
      fc.constantFrom('worth' as const, 'collected' as const),
      fc.constantFrom('any', ...KINDS),
      fc.constantFrom(...comparisons),
      fc.integer({ min: -12, max: 30 }),
    )
    .map(([reading, of, comparison, value]): Condition => ({
      id: 'leaf',
      is: 'compare',
      reading: { reading, of },
      comparison,
      amount: literal(value),
    }));
  const { condition } = fc.letrec<{ condition: Condition }>((tie) => ({
    condition: fc.oneof(
      { maxDepth: 2 },
      leaf,
      fc
        .tuple(
          fc.constantFrom('all' as const, 'any' as const, 'none' as const, 'atLeast' as const),
          fc.array(tie('condition'), { minLength: 1, maxLength: 3 }),
          fc.integer({ min: 1, max: 3 }),
        )
        .map(([kind, of, count]): Condition => ({
          id: 'group',
          is: kind,
          of,
          ...(kind === 'atLeast' ? { count: literal(count) } : {}),
        })),
    ),
  }));
  /** Every id once. */
  const numbered = (root: Condition): Condition => {
    let next = 0;
    const copy = (one: Condition): Condition =>
      'of' in one ? { ...one, id: `c${next++}`, of: one.of.map(copy) } : { ...one, id: `c${next++}` };
    return copy(root);
  };
  const worths = fc.tuple(...KINDS.map(() => fc.integer({ min: -6, max: 9 })));
  const counts = fc.tuple(...KINDS.map(() => fc.integer({ min: 0, max: 2 })));

  /** Does it hold after some pieces have been gathered? */
  function holds(one: Condition, gathered: readonly number[], worth: readonly number[]): boolean {
    if ('of' in one) {
      const many = one.of.filter((part) => holds(part, gathered, worth)).length;
      if (one.is === 'all') return many === one.of.length;
      if (one.is === 'any') return many > 0;
      if (one.is === 'none') return many === 0;
      return many >= (one.count?.from === 'number' ? one.count.value : 1);
    }
    if (one.is !== 'compare' || !('of' in one.reading) || one.amount.from !== 'number') return false;
    const { reading, of } = one.reading;
    const value = KINDS.reduce(
      (sum, kind, index) =>
        of === 'any' || of === kind ? sum + gathered[index]! * (reading === 'worth' ? worth[index]! : 1) : sum,
      0,
    );
    return compare(one.comparison, value, one.amount.value);
  }
  const ways = (most: readonly number[]): number[][] =>
    most.reduce<number[][]>(
      (all, count) => all.flatMap((way) => Array.from({ length: count + 1 }, (_, many) => [...way, many])),
      [[]],
    );

  it('is never said to be out of reach where some way of gathering reaches it', () => {
    fc.assert(
      fc.property(fc.array(condition, { minLength: 1, maxLength: 2 }), worths, counts, (all, worth, count) => {
        const conditions = all.map(numbered);
        const pieces = KINDS.flatMap((kind, index) =>
          Array.from(
            { length: count[index]! },
            (_, n): Piece =>
              ({
                ...clover(`${kind}-${n}`, 6 + n, 2 + index * 2),
                kind,
              }) as Piece,
          ),
        );
        const change = (project: Project): void =>
          project.kinds.collectables.forEach((kind, index) => (kind.worth = literal(worth[index]!)));
        const found = codes({ pieces, rules: conditions.map((when, index) => won(when, `won-${index}`)), change });
        const reachable = conditions.some((when) => ways(count).some((way) => holds(when, way, worth)));
        if (reachable) expect(found).not.toContain('target-beyond-placed');
      }),
      { numRuns: depth(150, 30) },
    );
  });

  it('is said to be out of reach where it is the only way, with a mend that brings it back', () => {
    const beyond = won({
      id: 'all',
      is: 'all',
      of: [is('in', { reading: 'inside', zone: 'exit' }), atLeast('w', { reading: 'collected', of: 'clover' }, 3)],
    });
    expect(codes({ pieces: [exit, clover('a', 5), clover('b', 6)], rules: [beyond] })).toEqual([
      'target-beyond-placed',
    ]);
    const otherwise = won(is('in-2', { reading: 'inside', zone: 'exit' }), 'other');
    expect(codes({ pieces: [exit, clover('a', 5), clover('b', 6)], rules: [beyond, otherwise] })).toEqual([]);
  });
});

describe('a star', () => {
  const goal = won(is('in', { reading: 'inside', zone: 'exit' }));
  const withStars = (stars: Level['stars'], clock: Partial<Level['clock']> = {}): string[] =>
    codes({
      pieces: [exit, clover('a', 5), clover('b', 6)],
      rules: [goal],
      change: (_project, level) => {
        level.clock = { ...level.clock, limitSeconds: literal(40), ...clock };
        level.stars = stars;
      },
    });
  const ladder = (
    reading: StarReading,
    threshold: number,
    direction: 'atLeast' | 'atMost' = 'atLeast',
  ): Level['stars'] => ({
    is: 'ladder',
    reading,
    direction,
    thresholds: [null, literal(threshold)],
  });
  type StarReading = Extract<Level['stars'], { is: 'ladder' }>['reading'];

  // Two clover at 4 points each; 40 s; the demo starts with 4 lives, has 6 at most, and 100 health.
  it.each<[string, Level['stars'], Partial<Level['clock']>, boolean]>([
    ['all of a clock that runs from the start', ladder('timeLeft', 40), { starts: 'load' }, true],
    ['all but a tick of it', ladder('timeLeft', 40 - 1 / 60), { starts: 'load' }, false],
    ['at most all of it', ladder('timeLeft', 40, 'atMost'), {}, false],
    ['more than a limit that is not there', ladder('timeLeft', 99), { limitSeconds: null }, false],
    ['more time than there is', ladder('timeElapsed', 41), {}, true],
    ['no time at all', ladder('timeElapsed', 0, 'atMost'), {}, false],
    ['more points than are placed', ladder('worth', 9), {}, true],
    ['all points', ladder('worth', 8), {}, false],
    ['more pieces than are placed', ladder('collected', 3), {}, true],
    ['few pieces', ladder('collected', 0, 'atMost'), {}, false],
    ['fewer than no pieces', ladder('collected', -1, 'atMost'), {}, true],
    ['more lives than anybody can have', ladder('lives', 7), {}, true],
    ['lives that points may give', ladder('lives', 6), {}, false],
    ['more health than there is', ladder('health', 101), {}, true],
    ['less than one try', ladder('tries', 0, 'atMost'), {}, true],
    ['the first try', ladder('tries', 1, 'atMost'), {}, false],
    ['a score', ladder('score', 9999), {}, false],
  ])('for %s', (_case, stars, clock, found) => {
    expect(withStars(stars, clock)).toEqual(found ? ['star-unreachable'] : []);
  });

  it('for all of a clock that starts at the first move is out of reach only where a win takes a move', () => {
    expect(withStars(ladder('timeLeft', 40), { starts: 'firstMove' })).toEqual(['star-unreachable']);
    const still = won(atLeast('t', { reading: 'health' }, 100));
    const found = codes({
      rules: [still],
      change: (_project, level) => {
        level.clock = { ...level.clock, limitSeconds: literal(40), starts: 'firstMove' };
        level.stars = ladder('timeLeft', 40);
      },
    });
    expect(found).not.toContain('star-unreachable');
  });
});

describe('an ending before anybody acts', () => {
  const home: Piece = { ...exit, at: { x: 2, y: 5 }, width: 1, height: 1 } as Piece;
  const held = (seconds: number): Condition =>
    ({ ...is('in', { reading: 'inside', zone: 'exit' }), heldSeconds: literal(seconds) }) as Condition;
  const pond: Piece = { id: 'p', piece: 'hazard', kind: 'pond', at: { x: 1, y: 4 }, width: 4, height: 3 };
  const deadly = (project: Project): void => void (project.kinds.hazards[0]!.damage = literal(1000));
  const noHealth = rule('dead', { ...atLeast('h', { reading: 'health' }, 0), comparison: 'atMost' } as Condition, [
    { effect: 'lose', cause: 'Drowned' },
  ]);
  const fallen = rule('fallen', is('off', { reading: 'offGround' }), [{ effect: 'lose', cause: 'Fell' }]);
  const hole = Array.from({ length: 12 }, (_, y) =>
    y === 0 || y === 11 ? '####################' : y === 5 ? '#~~~...............#' : '#..................#',
  );

  it.each<[string, Garden, boolean]>([
    ['inside at the start, held for half a second', { pieces: [home], rules: [won(held(0.5))] }, true],
    ['inside at the start, held for two seconds', { pieces: [home], rules: [won(held(2))] }, false],
    ['on a deadly hazard', { pieces: [pond], rules: [noHealth], change: deadly }, true],
    ['on a hazard that leaves time', { pieces: [pond], rules: [noHealth] }, false],
    ['without ground', { rows: hole, rules: [fallen] }, true],
    [
      'by a clock of nothing',
      { change: (_p, level) => void (level.clock = { ...level.clock, limitSeconds: literal(0), starts: 'firstMove' }) },
      true,
    ],
    ...(['load', 'firstMove'] as const).flatMap((starts): [string, Garden, boolean][] => {
      const clock = (_p: Project, level: Level): void =>
        void (level.clock = { ...level.clock, limitSeconds: literal(40), starts });
      const lost = (when: Condition) => [rule('late', when, [{ effect: 'lose', cause: 'Late' }])];
      const left = { ...atLeast('t', { reading: 'timeLeft' }, 39.5), comparison: 'atMost' } as Condition;
      return [
        [
          `after half a second, ${starts}`,
          { rules: lost(atLeast('t', { reading: 'timeElapsed' }, 0.5)), change: clock },
          true,
        ],
        [`half a second before all is left, ${starts}`, { rules: lost(left), change: clock }, true],
        [
          `after ten seconds, ${starts}`,
          { rules: lost(atLeast('t', { reading: 'timeElapsed' }, 10)), change: clock },
          false,
        ],
      ];
    }),
    [
      'not inside a far zone for a moment',
      {
        pieces: [exit],
        rules: [
          won({ ...is('out', { reading: 'inside', zone: 'exit' }, false), heldSeconds: literal(0.3) } as Condition),
        ],
      },
      true,
    ],
    ['by a clock of a minute', { change: (_p, level) => void (level.clock.limitSeconds = literal(60)) }, false],
  ])('%s', (_case, made, found) => {
    expect(codes(made).includes('already-true')).toBe(found);
  });
});

describe('over random projects of every kind of ground', () => {
  const SOUND = depth(300, 24);
  const PLANTED = depth(20, 1);

  it('nothing grave is said of sound ones', () => {
    const said = Array.from({ length: SOUND }, (_, seed) => seed).flatMap((seed) =>
      findingsOf(soundProject(seed)).flatMap(({ code, severity, sentence }) =>
        severity === 'doubtful' ? [] : [`${seed} ${code}: ${sentence}`],
      ),
    );
    expect(said).toEqual([]);
  });

  it.each(Object.keys(PLANTS) as FindingCode[])('%s is found wherever it was put', (code) => {
    let planted = 0;
    for (let seed = 0; planted < PLANTED; seed++) {
      const mistaken = mistakenProject(seed, code);
      if (!mistaken) continue;
      planted++;
      expect([seed, findingsOf(mistaken.project).some((finding) => finding.code === code)]).toEqual([seed, true]);
    }
  });

  it.each(['roam', 'cross', 'leap', 'run', 'lift'])('is whole, and has levels on %s', (kind) => {
    const projects = Array.from({ length: 40 }, (_, seed) => soundProject(seed));
    const levels = projects.flatMap((project) => Object.values(project.levels));
    expect(levels.some(({ ground }) => ground.kind === kind)).toBe(true);
    for (const project of projects.slice(0, 8)) expect(importProject(documentOf(project))).toMatchObject({ ok: true });
  });
});
