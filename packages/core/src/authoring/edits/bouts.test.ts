import { describe, expect, it } from '@jest/globals';
import { statisticsOf } from '../../play/bouts/index.ts';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import {
  documentOf,
  emptyProject,
  findReferenceProblems,
  projectOf,
  usesOfParameter,
  type Bouts,
  type Level,
  type Meetings,
  type Project,
} from '../../document/model/index.ts';
import { actionFormulaError } from '../../document/ramps/index.ts';
import { after as edited, hiveBouts } from '../../testing/index.ts';
import {
  addAction,
  addElement,
  addFighter,
  addGroup,
  addStatistic,
  removeAction,
  removeElement,
  removeFighter,
  removeGroup,
  removeStatistic,
  renameStatistic,
  setLikeness,
  setMeetings,
  setStatistic,
  setUse,
  startBouts,
  statisticKey,
} from './bouts.ts';
import type { NamedEdit } from './edit.ts';

function after(bouts: Bouts | undefined, edit: NamedEdit | undefined): Bouts {
  return edited({ ...emptyProject('Fights'), bouts }, edit).bouts!;
}

const numbers = (bouts: Bouts, id: string): number[] =>
  statisticsOf(
    bouts,
    bouts.fighters.find((fighter) => fighter.id === id)!,
    1,
    {},
  );

describe('fights', () => {
  it('begin with usual statistics, one action, and one on either side', () => {
    const bouts = after(undefined, startBouts('Bee'));
    expect(bouts.statistics.map(({ key }) => key)).toEqual([
      'health',
      'strength',
      'guard',
      'focus',
      'ward',
      'swiftness',
    ]);
    expect(bouts.fighters.map(({ name, side }) => [name, side])).toEqual([
      ['Bee', 'ours'],
      ['Foe', 'theirs'],
    ]);
    const keys = bouts.statistics.map(({ key }) => key);
    for (const { formula } of bouts.actions) expect(actionFormulaError(formula, keys, [])).toBeUndefined();
  });

  it('come out of a document as they went in', () => {
    const bouts = hiveBouts();
    const read = projectOf(documentOf({ ...emptyProject('Fights'), bouts })).bouts!;
    expect(read.fighters.map(({ id }) => id)).toEqual(bouts.fighters.map(({ id }) => id));
    expect(numbers(read, 'soldier-ant')).toEqual(numbers(bouts, 'soldier-ant'));
  });
});

describe('what is named and not there', () => {
  it.each<[string, (bouts: Bouts) => void, string]>([
    [
      'a fighter in a group',
      ({ groups }) => void (groups[0]!.members[0]!.fighter = 'moth'),
      '/bouts/groups/two-ants/members/0/fighter',
    ],
    [
      'the one another is like',
      ({ fighters }) => void (fighters[3]!.like!.fighter = 'moth'),
      '/bouts/fighters/soldier-ant/like/fighter',
    ],
    [
      'an action',
      ({ fighters }) => void (fighters[0]!.uses = { roar: { weight: 1 } }),
      '/bouts/fighters/bee/uses/roar',
    ],
    ['an element', ({ actions }) => void (actions[0]!.element = 'frost'), '/bouts/actions/sting/element'],
    ['what is taken', ({ fighters }) => void (fighters[0]!.takes = { frost: 2 }), '/bouts/fighters/bee/takes/frost'],
    ['a group that is met', ({ groups }) => void (groups.length = 0), '/levels/two-ponds/meetings/groups/two-ants'],
    [
      'a parameter',
      ({ groups }) => void (groups[1]!.members[1]!.count = { from: 'parameter', parameter: 'moths' }),
      '/bouts/groups/captain/members/1/count/parameter',
    ],
  ])('%s is reported', (_case, change, path) => {
    const project = homeBeforeDusk();
    const bouts = hiveBouts();
    project.bouts = bouts;
    for (const level of Object.values(project.levels)) {
      delete level.meetings;
      delete level.bout;
    }
    project.levels['two-ponds']!.meetings = {
      ...{ groups: { 'two-ants': 1 }, many: { from: 'number', value: 2 }, mayWithdraw: true, whenLost: 'goOn' },
    };
    expect(findReferenceProblems(project)).toEqual([]);
    change(bouts);
    // A level is looked at once as long as it is the same.
    project.levels['two-ponds'] = { ...project.levels['two-ponds']! };
    expect(findReferenceProblems(project).map((problem) => `/${problem.path.join('/')}`)).toEqual([path]);
  });

  it('of parameters, uses in groups and formulas are found', () => {
    const project = homeBeforeDusk();
    project.bouts!.actions[0]!.formula = 'mine(strength) + clock / 10';
    const paths = (key: string): string[] => usesOfParameter(project, key).map(({ path }) => path.join('/'));
    expect(paths('clock')).toContain('bouts/actions/sting/formula');
    expect(paths('hornetsSent')).toContain('bouts/groups/captain/members/1/count');
  });
});

