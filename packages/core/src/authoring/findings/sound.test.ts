import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import {
  fromParameter,
  literal,
  type Effect,
  type Level,
  type Piece,
  type Project,
  type Rule,
} from '../../document/model/index.ts';
import { usualBoutRules } from '../edits/index.ts';
import { atLeast, garden, is, rule } from '../../testing/index.ts';
import { findingsAt, findingsOf, type FindingCode } from './index.ts';

const goal: Piece = { id: 'goal', piece: 'goal', name: 'Goal', at: { x: 15, y: 4 }, width: 2, height: 3 };
const latch: Piece = { id: 'latch', piece: 'latch', name: 'Latch', at: { x: 5, y: 8.5 }, opens: [] };
const won = rule('won', is('in', { reading: 'inside', zone: 'goal' }), [{ effect: 'win' }]);
const atLatch = is('at-latch', { reading: 'latch', latch: 'latch' });
const drop = (effects: Effect[]): Rule => rule('drop', is('touch', { reading: 'offGround' }), effects, 'eachTime');

type Change = (project: Project, level: Level) => void;
const codesOf = (change: Change, pieces: Piece[] = [goal], rules: Rule[] = [won]): FindingCode[] =>
  findingsAt(garden({ alone: true, pieces, rules: structuredClone(rules), change }), 1).map(({ code }) => code);

describe('a latch', () => {
  it('has no effect where nothing reads it', () =>
    expect(codesOf(() => undefined, [goal, latch])).toContain('latch-or-gate-alone'));

  it('has an effect where a star reads it', () =>
    expect(
      codesOf((_p, level) => (level.stars = { is: 'conditions', conditions: [null, atLatch] }), [goal, latch]),
    ).not.toContain('latch-or-gate-alone'));

  it('has an effect where the clock starts by it', () =>
    expect(
      codesOf(
        (_p, level) =>
          (level.clock = { ...level.clock, limitSeconds: literal(30), starts: 'condition', startsWhen: atLatch }),
        [goal, latch],
      ),
    ).not.toContain('latch-or-gate-alone'));
});

describe('a clock of one second', () => {
  const short: Change = (_p, level) => (level.clock = { ...level.clock, limitSeconds: literal(1) });
  const loses = (resets: string[]): Rule =>
    drop([{ effect: 'loseLife', lives: literal(1), back: 'start', resets } as Effect]);

  it('is too short for a way of twelve units', () => expect(codesOf(short)).toContain('too-little-time'));

  it('may be enough where a lost life sets it back', () => {
    expect(codesOf(short, [goal], [won, loses(['clock'])])).not.toContain('too-little-time');
    expect(codesOf(short, [goal], [won, loses([])])).toContain('too-little-time');
  });
});

describe('a win by more health than a player has', () => {
  const strong = rule('won', atLeast('strong', { reading: 'health' }, 150), [{ effect: 'win' }]);
  const grows = rule('grows', is('at', { reading: 'inside', zone: 'goal' }), [
    { effect: 'parameter', parameter: 'hornetSpeed', change: 'set', by: literal(200) },
  ]);

  it('cannot come', () => {
    const codes = codesOf(() => undefined, [goal], [strong]);
    expect(codes.some((code) => ['no-way-to-win', 'target-beyond-placed'].includes(code))).toBe(true);
  });

  it('may come where a milestone changes what the health follows', () => {
    const codes = codesOf((project) => (project.player.health = fromParameter('hornetSpeed')), [goal], [strong, grows]);
    expect(codes).not.toContain('no-way-to-win');
    expect(codes).not.toContain('target-beyond-placed');
  });
});

describe('a star gate before slot 2', () => {
  const found = (change: (project: Project) => void): boolean => {
    const project = homeBeforeDusk();
    project.slots[1]!.starGate = literal(6);
    change(project);
    return findingsOf(project).some(({ code, slotId }) => code === 'star-gate-beyond-earnable' && slotId === 'slot-2');
  };

  it('never opens where only slot 1 comes before it', () => expect(found(() => undefined)).toBe(true));

  it.each<[string, (project: Project) => void]>([
    ['the order is shuffled', (project) => (project.run.order = 'shuffled')],
    ['all slots are open', (project) => (project.run.unlock = { by: 'open' })],
    [
      'a way jumps',
      (project) =>
        (project.levels[project.slots[0]!.levelId]!.ending.won.next = { to: 'slot', slot: project.slots[4]!.id }),
    ],
  ])('may open where %s', (_case, change) => expect(found(change)).toBe(false));
});

describe('a fighter that nobody can hurt', () => {
  const found = (change: Change): boolean =>
    findingsOf(
      garden({
        alone: true,
        rules: usualBoutRules(),
        change(project, level) {
          level.bout = { group: 'ants', party: [{ fighter: 'bee', level: literal(3) }] };
          for (const action of project.bouts!.actions) action.formula = 'max(0, mine(strength) - 9000)';
          change(project, level);
        },
      }),
    ).some(({ code, path }) => code === 'cannot-be-hurt' && path.endsWith('/ant'));

  it('is found', () => expect(found(() => undefined)).toBe(true));

  it('is not found where harm grows with what changes in the fight', () =>
    expect(
      found((project) => {
        for (const action of project.bouts!.actions) action.formula = 'max(0, 60 - mine(health))';
      }),
    ).toBe(false));

  it('is not found where holding out wins', () =>
    expect(
      found((_project, level) => {
        level.rules = level.rules.filter(({ then }) => !then.some(({ effect }) => effect === 'win'));
        level.rules.push(rule('held', atLeast('long', { reading: 'rounds' }, 5), [{ effect: 'win' }]));
      }),
    ).toBe(false));
});
