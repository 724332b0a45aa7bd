import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { documentOf, ProjectDocument, projectOf, type Project } from '../../document/model/index.ts';
import { applyPatch } from '../../basics/patch/index.ts';
import type { NamedEdit } from './edit.ts';
import { addPacer, audienceOf, removePacer, setAbility, setAudienceShare, setPacerFact } from './pacers.ts';

const after = (project: Project, edit: NamedEdit | undefined): Project => {
  const document = applyPatch(documentOf(project), edit!.patch);
  expect(ProjectDocument.safeParse(document).success).toBe(true);
  return projectOf(document);
};

describe('pacers of one’s own', () => {
  const demo = homeBeforeDusk();
  const [novice, steady] = [demo.pacers[0]!, demo.pacers[1]!];

  it('begin as another one, under a name and an id of their own, beside it', () => {
    const { pacers } = after(demo, addPacer(demo, steady));
    expect(pacers.map(({ name }) => name)).toEqual(['Novice', 'Steady', 'Steady 2', 'Sharp']);
    expect(pacers[2]).toMatchObject({ abilities: steady.abilities, persistence: steady.persistence });
    const twice = after(after(demo, addPacer(demo, steady)), addPacer(after(demo, addPacer(demo, steady)), steady));
    expect(new Set(twice.pacers.map(({ id }) => id)).size).toBe(5);
  });

  it('go with their share and what is expected of them; the last one stays', () => {
    const expected = demo.expectations.find((entry) => entry.is === 'clearRate')!;
    const pacer = demo.pacers.find(({ id }) => 'pacer' in expected && id === expected.pacer)!;
    const left = after(demo, removePacer(demo, pacer));
    expect(left.expectations).not.toContainEqual(expect.objectContaining({ id: expected.id }));
    expect([...audienceOf(left).values()].reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(removePacer({ ...demo, pacers: [novice] }, novice)).toBeUndefined();
  });

  it('give up, learn, and can do what is said', () => {
    const patient = after(demo, setPacerFact(novice, 'persistence', undefined));
    expect(patient.pacers[0]).not.toHaveProperty('persistence');
    expect(after(demo, setPacerFact(novice, 'learning', 0.3)).pacers[0]!.learning).toBe(0.3);
    expect(setPacerFact(novice, 'learning', undefined)).toBeUndefined();
    expect(after(demo, setAbility(novice, 'reactionMs', 400)).pacers[0]!.abilities.reactionMs).toBe(400);
  });
});

describe('the audience', () => {
  const demo = homeBeforeDusk();
  const [novice] = demo.pacers;

  it('is shared alike where nothing is said', () => {
    expect([...audienceOf({ ...demo, audience: undefined }).values()]).toEqual([1 / 3, 1 / 3, 1 / 3]);
  });

  it('gives one a share, and the rest keeps how it stands to each other', () => {
    const { audience } = after(demo, setAudienceShare(demo, novice!, 0.65));
    expect(audience).toEqual({ novice: 0.65, steady: 0.25, sharp: 0.1 });
    const all = after(demo, setAudienceShare(demo, novice!, 1));
    expect(all.audience).toEqual({ novice: 1, steady: 0, sharp: 0 });
    expect(after(all, setAudienceShare(all, novice!, 0.5)).audience).toEqual({
      novice: 0.5,
      steady: 0.25,
      sharp: 0.25,
    });
  });
});