describe('a statistic that is renamed', () => {
  const bouts = hiveBouts();
  bouts.fighters[0]!.worn = [{ name: 'Bark shield', plus: { guard: 4 } }];
  const guard = bouts.statistics.find(({ key }) => key === 'guard')!;

  it('is carried through formulas, fighters, likenesses and what is worn', () => {
    const renamed = after(bouts, renameStatistic(bouts, guard, 'Hard shell'));
    expect(renamed.statistics.map(({ key, name }) => `${key} ${name}`)).toContain('hardShell Hard shell');
    expect(renamed.actions[0]!.formula).toBe('max(1, mine(strength) - theirs(hardShell) / 3)');
    for (const { id } of bouts.fighters) expect(numbers(renamed, id)).toEqual(numbers(bouts, id));
    const focus = bouts.statistics.find(({ key }) => key === 'focus')!;
    const costs = after(bouts, renameStatistic(bouts, focus, 'Breath')).actions.map((action) => action.costs);
    expect(costs).toContainEqual({ breath: 4 });
  });

  it('keeps its key where only its writing changes, and takes none that is there', () => {
    expect(renameStatistic(bouts, guard, 'GUARD').patch).toHaveLength(1);
    expect(statisticKey('Strength!', new Set(['strength']))).toBe('strength2');
    expect(statisticKey('7 lives', new Set())).toBe('lives');
    expect(statisticKey('守り', new Set())).toBe('statistic');
  });

  it('that is taken away leaves formulas that say so', () => {
    const without = after(bouts, removeStatistic(bouts, guard));
    expect(without.fighters.every(({ statistics }) => !Object.hasOwn(statistics, 'guard'))).toBe(true);
    const keys = without.statistics.map(({ key }) => key);
    expect(actionFormulaError(without.actions[0]!.formula, keys, [])!.message).toMatch(/no statistic called guard/);
    expect(after(bouts, addStatistic(bouts)).statistics).toHaveLength(6);
  });
});

describe('fighters', () => {
  const bouts = hiveBouts();
  const ant = bouts.fighters.find(({ id }) => id === 'ant')!;
  const soldier = bouts.fighters.find(({ id }) => id === 'soldier-ant')!;
  const health = bouts.statistics[0]!;

  it('can be like another, but', () => {
    const added = addFighter(bouts, 'theirs', ant);
    const more = after(bouts, added);
    expect(numbers(more, added.id)).toEqual(numbers(bouts, 'ant'));
    const made = more.fighters.find(({ id }) => id === added.id)!;
    const doubled = after(more, setLikeness(made, health, { times: 2, plus: 0 }));
    expect(numbers(doubled, added.id)[0]).toBe(60);
    // The relation stays when the other changes.
    const stronger = after(doubled, setStatistic(ant, health, { from: 'number', value: 50 }));
    expect(numbers(stronger, added.id)[0]).toBe(100);
    expect(setLikeness(ant, health, undefined)).toBeUndefined();
    expect(numbers(after(bouts, setStatistic(soldier, health, { from: 'number', value: 7 })), 'soldier-ant')[0]).toBe(
      7,
    );
  });

  it('that go leave groups without them, and those like them with the numbers they had', () => {
    const named = (id: string) =>
      Object.fromEntries(bouts.statistics.map(({ key }, i) => [key, numbers(bouts, id)[i]!]));
    const left = after(
      bouts,
      removeFighter(bouts, ant, ({ id }) => named(id)),
    );
    expect(numbers(left, 'soldier-ant')).toEqual(numbers(bouts, 'soldier-ant'));
    expect(left.groups.map(({ id, members }) => [id, members.length])).toEqual([['captain', 1]]);
  });

  it('do what their command says, each time it is given', () => {
    const bite = bouts.actions.find(({ id }) => id === 'bite')!;
    const rarely = after(bouts, setUse(ant, bite, { weight: 1, everyTurns: 3 }));
    expect(rarely.fighters[2]!.uses).toEqual({ bite: { weight: 1, everyTurns: 3 } });
    expect(after(bouts, setUse(ant, bite, undefined)).fighters[2]!.uses).toEqual({});
    expect(addFighter(bouts, 'ours').label).toBe('Add fighter Companion');
  });
});

describe('actions, elements and groups', () => {
  const bouts = hiveBouts();

  it('that are removed go out of the meetings of every level', () => {
    const meetings: Meetings = {
      ...{ groups: { 'two-ants': 1 }, many: { from: 'number', value: 2 }, mayWithdraw: true, whenLost: 'goOn' },
    };
    const project: Project = { ...homeBeforeDusk(), bouts };
    const [one, other] = [project.levels['clover-steps']!, project.levels['two-ponds']!];
    const met = (level: Level, said: Meetings | undefined): Level => ({ ...level, meetings: said });
    const edit = removeGroup(
      [met(one, meetings), met(other, { ...meetings, groups: { 'two-ants': 0.5, captain: 0.5 } })],
      bouts.groups[0]!,
    );
    expect(edit.patch.map(({ op, path }) => `${op} ${path}`)).toEqual([
      'remove /levels/clover-steps/meetings',
      'remove /levels/two-ponds/meetings/groups/two-ants',
      'remove /bouts/groups/two-ants',
    ]);
    expect(setMeetings(met(one, undefined), undefined).patch).toEqual([]);
    expect(setMeetings(met(one, undefined), meetings).patch).toHaveLength(1);
  });

  it('come with usual words and a name of their own', () => {
    const action = after(bouts, addAction(bouts)).actions.at(-1)!;
    expect(action).toMatchObject({ name: 'Action', formula: 'mine(strength)', chance: 1 });
    expect(after(bouts, addElement(bouts)).elements).toHaveLength(3);
    expect(after(bouts, addGroup(bouts)).groups.at(-1)!.members).toHaveLength(1);
    expect(addGroup({ ...bouts, fighters: [] })).toBeUndefined();
  });

  it('go from all that names them', () => {
    const sting = bouts.actions[0]!;
    const without = after(bouts, removeAction(bouts, sting));
    expect(without.fighters.some(({ uses }) => Object.hasOwn(uses, 'sting'))).toBe(false);
    const plain = after(bouts, removeElement(bouts, bouts.elements[0]!));
    expect(plain.actions.some(({ element }) => element === 'venom')).toBe(false);
    expect(plain.fighters.some(({ takes }) => Object.hasOwn(takes, 'venom'))).toBe(false);
  });
});
