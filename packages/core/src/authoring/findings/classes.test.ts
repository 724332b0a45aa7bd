import { describe, expect, it } from '@jest/globals';
import {
  literal,
  type Condition,
  type Level,
  type Piece,
  type Project,
  type Rule,
} from '../../document/model/index.ts';
import { valuesAt } from '../../document/ramps/index.ts';
import { after, atLeast, atMost, clover, garden, is, rule } from '../../testing/index.ts';
import { findingsOf, FINDING_CLASSES, type Finding, type FindingCode } from './index.ts';

/** A small sound level in place of the demo's first: an exit, two clover, a clock. */
const exit: Piece = { id: 'exit', piece: 'goal', name: 'Exit', at: { x: 15, y: 4 }, width: 2, height: 3 };
const won: Rule = rule('won', is('in', { reading: 'inside', zone: 'exit' }), [{ effect: 'win' }]);

type Change = (project: Project, level: Level) => void;

/** @param alone without the other levels of the demo, where a class is not about several levels */
function sound(change: Change = () => undefined, alone = true): Project {
  return garden({
    alone,
    pieces: [exit, clover('a', 6), clover('b', 8)],
    rules: [structuredClone(won)],
    change: (project, level) => {
      level.clock = { ...level.clock, limitSeconds: literal(40) };
      change(project, level);
    },
  });
}

const keyOf = ({ code, slotId, path }: Finding): string => `${code} ${slotId} ${path}`;
const foundIn = (project: Project): ReadonlySet<string> => new Set(findingsOf(project).map(keyOf));
const before = { alone: foundIn(sound()), among: foundIn(sound(undefined, false)) };
/** Returns the findings that a change brings. */
const news = (project: Project): Finding[] => {
  const known = Object.keys(project.levels).length === 1 ? before.alone : before.among;
  return findingsOf(project).filter((finding) => !known.has(keyOf(finding)));
};

const piece = (level: Level, ...pieces: Piece[]): void => void level.ground.pieces.push(...pieces);
const all = (...of: Condition[]): Condition => ({ id: 'all', is: 'all', of });
const named = (words: string, ...then: Rule['then']): Rule =>
  rule(words, atLeast(`${words}-when`, { reading: 'collected', of: 'any' }, 1), then);
const enemy = (id: string, x: number, y: number): Piece => ({ id, piece: 'enemy', kind: 'wasp', at: { x, y } });
const wall = (level: Level, column: number, row: number, cell = '#'): void => {
  level.ground.rows = level.ground.rows.map((text, y) =>
    y === row ? text.slice(0, column) + cell + text.slice(column + 1) : text,
  );
};
/** Walls round the last columns, so that the exit is cut off. */
const cutOff = (level: Level): void => {
  for (let row = 1; row < 11; row++) wall(level, 12, row);
};
const gate = (open: boolean): Piece => ({
  ...{ id: 'gate', piece: 'gate', name: 'Gate', at: { x: 12, y: 5 }, width: 1, height: 1, open },
});
const latch = (x: number, opens: string[] = ['gate']): Piece => ({
  ...{ id: 'latch', piece: 'latch', name: 'Latch', at: { x, y: 8.5 }, opens },
});
const ladder = (...thresholds: (number | null)[]): Level['stars'] => ({
  is: 'ladder',
  reading: 'worth',
  direction: 'atLeast',
  thresholds: thresholds.map((value) => (value === null ? null : literal(value))),
});
/** A parameter of the demo, with another ramp. */
const ramp = (project: Project, key: string, change: Partial<Project['parameters'][number]>): void =>
  void Object.assign(
    project.parameters.find((entry) => entry.key === key)!,
    change,
  );
/** The last level in a tier of its own, every parameter as before it. */
function lastLike23(project: Project): void {
  project.tiers.push({ id: 'night', name: 'Night', from: 24 });
  for (const parameter of project.parameters) parameter.pins['slot-24'] = valuesAt(project, 23)[parameter.key]!;
}
const steps = (from: number, add: number) => ({ type: 'steps' as const, from, add, every: 1, startingAt: 1 });
const line = (from: number, to: number) => ({
  type: 'points' as const,
  between: 'straight' as const,
  points: [
    { position: 1, value: from },
    { position: 24, value: to },
  ],
});

