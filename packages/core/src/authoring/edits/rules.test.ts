import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import type { Condition, Level, Project, Rule } from '../../document/model/index.ts';
import { after as edited } from '../../testing/index.ts';
import {
  addTally,
  copyRules,
  duplicateRule,
  makeStanding,
  moveRule,
  namesPieces,
  removeRule,
  removeSlot,
  joinCondition,
  removeTally,
  repeatSlot,
  replaceStanding,
  setTallyPolicy,
  setStarGate,
  slotsNamed,
  switchRule,
  switchStanding,
  type NamedEdit,
  type CopiedRules,
} from './index.ts';

const demo = homeBeforeDusk();
const after = (command: NamedEdit | undefined, project: Project = demo): Project => edited(project, command);
const dusk = (project: Project): Level => project.levels['home-before-dusk']!;
const ids = (rules: readonly Rule[]): string[] => rules.map((rule) => rule.id);

describe('a rule', () => {
  it('moves within its list', () => {
    const rules = ids(
      dusk(after(moveRule(['levels', 'home-before-dusk', 'rules', 'won'], dusk(demo).rules, 2, 'won'))).rules,
    );
    expect(rules.indexOf('won')).toBe(2);
  });

  it('is duplicated right after itself, with ids of its own', () => {
    const { rules } = dusk(after(duplicateRule(demo, dusk(demo), 'last-wave', 'wave')));
    expect(ids(rules).slice(2, 4)).toEqual(['last-wave', 'last-wave-2']);
    expect(rules[3]!.when.id).not.toBe(rules[2]!.when.id);
  });

  it('is switched off where it is written, and on again', () => {
    const path = ['levels', 'home-before-dusk', 'rules', 'won'];
    const off = after(switchRule(path, dusk(demo).rules[0]!, false, 'won'));
    expect(dusk(off).rules[0]!.off).toBe(true);
    const on = after(switchRule(path, dusk(off).rules[0]!, true, 'won'), off);
    expect(on).toEqual(after(undefined));
  });

  it('of one level holds in all, unless it names a piece of that one', () => {
    const project = after(makeStanding(demo, dusk(demo), 'hurry', 'hurry'));
    expect(ids(project.standing)).toContain('hurry');
    expect(ids(dusk(project).rules)).not.toContain('hurry');
    expect(
      dusk(demo)
        .rules.filter(namesPieces)
        .map((rule) => rule.id),
    ).toEqual(['won', 'bloom-opens', 'last-wave', 'nectar-heals']);
  });
});

describe('a standing rule', () => {
  const level = demo.levels['clover-steps']!;
  it('is switched off in one level, and on again', () => {
    const off = after(switchStanding(level, 'wasp-touch', false, 'wasp'));
    expect(off.levels['clover-steps']!.standingRulesOff).toEqual(['wasp-touch']);
    expect(after(switchStanding(off.levels['clover-steps']!, 'wasp-touch', true, 'wasp'), off)).toEqual(
      after(undefined),
    );
  });

  it('is replaced in one level by the same to begin with', () => {
    const project = after(replaceStanding(demo, level, demo.standing[1]!, 'hornet'));
    const own = project.levels['clover-steps']!.rules.at(-1)!;
    expect([own.replaces, own.id]).toEqual(['hornet-touch', 'hornet-touch-2']);
  });

  it('goes out of every level that names it', () => {
    const project = after(removeRule(demo, ['standing', 'wasp-touch'], 'wasp'));
    expect(project.levels['long-shadows']!.standingRulesOff).toEqual([]);
    const second = after(removeRule(demo, ['standing', 'hornet-touch'], 'hornet'));
    expect(second.levels['garden-walls']!.rules.every((rule) => rule.replaces === undefined)).toBe(true);
  });
});

