import { describe, expect, it } from '@jest/globals';
import { namesFor } from '../../play/attempt/index.ts';
import { homeBeforeDusk, manyLevels } from '../../exchange/demo/index.ts';
import {
  documentOf,
  findReferenceProblems,
  literal,
  ProjectDocument,
  type Project,
  type Rule,
} from '../../document/model/index.ts';
import { causeInWords } from '../../play/rules/index.ts';
import { after } from '../../testing/index.ts';
import {
  addKind,
  allKinds,
  duplicateKind,
  KIND_DEEDS,
  removeKind,
  renameKind,
  setLook,
  setMovement,
  usesOfKind,
  type KindDeed,
  type KindRole,
  type NamedEdit,
} from './index.ts';

const demo = homeBeforeDusk();
const look = { mark: 'spark', colour: 'ink' };
const whole = (project: Project): void => {
  expect(ProjectDocument.safeParse(documentOf(project)).error).toBeUndefined();
  expect(findReferenceProblems(project)).toEqual([]);
};
const uses = (project: Project, role: KindRole, id: string) =>
  usesOfKind(project, role, id, (rule, level) => causeInWords(rule, namesFor(project, level)));
const find = (project: Project, id: string) => allKinds(project).find(({ kind }) => kind.id === id)!;
const removal = (project: Project, id: string) => {
  const { role, kind } = find(project, id);
  return removeKind(project, role, kind, uses(project, role, id));
};