/** The garden as a walking and leaping level. */
function onLedge(level: Level): void {
  level.ground = { ...level.ground, kind: 'leap' } as Level['ground'];
}
/** The garden as a shaft to rise in, won at a height. Its ceiling is 11 units above the lower edge. */
function onShaft(project: Project, level: Level, height: number): void {
  level.ground = { ...level.ground, kind: 'lift' } as Level['ground'];
  project.player.radius = 0.3;
  level.rules = [rule('won', atLeast('high', { reading: 'height' }, height + 1), [{ effect: 'win' }])];
}

/** For each class, a change that brings it, and a similar one that does not. */
const CASES: Partial<Record<FindingCode, { brings: Change; beside: Change }>> = {
  'hurt-untouched': {
    brings: (_p, level) => {
      piece(level, enemy('w', 6.5, 5.5));
      level.rules.push(hitBy('wasp'));
      level.ground.pieces = level.ground.pieces.map((one) =>
        one.id === 'w' ? ({ ...one, path: [{ x: 1.5, y: 5.5 }] } as Piece) : one,
      );
    },
    beside: (_p, level) => {
      piece(level, { ...enemy('w', 6.5, 9.5), path: [{ x: 1.5, y: 9.5 }] } as Piece);
      level.rules.push(hitBy('wasp'));
    },
  },
  'start-in-danger': {
    brings: (_p, level) => wall(level, 2, 5),
    beside: (_p, level) => wall(level, 3, 5),
  },
  'danger-near-start': {
    brings: (_p, level) => {
      piece(level, enemy('w', 3.2, 6.4));
      level.rules.push(hitBy('wasp'));
    },
    beside: (_p, level) => {
      piece(level, enemy('w', 7.5, 8.5));
      level.rules.push(hitBy('wasp'));
    },
  },
  'spawn-near-start': {
    brings: (_p, level) => {
      piece(level, spawner(0.5));
      level.rules.push(hitBy('hornet'));
    },
    beside: (_p, level) => {
      piece(level, spawner(5));
      level.rules.push(hitBy('hornet'));
    },
  },
  'no-way-to-win': {
    brings: (_p, level) => void (level.rules = []),
    beside: (_p, level) => {
      level.rules = [];
      level.clock.atExpiry = 'win';
    },
  },
  'target-beyond-ground': {
    brings: (project, level) => onShaft(project, level, 9.9),
    beside: (project, level) => onShaft(project, level, 9.5),
  },
  'brief-outdated': {
    brings: (_p, level) => Object.assign(level, { brief: 'Find all.', briefFor: 'Gather 3 clover.' }),
    beside: (_p, level) => Object.assign(level, { brief: 'Find the way out.', briefFor: 'Reach Exit.' }),
  },
  'pit-without-end': {
    brings: (_p, level) => {
      onLedge(level);
      level.ground.rows = [...level.ground.rows.slice(0, -1), '#######..###########'];
    },
    beside: (_p, level) => {
      onLedge(level);
      level.ground.rows = [...level.ground.rows.slice(0, -1), '#######..###########'];
      level.rules.push(rule('fell', is('falls', { reading: 'offGround' }), [{ effect: 'lose', cause: 'Fell' }]));
    },
  },
  'goal-unreachable': {
    brings: (_p, level) => cutOff(level),
    beside: (_p, level) => {
      cutOff(level);
      wall(level, 12, 5, '.');
    },
  },
  'piece-unreachable': {
    brings: (_p, level) => {
      cutOff(level);
      wall(level, 12, 5, '.');
      piece(level, clover('walled', 8.5, 9.5));
      for (const [x, y] of [
        [7, 9],
        [9, 9],
        [8, 8],
        [8, 10],
        [7, 8],
        [9, 8],
        [7, 10],
        [9, 10],
      ] as const)
        wall(level, x, y);
    },
    beside: (_p, level) => piece(level, clover('free', 8.5, 9.5)),
  },
  'gate-locks-only-way': {
    brings: (_p, level) => {
      cutOff(level);
      wall(level, 12, 5, '.');
      piece(level, gate(false), latch(14.5));
    },
    beside: (_p, level) => {
      cutOff(level);
      wall(level, 12, 5, '.');
      piece(level, gate(false), latch(8.5));
    },
  },
  'too-little-time': {
    brings: (_p, level) => void (level.clock.limitSeconds = literal(1)),
    beside: (_p, level) => void (level.clock.limitSeconds = literal(8)),
  },
  'never-reachable': {
    brings: (_p, level) =>
      void level.rules.push(
        rule('m', atLeast('c', { reading: 'collected', of: 'any' }, 3), [{ effect: 'cue', name: 'x' }]),
      ),
    beside: (_p, level) =>
      void level.rules.push(
        rule('m', atLeast('c', { reading: 'collected', of: 'any' }, 2), [{ effect: 'cue', name: 'x' }]),
      ),
  },
  contradiction: {
    brings: (_p, level) =>
      void (level.rules[0]!.when = all(
        level.rules[0]!.when,
        atLeast('t1', { reading: 'timeElapsed' }, 9),
        atMost('t2', { reading: 'timeElapsed' }, 8),
      )),
    beside: (_p, level) =>
      void (level.rules[0]!.when = all(
        level.rules[0]!.when,
        atLeast('t1', { reading: 'timeElapsed' }, 8),
        atMost('t2', { reading: 'timeElapsed' }, 8),
      )),
  },
  'exact-jumped-over': {
    // Clover is worth 4.
    brings: (_p, level) => void level.rules.push(exactly(6)),
    beside: (_p, level) => void level.rules.push(exactly(8)),
  },
  'no-way-to-lose': {
    brings: (_p, level) => void (level.clock.limitSeconds = null),
    beside: (_p, level) => void (level.clock.atExpiry = 'lose'),
  },
  'life-without-end': {
    brings: (_p, level) => void level.rules.push(takesLife()),
    beside: (_p, level) =>
      void level.rules.push(
        takesLife(),
        rule('out', atMost('l', { reading: 'lives' }, 0), [{ effect: 'lose', cause: 'Out' }]),
      ),
  },
  'clock-never-starts': {
    brings: (_p, level) => void (level.clock.starts = 'condition'),
    beside: (_p, level) => {
      level.clock.starts = 'condition';
      level.clock.startsWhen = atLeast('s', { reading: 'collected', of: 'any' }, 1);
    },
  },
  'clock-absent': {
    brings: (_p, level) => {
      level.clock.limitSeconds = null;
      level.rules.push(rule('late', atMost('t', { reading: 'timeLeft' }, 5), [{ effect: 'lose', cause: 'Late' }]));
    },
    beside: (_p, level) =>
      void level.rules.push(rule('late', atMost('t', { reading: 'timeLeft' }, 5), [{ effect: 'lose', cause: 'Late' }])),
  },
  'rule-shadowed': {
    brings: (_p, level) => {
      level.clock.limitSeconds = literal(90);
      level.rules.push(rule('end', atLeast('e', { reading: 'timeElapsed' }, 30), [{ effect: 'lose', cause: 'Late' }]));
      level.rules.push(rule('m', atLeast('m-1', { reading: 'timeElapsed' }, 50), [{ effect: 'cue', name: 'x' }]));
    },
    beside: (_p, level) => {
      level.clock.limitSeconds = literal(90);
      level.rules.push(rule('end', atLeast('e', { reading: 'timeElapsed' }, 30), [{ effect: 'lose', cause: 'Late' }]));
      level.rules.push(rule('m', atLeast('m-1', { reading: 'timeElapsed' }, 29), [{ effect: 'cue', name: 'x' }]));
    },
  },
  'implied-condition': {
    brings: (_p, level) =>
      void (level.rules[0]!.when = all(
        level.rules[0]!.when,
        atLeast('w1', { reading: 'worth', of: 'any' }, 2),
        atLeast('w2', { reading: 'worth', of: 'any' }, 4),
      )),
    beside: (_p, level) =>
      void (level.rules[0]!.when = all(
        level.rules[0]!.when,
        atLeast('w1', { reading: 'worth', of: 'any' }, 2),
        atLeast('w2', { reading: 'collected', of: 'any' }, 2),
      )),
  },
  'rules-alike': {
    brings: (_p, level) => void level.rules.push({ ...won, id: 'won-2' }),
    beside: (_p, level) => void level.rules.push({ ...won, id: 'won-2', off: true }),
  },
  'endings-can-tie': {
    brings: (_p, level) =>
      void level.rules.push(rule('hold', atLeast('h', { reading: 'timeElapsed' }, 40), [{ effect: 'win' }])),
    beside: (_p, level) =>
      void level.rules.push(rule('hold', atLeast('h', { reading: 'timeElapsed' }, 39), [{ effect: 'win' }])),
  },
  'idle-effect': {
    brings: (_p, level) =>
      void level.rules.push(named('m', { effect: 'heal', by: literal(0) }, { effect: 'cue', name: 'x' })),
    beside: (_p, level) =>
      void level.rules.push(named('m', { effect: 'heal', by: literal(1) }, { effect: 'cue', name: 'x' })),
  },
  'message-too-short': {
    brings: (_p, level) =>
      void level.rules.push(named('m', { effect: 'message', text: 'x'.repeat(31), seconds: literal(2) })),
    beside: (_p, level) =>
      void level.rules.push(named('m', { effect: 'message', text: 'x'.repeat(30), seconds: literal(2) })),
  },
  'held-too-long': {
    brings: (_p, level) =>
      void (level.rules[0]!.when = { ...level.rules[0]!.when, heldSeconds: literal(601) } as Condition),
    beside: (_p, level) =>
      void (level.rules[0]!.when = { ...level.rules[0]!.when, heldSeconds: literal(600) } as Condition),
  },
  'standing-off-everywhere': {
    brings: (project) => {
      project.standing = [named('s', { effect: 'cue', name: 'x' })];
      for (const level of Object.values(project.levels)) level.standingRulesOff = ['s'];
    },
    beside: (project, level) => {
      project.standing = [named('s', { effect: 'cue', name: 'x' })];
      for (const other of Object.values(project.levels)) other.standingRulesOff = other === level ? [] : ['s'];
    },
  },
  'star-out-of-order': {
    brings: (_p, level) => void (level.stars = ladder(null, 8, 4)),
    beside: (_p, level) => void (level.stars = ladder(null, 4, 8)),
  },
  'star-given-to-all': {
    brings: (_p, level) => void (level.stars = ladder(null, 0)),
    beside: (_p, level) => void (level.stars = ladder(null, 1)),
  },
  'star-gate-beyond-earnable': {
    // The first slot has one star.
    brings: (project) => void (project.slots[1]!.starGate = literal(2)),
    beside: (project) => void (project.slots[1]!.starGate = literal(1)),
  },
  'ramp-leaves-sane-range': {
    brings: (project) => ramp(project, 'hornetSight', { ramp: { shape: { type: 'hold', value: 20.1 } }, pins: {} }),
    beside: (project) => ramp(project, 'hornetSight', { ramp: { shape: { type: 'hold', value: 20 } }, pins: {} }),
  },
  'ramp-crosses-zero': {
    brings: (project) => ramp(project, 'nestRest', { sane: { min: -5, max: 20 }, ramp: { shape: steps(9, -0.5) } }),
    beside: (project) => ramp(project, 'nestRest', { sane: { min: -5, max: 20 }, ramp: { shape: steps(12, -0.5) } }),
  },
  'ramp-jumps': {
    brings: (project) => ramp(project, 'hornetSight', { ramp: { shape: jump(8) }, pins: {} }),
    beside: (project) => ramp(project, 'hornetSight', { ramp: { shape: jump(6.8) }, pins: {} }),
  },
  'ramp-never-reaches-cap': {
    brings: (project) => ramp(project, 'hornetSight', { ramp: { shape: line(4, 8), atMost: 9 }, pins: {} }),
    beside: (project) => ramp(project, 'hornetSight', { ramp: { shape: line(4, 8), atMost: 7 }, pins: {} }),
  },
  'ramp-runs-away': {
    brings: (project) =>
      ramp(project, 'hornetSight', { sane: { min: 0, max: 9999 }, ramp: { shape: growth(0.3) }, pins: {} }),
    beside: (project) =>
      ramp(project, 'hornetSight', { sane: { min: 0, max: 9999 }, ramp: { shape: growth(0.05) }, pins: {} }),
  },
  'ramp-flat': {
    brings: (project) => ramp(project, 'hornetSight', { ramp: { shape: line(4, 8), roundTo: 2 }, pins: {} }),
    beside: (project) => ramp(project, 'hornetSight', { ramp: { shape: line(4, 8), roundTo: 0.5 }, pins: {} }),
  },
  'pin-far-off': {
    // The ramp gives 5, and the sane range is 1 to 20.
    brings: (project) => ramp(project, 'hornetSight', { pins: { 'slot-3': 9.8 } }),
    beside: (project) => ramp(project, 'hornetSight', { pins: { 'slot-3': 9.7 } }),
  },
  'identical-neighbours': {
    brings: (project, level) => {
      project.levels['dewdrop-lane'] = { ...structuredClone(level), id: 'dewdrop-lane', name: 'Another' };
      project.parameters.forEach((entry) => (entry.ramp = { shape: { type: 'hold', value: entry.sane.min } }));
      project.slots[1]!.levelId = 'dewdrop-lane';
    },
    beside: (project, level) => {
      project.levels['dewdrop-lane'] = { ...structuredClone(level), id: 'dewdrop-lane', name: 'Another', tie: 'loss' };
      project.parameters.forEach((entry) => (entry.ramp = { shape: { type: 'hold', value: entry.sane.min } }));
      project.slots[1]!.levelId = 'dewdrop-lane';
    },
  },
  'tier-without-level': {
    brings: (project) => void (project.tiers.at(-1)!.from = 25),
    beside: (project) => void (project.tiers.at(-1)!.from = 24),
  },
  'tier-changes-nothing': {
    brings: (project) => lastLike23(project),
    beside: (project) => {
      lastLike23(project);
      project.parameters[0]!.pins['slot-24']! += 0.1;
    },
  },
  'piece-in-wall': {
    brings: (_p, level) => piece(level, clover('walled', 0.5, 5.5)),
    beside: (_p, level) => piece(level, clover('free', 1.5, 5.5)),
  },
  'path-through-wall': {
    brings: (_p, level) => {
      wall(level, 10, 9);
      piece(level, { ...enemy('w', 8.5, 9.5), path: [{ x: 14.5, y: 9.5 }] } as Piece);
    },
    beside: (_p, level) => {
      wall(level, 10, 8);
      piece(level, { ...enemy('w', 8.5, 9.5), path: [{ x: 14.5, y: 9.5 }] } as Piece);
    },
  },
  'spawner-without-room': {
    brings: (_p, level) => piece(level, spawner(5, 0.5)),
    beside: (_p, level) => piece(level, spawner(5, 10.5)),
  },
  'collectable-in-hazard': {
    brings: (_p, level) => piece(level, clover('wet', 9, 9), pond(8.5)),
    beside: (_p, level) => piece(level, clover('dry', 9, 9), pond(9.5)),
  },
  'latch-or-gate-alone': {
    brings: (_p, level) => piece(level, gate(false)),
    beside: (_p, level) => piece(level, gate(false), latch(8.5)),
  },
  'dangers-on-one-cell': {
    brings: (_p, level) => piece(level, enemy('w1', 9.2, 9.5), enemy('w2', 9.7, 9.5)),
    beside: (_p, level) => piece(level, enemy('w1', 8.7, 9.5), enemy('w2', 9.7, 9.5)),
  },
  unused: {
    brings: (project) => void project.tallies.push({ id: 'spare', name: 'Spare', start: 0 }),
    beside: (project, level) => {
      project.tallies.push({ id: 'spare', name: 'Spare', start: 0 });
      level.rules.push(named('m', { effect: 'tally', tally: 'spare', add: literal(1) }));
    },
  },
  'next-leads-to-itself': {
    brings: (_p, level) => void (level.ending.won.next = { to: 'slot', slot: 'slot-1' }),
    beside: (_p, level) => void (level.ending.won.next = { to: 'slot', slot: 'slot-2' }),
  },
  'end-never-reached': {
    brings: (_p, level) => void (level.ending.won.next = { to: 'endOfRun' }),
    beside: (_p, level) => void (level.ending.won.next = { to: 'levelChoice' }),
  },
  'tally-never-reset': {
    brings: (project) => tally(project, { is: 'keep' }),
    beside: (project) => tally(project, { is: 'reset', to: null }),
  },
  'life-beyond-points': {
    brings: (project) => pointsForALife(project, 1e6),
    beside: (project) => pointsForALife(project, 500),
  },
  'level-in-no-slot': {
    brings: (project, level) =>
      void (project.levels['spare'] = { ...structuredClone(level), id: 'spare', name: 'Spare', tie: 'loss' }),
    beside: (project, level) => {
      project.levels['spare'] = { ...structuredClone(level), id: 'spare', name: 'Spare', tie: 'loss' };
      project.slots.push({ id: 'slot-25', levelId: 'spare' });
    },
  },
  'slots-side-by-side': {
    brings: (project) => void project.slots.splice(1, 0, { id: 'again', levelId: 'clover-steps' }),
    beside: (project) => void project.slots.splice(5, 0, { id: 'again', levelId: 'clover-steps' }),
  },
  'retry-gives-back': {
    brings: (project) => lives(project, { is: 'reset', to: null }),
    beside: (project) => lives(project, { is: 'keep' }),
  },
  'duplicated-literal': {
    brings: (project) => limits(project, ['clover-steps', 'lavender-bank', 'the-greedy-bee']),
    beside: (project) => limits(project, ['clover-steps', 'lavender-bank']),
  },
  'rules-repeated': {
    brings: (project) => repeated(project, 16),
    beside: (project) => repeated(project, 12),
  },
};

