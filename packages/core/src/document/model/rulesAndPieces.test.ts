import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import type { Condition as AnyCondition, Project } from './index.ts';
import {
  Clock,
  Condition,
  Effect,
  EnemyEntry,
  ExpectationEntry,
  TallyPolicy,
  findReferenceProblems,
  literal,
  PieceEntry,
  RuleEntry,
  Run,
  Stars,
} from './index.ts';

const number = literal(1);
const at = { x: 1, y: 1 };
const lives = { id: 'l', is: 'compare', reading: { reading: 'lives' }, comparison: 'atMost', amount: number };

describe('an effect', () => {
  it.each([
    [{ effect: 'win' }, true],
    [{ effect: 'lose' }, false],
    [{ effect: 'lose', cause: 'Stung' }, true],
    [{ effect: 'loseLife', lives: number, back: 'checkpoint', resets: ['gathered'] }, true],
    [{ effect: 'loseLife', lives: number, back: 'home', resets: [] }, false],
    [{ effect: 'loseLife', lives: number, back: 'start' }, false],
    [{ effect: 'gate', gate: 'gate-1', open: true }, true],
    [{ effect: 'gate', gate: 'gate-1' }, false],
    [{ effect: 'parameter', parameter: 'clock', change: 'times', by: number }, true],
    [{ effect: 'parameter', parameter: 'clock', change: 'halve', by: number }, false],
    [{ effect: 'message', text: '  ', seconds: number }, false],
    [{ effect: 'cue', name: 'hum', at: 'hive' }, true],
    [{ effect: 'tally', tally: 'stings', add: number }, true],
    [{ effect: 'heal', by: number }, true],
    [{ effect: 'dance' }, false],
  ])('%j is one: %s', (value, expected) => {
    expect(Effect.safeParse(value).success).toBe(expected);
  });
});

describe('a piece', () => {
  it.each([
    [{ order: 1, at, piece: 'latch', name: 'Latch', opens: [] }, true],
    [{ order: 1, at, piece: 'latch', name: 'Latch' }, false],
    [{ order: 1, at, piece: 'gate', name: 'Gate', width: 1, height: 2, open: false }, true],
    [{ order: 1, at, piece: 'gate', name: 'Gate', width: 1.5, height: 2, open: false }, false],
    [{ order: 1, at, piece: 'hazard', kind: 'pond', width: 2, height: 1 }, true],
    [{ order: 1, at, piece: 'collectable', kind: 'clover', hidden: true }, true],
    [{ order: 1, at, piece: 'collectable', kind: 'clover', hidden: false }, false],
    [{ order: 1, at, piece: 'checkpoint', name: 'Leaf' }, true],
    [
      { order: 1, at, piece: 'emitter', kind: 'thorn', aim: 90, everySeconds: number, speed: number, reach: number },
      true,
    ],
    [
      { order: 1, at, piece: 'emitter', kind: 'thorn', aim: 'up', everySeconds: number, speed: number, reach: number },
      false,
    ],
  ])('%j is one: %s', (value, expected) => {
    expect(PieceEntry.safeParse(value).success).toBe(expected);
  });

  it('that is an enemy can have health and phases within it', () => {
    const beetle = { order: 1, name: 'Beetle', movement: 'still', speed: number, radius: 0.4 };
    expect(EnemyEntry.safeParse({ ...beetle, health: number, phases: [0.5, 0.2] }).success).toBe(true);
    expect(EnemyEntry.safeParse({ ...beetle, phases: [1] }).success).toBe(false);
  });
});