describe('kinds', () => {
  it.each(Object.keys(KIND_DEEDS) as KindDeed[])('one that %s can be added, and the project is whole', (deed) => {
    const edit = addKind(demo, deed, look);
    const next = after(demo, edit);
    whole(next);
    expect(find(next, edit.id).role).toBe(KIND_DEEDS[deed].role);
  });

  it('an enemy that is added does what the others do when it touches', () => {
    const next = after(demo, addKind(demo, 'chase', look));
    const rule = next.standing.at(-1)!;
    expect(rule.when).toMatchObject({ is: 'onOff', reading: { reading: 'touching', kind: 'chaser' } });
    expect(rule.then[0]?.effect).toBe('loseLife');
  });

  it.each<[string, (project: Project) => NamedEdit]>([
    ['duplicated', (p) => duplicateKind(p, 'enemies', find(p, 'hornet').kind, look)],
    ['renamed', (p) => renameKind('enemies', find(p, 'hornet').kind, 'Big hornet')],
    ['given a look', (p) => setLook('hazards', find(p, 'pond').kind, look)],
    ['made to stand', (p) => setMovement(p.kinds.enemies[0]!, 'still')],
    ['made to chase', (p) => setMovement(p.kinds.enemies[1]!, 'chase')],
    ['made to chase that chased', (p) => setMovement(p.kinds.enemies[0]!, 'chase')],
    ['made to circle', (p) => setMovement(p.kinds.enemies[0]!, 'circle')],
    ['made to walk', (p) => setMovement(p.kinds.enemies[0]!, 'walk')],
  ])('%s, the project is whole', (_what, edit) => whole(after(demo, edit(demo))));

  it('tell where they stand and what names them', () => {
    const { pieces, levels, named } = uses(demo, 'enemies', 'hornet');
    expect(pieces).toBeGreaterThan(levels.length);
    expect(named.map(({ words }) => words)).toContainEqual(expect.stringMatching(/hornet/i));
    const shares = uses(demo, 'collectables', 'clover').named;
    expect(shares.every(({ words }) => words !== '')).toBe(true);
  });

  it('go by one operation a level where thousands of pieces go with them', () => {
    const demo = manyLevels(100, 4);
    const added = addKind(demo, 'gathered', look);
    const project = after(demo, added);
    for (const level of Object.values(project.levels))
      for (let i = 0; i < 12; i++)
        level.ground.pieces.push({ id: `t-${i}`, piece: 'collectable', kind: added.id, at: { x: 2.5, y: 2.5 } });
    const pieces = 12 * Object.keys(project.levels).length;
    const result = removal(project, added.id);
    expect(result.label).toBe(`Remove Token and its ${pieces} pieces`);
    expect(result.patch.length).toBe(Object.keys(project.levels).length + 1);
    whole(after(project, result));
  });

  it('go from the sections of runs as well', () => {
    const added = addKind(demo, 'gathered', look);
    const project = after(demo, added);
    const runs = Object.values(project.levels).filter(({ ground }) => 'sections' in ground);
    for (const { ground } of runs)
      if ('sections' in ground)
        ground.sections[1]!.pieces.push({ id: 'more', piece: 'collectable', kind: added.id, at: { x: 3.5, y: 6.5 } });
    const result = removal(project, added.id);
    expect(result.label).toBe('Remove Token and its 3 pieces');
    const next = after(project, result);
    whole(next);
    for (const { ground } of Object.values(next.levels))
      if ('sections' in ground) expect(ground.sections[1]!.pieces.some(({ id }) => id === 'more')).toBe(false);
  });

  it('are removed with the rules, stars and score parts that name them', () => {
    for (const { role, kind } of allKinds(demo)) {
      const { sentences, patch } = removal(demo, kind.id);
      const { named } = uses(demo, role, kind.id);
      expect([kind.id, sentences.length > 0]).toEqual([kind.id, named.length > 0]);
      const next = after(demo, { patch });
      whole(next);
      expect(uses(next, role, kind.id)).toEqual({ levels: [], pieces: 0, named: [] });
    }
  });

  it('name the sentences that are removed with them', () => {
    const words = removal(demo, 'hornet').sentences.map((sentence) => sentence.words);
    expect(words).toContain('a hornet touches the bee');
  });

  it('are removed with the standing touch rule that was added with them', () => {
    const added = addKind(demo, 'fall', look);
    const removed = removal(after(demo, added), added.id);
    expect(removed.sentences.map(({ words }) => words)).toEqual(['a faller touches the bee']);
    expect(documentOf(after(after(demo, added), removed))).toEqual(documentOf(demo));
  });

  it('are duplicated right after their original, with the standing rules on its touch', () => {
    const edit = duplicateKind(demo, 'enemies', find(demo, 'hornet').kind, look);
    const next = after(demo, edit);
    whole(next);
    const ids = next.kinds.enemies.map(({ id }) => id);
    expect(ids[ids.indexOf('hornet') + 1]).toBe(edit.id);
    const touched = (id: string) =>
      next.standing.filter(({ when }) => when.is === 'onOff' && 'kind' in when.reading && when.reading.kind === id);
    expect(touched('hornet').length).toBeGreaterThan(0);
    expect(touched(edit.id).map(({ then, fires }) => ({ then, fires }))).toEqual(
      touched('hornet').map(({ then, fires }) => ({ then, fires })),
    );
    const places = next.standing.map(({ id }) => id);
    expect(places.indexOf(touched(edit.id)[0]!.id)).toBe(places.indexOf(touched('hornet').at(-1)!.id) + 1);
  });

  it('go with their pieces once nothing names them', () => {
    const added = addKind(demo, 'gathered', look);
    const level = demo.levels['lavender-bank']!;
    const placed = after(demo, added);
    const piece = { order: 99, piece: 'collectable', kind: added.id, at: { x: 3.5, y: 3.5 } };
    const standing = after(placed, {
      patch: [{ op: 'add', path: `/levels/${level.id}/ground/pieces/token-1`, value: piece }],
    });
    const result = removal(standing, added.id);
    expect(result.label).toBe('Remove Token and its piece');
    const next = after(standing, result);
    whole(next);
    expect(documentOf(next)).toEqual(documentOf(demo));
  });
});

describe('the cause of a lost life', () => {
  const loses = (reading: 'offGround' | 'health', cause?: string): string => {
    const rule: Rule = {
      id: 'r',
      when: { id: 'c', is: 'onOff', reading: { reading }, on: true },
      then: [{ effect: 'loseLife', lives: literal(1), back: 'start', resets: [], ...(cause ? { cause } : {}) }],
      fires: 'eachTime',
    };
    return causeInWords(rule, namesFor(demo, undefined));
  };

  it('is short, and can have a name of its own', () => {
    expect([loses('offGround'), loses('health'), loses('offGround', 'The pit')]).toEqual([
      'a fall',
      'no health left',
      'The pit',
    ]);
  });
});