const spawner = (safeDistance: number, y = 5.5): Piece => ({
  ...{ id: 's', piece: 'spawner', kind: 'hornet', at: { x: 9.5, y: y === 0.5 ? 0.5 : y }, starts: 'load' },
  ...{ howMany: literal(1), firstAfterSeconds: literal(20), everySeconds: literal(5), safeDistance },
});
const hitBy = (kind: string): Rule =>
  rule('hit', is('t', { reading: 'touching', kind }), [{ effect: 'lose', cause: 'Hit' }]);
const pond = (x: number): Piece => ({ id: 'p', piece: 'hazard', kind: 'pond', at: { x, y: 8.5 }, width: 1, height: 1 });
const exactly = (value: number): Rule =>
  rule('e', { ...atLeast('e-1', { reading: 'worth', of: 'any' }, value), comparison: 'exactly' } as Condition, [
    { effect: 'cue', name: 'x' },
  ]);
const takesLife = (): Rule =>
  rule(
    'hit',
    is('t', { reading: 'touching', kind: 'wasp' }),
    [{ effect: 'loseLife', lives: literal(1), back: 'start', resets: [] }],
    'eachTime',
  );
const jump = (to: number) => ({
  type: 'points' as const,
  between: 'straight' as const,
  points: [
    { position: 1, value: 5 },
    { position: 2, value: to },
  ],
});
const growth = (rate: number) => ({ type: 'growth' as const, from: 4, rate, every: 1, startingAt: 1 });
type Policy = { is: 'keep' } | { is: 'reset'; to: null };
const tally = (project: Project, gameOver: Policy): void => {
  project.tallies.push({ id: 'spare', name: 'Spare', start: 0 });
  project.standing = [named('m', { effect: 'tally', tally: 'spare', add: literal(1) })];
  project.run.keep['spare'] = { retry: { is: 'keep' }, next: { is: 'keep' }, gameOver };
};
const lives = (project: Project, retry: Policy): void => {
  project.run.keep['lives'] = { retry, next: { is: 'keep' }, gameOver: { is: 'reset', to: null } };
};
function pointsForALife(project: Project, every: number): void {
  project.run.lifeEvery = literal(every);
  project.score = [{ id: 'worth', reading: { reading: 'worth', of: 'any' }, times: literal(1) }];
  for (const level of Object.values(project.levels)) {
    if ('sections' in level.ground) project.slots = project.slots.filter(({ levelId }) => levelId !== level.id);
    if ('sections' in level.ground) delete project.levels[level.id];
    level.rules = level.rules.filter(({ then }) => !then.some(({ effect }) => effect === 'score'));
  }
  project.expectations = [];
  project.parameters.forEach((entry) => (entry.pins = {}));
}
const limits = (project: Project, levels: string[]): void => {
  for (const id of levels) project.levels[id]!.clock.limitSeconds = literal(77);
};
const repeated = (project: Project, count: number): void => {
  Object.values(project.levels)
    .slice(0, count)
    .forEach((level, index) =>
      level.rules.push(
        rule(`rep-${index}`, atLeast(`rep-c-${index}`, { reading: 'tries' }, 4), [{ effect: 'cue', name: 'help' }]),
      ),
    );
};