describe('conditions, rules, clock and stars', () => {
  it.each([
    ['at least two of', Condition, { id: 'g', is: 'atLeast', count: literal(2), of: [lives] }, true],
    ['in order', Condition, { id: 'g', is: 'inOrder', of: [lives] }, true],
    ['sometimes', Condition, { id: 'g', is: 'sometimes', of: [lives] }, false],
    [
      'a rule again and again',
      RuleEntry,
      { order: 1, when: lives, then: [{ effect: 'win' }], fires: 'every', everySeconds: number },
      true,
    ],
    ['a rule that does nothing', RuleEntry, { order: 1, when: lives, then: [], fires: 'once' }, false],
    [
      'a rule switched off',
      RuleEntry,
      { order: 1, when: lives, then: [{ effect: 'win' }], fires: 'once', off: true },
      true,
    ],
    [
      'a rule switched off twice',
      RuleEntry,
      { order: 1, when: lives, then: [{ effect: 'win' }], fires: 'once', off: false },
      false,
    ],
    [
      'a clock that grades',
      Clock,
      {
        limitSeconds: number,
        starts: 'condition',
        startsWhen: lives,
        warnAtSeconds: null,
        parSeconds: null,
        atExpiry: 'grade',
      },
      true,
    ],
    [
      'stars by tries',
      Stars,
      { is: 'ladder', reading: 'tries', direction: 'atMost', thresholds: [null, number] },
      true,
    ],
    ['stars by mood', Stars, { is: 'ladder', reading: 'mood', direction: 'atMost', thresholds: [number] }, false],
    ['a condition each', Stars, { is: 'conditions', conditions: [null, lives] }, true],
    ['six stars', Stars, { is: 'conditions', conditions: [null, null, null, null, null, null] }, false],
    ['a fate', TallyPolicy, { is: 'reset', to: null }, true],
    ['no fate', TallyPolicy, { is: 'reset' }, false],
    ['a rate', ExpectationEntry, { order: 1, is: 'clearRate', slotId: 's', pacer: 'steady', low: 0.7, high: 1 }, true],
    [
      'a rate above all',
      ExpectationEntry,
      { order: 1, is: 'clearRate', slotId: 's', pacer: 'steady', low: 0.7, high: 2 },
      false,
    ],
    [
      'a verdict of nothing',
      ExpectationEntry,
      { order: 1, is: 'verdict', slotId: 's', words: '', frames: [], verdict: 'won' },
      false,
    ],
  ])('%s', (_case, schema, value, expected) => {
    expect(schema.safeParse(value).success).toBe(expected);
  });

  it('a run knows its orders and what opens a slot', () => {
    const { run } = homeBeforeDusk();
    expect(Run.safeParse({ ...run, order: 'shuffled', unlock: { by: 'stars', perSlot: number } }).success).toBe(true);
    expect(Run.safeParse({ ...run, unlock: { by: 'stars' } }).success).toBe(false);
    expect(Run.safeParse({ ...run, onGameOver: 'nowhere' }).success).toBe(false);
  });
});