describe('copying rules', () => {
  const all: CopiedRules = {
    rules: ids(dusk(demo).rules),
    instead: false,
    clock: false,
    stars: false,
    ending: false,
    tie: false,
    standingRulesOff: false,
  };
  const copied = (what: Partial<CopiedRules>, ...targets: string[]) =>
    copyRules(demo, dusk(demo), targets, { ...all, ...what });

  it('adds, replaces those of the same id, and leaves out what the level has no pieces for', () => {
    const command = copied({}, 'clover-steps');
    expect(command.changes[0]).toMatchObject({ added: 5, replaced: 1, removed: 0 });
    expect(command.changes[0]!.leftOut).toEqual([
      expect.objectContaining({ why: 'There is no gate “gate-1” on this ground.' }),
    ]);
    expect(ids(after(command).levels['clover-steps']!.rules)).toContain('caught');
  });

  it('takes the place of all rules there when asked', () => {
    const command = copied({ rules: ['hurry'], instead: true }, 'clover-steps');
    expect(command.changes[0]).toMatchObject({ added: 1, removed: 1 });
    expect(ids(after(command).levels['clover-steps']!.rules)).toEqual(['hurry']);
  });

  it('takes clock, stars, ending, tie and what is switched off along', () => {
    const command = copied({ rules: [], clock: true, ending: true, stars: true, tie: true }, 'long-shadows');
    const project = after(command);
    expect(project.levels['long-shadows']!.clock).toEqual(dusk(demo).clock);
    expect(project.levels['long-shadows']!.ending.won.message).toBe('Home before dusk.');
    expect(command.changes[0]!.parts).toEqual(['clock', 'stars', 'ending', 'tie']);
  });

  it('never touches the level itself, nor a level twice', () => {
    expect(copied({}, 'home-before-dusk').patch).toEqual([]);
    expect(copied({}, 'clover-steps', 'clover-steps').changes).toHaveLength(1);
  });
});

describe('slots named in a text', () => {
  it.each<[string, number[] | undefined]>([
    ['', []],
    ['3', [3]],
    ['2, 5-7', [2, 5, 6, 7]],
    ['7 5–6 5', [5, 6, 7]],
    ['0', undefined],
    ['25', undefined],
    ['7-5', undefined],
    ['some', undefined],
  ])('“%s”: %j', (text, expected) => {
    expect(slotsNamed(text, 24)).toEqual(expected);
  });
});

describe('the sequence’s books', () => {
  it('set what becomes of a tally, also of one that has no entry yet', () => {
    const reset = { is: 'reset' as const, to: null };
    expect(after(setTallyPolicy(demo, 'score', 'next', reset, 'x')).run.keep['score']!.next).toEqual(reset);
    const bare = structuredClone(demo);
    delete bare.run.keep['stings'];
    expect(after(setTallyPolicy(bare, 'stings', 'retry', reset, 'x'), bare).run.keep['stings']!.retry).toEqual(reset);
  });

  it('gain a tally and lose it, with the rules that use it', () => {
    const command = addTally(demo, 'Score');
    const project = after(command);
    // The score is counted already: the new one has a name of its own.
    expect(command.id).toBe('score-2');
    const removed = removeTally(project, 'score-2');
    expect(removed.sentences).toEqual([]);
    expect(after(removed, project)).toEqual(after(undefined));
    const without = removeTally(demo, 'stings');
    expect(without.sentences.length).toBeGreaterThan(0);
    expect(JSON.stringify(after(without))).not.toContain('"stings"');
  });

  it('have star gates and repeated levels', () => {
    expect(after(setStarGate(demo, 'slot-20', undefined)).slots[19]).not.toHaveProperty('starGate');
    const project = after(repeatSlot(demo, 'slot-20'));
    expect(project.slots[20]).toMatchObject({ levelId: 'garden-gate' });
    expect(project.slots[20]).not.toHaveProperty('starGate');
  });

  it('forget a slot with all that leads to it', () => {
    const project = structuredClone(demo);
    project.levels['clover-steps']!.ending.won.next = { to: 'slot', slot: 'slot-4' };
    const gone = after(removeSlot(project, 'slot-4'), project);
    expect(gone.levels['clover-steps']!.ending.won.next).toEqual({ to: 'levelChoice' });
    expect(after(removeSlot(demo, 'slot-1')).expectations).toEqual([]);
  });
});

describe('joining a condition with another one', () => {
  const leaf: Condition = { id: 'a', is: 'onOff', reading: { reading: 'offGround' }, on: true };
  const added: Condition = { id: 'b', is: 'onOff', reading: { reading: 'touchingWall' }, on: true };

  it('makes a group of the two where it stands alone', () => {
    expect(joinCondition({ condition: leaf, path: '/w', depth: 0 }, 'or', added, 'g')).toEqual([
      { op: 'replace', path: '/w', value: { id: 'g', is: 'any', of: [leaf, added] } },
    ]);
  });

  it('comes right after it in a group that joins in the same way', () => {
    const within = { is: 'all' as const, path: '/w', index: 2 };
    expect(joinCondition({ condition: leaf, path: '/w/of/2', within, depth: 1 }, 'and', added, 'g')).toEqual([
      { op: 'add', path: '/w/of/3', value: added },
    ]);
    expect(joinCondition({ condition: leaf, path: '/w/of/2', within, depth: 1 }, 'or', added, 'g')[0]?.op).toBe(
      'replace',
    );
  });

  it('does nothing where groups would be too deep', () => {
    expect(joinCondition({ condition: leaf, path: '/w', depth: 6 }, 'and', added, 'g')).toEqual([]);
  });
});