/** Tried in tables of their own. */
const ELSEWHERE: readonly FindingCode[] = [
  ...(['already-true', 'target-beyond-placed', 'star-unreachable', 'tight-gap'] as const),
  ...(['formula-error', 'formula-cycle', 'expectation-not-met'] as const),
  ...(['bout-without-end', 'cannot-be-hurt', 'one-hit-ends-it', 'weights-of-nothing'] as const),
  ...(['action-never-used', 'experience-stalls', 'meetings-rare', 'drop-nobody-sees'] as const),
];

/** Classes that are about several levels: they are tried with all levels of the demo. */
const AMONG_OTHERS: ReadonlySet<FindingCode> = new Set<FindingCode>([
  ...(['duplicated-literal', 'identical-neighbours', 'rules-repeated', 'slots-side-by-side'] as const),
  ...(['star-gate-beyond-earnable', 'life-beyond-points', 'tier-changes-nothing', 'tier-without-level'] as const),
  ...(['pin-far-off', 'ramp-crosses-zero', 'ramp-flat', 'ramp-jumps', 'ramp-never-reaches-cap'] as const),
  ...(['ramp-runs-away'] as const),
]);

describe('every class of findings', () => {
  it('is tried here, or in a table of its own', () => {
    const read = FINDING_CLASSES.filter(({ source }) => source !== 'attempts').map(({ code }) => code);
    expect(read.filter((code) => !(code in CASES) && !ELSEWHERE.includes(code))).toEqual([]);
  });

  it('has a code and a title of its own', () => {
    for (const name of ['code', 'title'] as const)
      expect(new Set(FINDING_CLASSES.map((each) => each[name])).size).toBe(FINDING_CLASSES.length);
    const codes = FINDING_CLASSES.map(({ code }) => code);
    expect([...Object.keys(CASES), ...ELSEWHERE].filter((code) => !codes.includes(code))).toEqual([]);
  });

  describe.each(Object.entries(CASES) as [FindingCode, { brings: Change; beside: Change }][])(
    '%s',
    (code, { brings, beside }) => {
      const alone = !AMONG_OTHERS.has(code);
      const project = sound(brings, alone);
      const found = news(project).filter((finding) => finding.code === code);

      it('is found, with its numbers in plain words', () => {
        expect(found.length).toBeGreaterThan(0);
        for (const { sentence, reason, slotId } of found) {
          expect(sentence).toMatch(/^.{10,140}[.]$/);
          expect(reason).toMatch(/^.{5,300}[.]$/);
          expect(sentence + reason).not.toMatch(/Infinity|NaN|undefined/);
          expect(project.slots.map(({ id }) => id)).toContain(slotId);
        }
      });

      it('is not found beside it', () => {
        expect(news(sound(beside, alone)).filter((finding) => finding.code === code)).toEqual([]);
      });

      it('is cured by its mend, which brings nothing else', () => {
        for (const finding of found) {
          if (!finding.mend) continue;
          const mended = news(after(project, finding.mend)).map(keyOf);
          expect(mended).not.toContain(keyOf(finding));
          const others = news(project).map(keyOf);
          expect(mended.filter((key) => !others.includes(key))).toEqual([]);
        }
      });
    },
  );
});