describe('names that lead nowhere', () => {
  const found = (change: (project: Project) => void): string => {
    const project = homeBeforeDusk();
    change(project);
    return findReferenceProblems(project)
      .map(({ path, message }) => `/${path.join('/')} ${message}`)
      .join('\n');
  };
  const dusk = (project: Project) => project.levels['home-before-dusk']!;
  it.each<[string, (project: Project) => void, string]>([
    [
      'a gate in an effect',
      (p) =>
        dusk(p).rules.push({
          ...dusk(p).rules[1]!,
          id: 'x',
          when: { id: 'x', is: 'all', of: [] },
          then: [{ effect: 'gate', gate: 'gone', open: true }],
        }),
      'There is no gate “gone” on this ground.',
    ],
    [
      'a gate of a latch',
      (p) =>
        Object.assign(
          dusk(p).ground.pieces.find(({ piece }) => piece === 'latch')!,
          { opens: ['gone'] },
        ),
      'There is no gate “gone”',
    ],
    [
      'a hazard',
      (p) =>
        Object.assign(
          dusk(p).ground.pieces.find(({ piece }) => piece === 'hazard')!,
          { kind: 'lava' },
        ),
      'There is no hazard “lava”.',
    ],
    [
      'a kind in a limit of the clock',
      (p) => (dusk(p).clock.limitSeconds = { from: 'placed', of: 'gone', measure: 'count' }),
      '/levels/home-before-dusk/clock/limitSeconds/of There is no collectable “gone”.',
    ],
    [
      'a kind in the speed of an enemy',
      (p) => (p.kinds.enemies[0]!.speed = { from: 'share', share: number, of: 'gone', measure: 'worth' }),
      '/kinds/enemies/hornet/speed/of There is no collectable “gone”.',
    ],
    [
      'more spawners than a ground may have',
      (p) => {
        const nest = dusk(p).ground.pieces.find(({ piece }) => piece === 'spawner')!;
        for (let i = 0; i < 24; i++) dusk(p).ground.pieces.push({ ...nest, id: `nest-${i}` });
      },
      'At most 24 spawners on a ground; this has 26. Let fewer of them send more.',
    ],
    [
      'more conditions than a level may have',
      (p) => {
        const many = (id: string): AnyCondition => ({
          id,
          is: 'any',
          of: Array.from({ length: 20 }, (_, i) => ({ ...(lives as AnyCondition), id: `${id}-${i}` })),
        });
        const rule = dusk(p).rules[0]!;
        for (let i = 0; i < 20; i++) dusk(p).rules.push({ ...rule, id: `r-${i}`, when: many(`m-${i}`) });
      },
      'At most 400 conditions in a level, standing rules included',
    ],
    [
      'more effects than a level may have',
      (p) => {
        const rule = { ...dusk(p).rules[0]!, then: Array.from({ length: 10 }, () => ({ effect: 'win' as const })) };
        for (let i = 0; i < 30; i++)
          dusk(p).rules.push({ ...rule, id: `r-${i}`, when: { ...rule.when, id: `w-${i}` } });
      },
      'At most 300 effects in a level',
    ],
    [
      'more ramps along readings than a project may have',
      (p) => {
        const [first] = p.parameters;
        const ramp = { axis: 'score' as const, shape: { type: 'hold' as const, value: 1 } };
        for (let i = 0; i < 17; i++) p.parameters.push({ ...first!, key: `live${i}`, ramp });
      },
      'At most 16 ramps along readings in a project; this has 17.',
    ],
    ['a tally', (p) => (p.tallies = []), 'There is no tally “stings”.'],
    [
      'a tally that a life loses',
      (p) => Object.assign(p.standing[1]!.then[0]!, { resets: ['hope'] }),
      '“hope” is nothing that a life can lose.',
    ],
    [
      'a tally named like one of Stadion’s',
      (p) => p.tallies.push({ id: 'score', name: 'Score', start: 0 }),
      'Stadion counts itself',
    ],
    [
      'a zone in a standing rule',
      (p) => (p.standing[0]!.when = { id: 'z', is: 'onOff', reading: { reading: 'inside', zone: 'hive' }, on: true }),
      'What holds in every level cannot name the goal or zone “hive” of one.',
    ],
    ['a standing rule switched off', (p) => dusk(p).standingRulesOff.push('gone'), 'There is no standing rule “gone”.'],
    ['a standing rule replaced', (p) => (dusk(p).rules[0]!.replaces = 'gone'), 'There is no standing rule “gone”.'],
    [
      'an own rule called like a standing one',
      (p) => (dusk(p).rules[0]!.id = 'hornet-touch'),
      'is the id of a standing rule',
    ],
    [
      'a slot after an ending',
      (p) => (dusk(p).ending.won.next = { to: 'slot', slot: 'gone' }),
      'There is no slot “gone”.',
    ],
    ['a slot of an expectation', (p) => (p.expectations[0]!.slotId = 'gone'), 'There is no slot “gone”.'],
    [
      'the score in the score',
      (p) => (p.score[0]!.reading = { reading: 'score' }),
      'The score cannot be a part of itself.',
    ],
    [
      'a parameter that an effect changes',
      (p) => dusk(p).rules[0]!.then.push({ effect: 'parameter', parameter: 'gone', change: 'set', by: number }),
      'There is no parameter “gone”.',
    ],
    [
      'a clock without its condition',
      (p) => (dusk(p).clock.starts = 'condition'),
      'A clock that starts on a condition needs one.',
    ],
  ])('%s', (_case, change, message) => {
    expect(found(change)).toContain(message);
  });
});
