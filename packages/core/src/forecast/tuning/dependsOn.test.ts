import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { documentOf, literal, pacerOf, projectOf, type Project } from '../../document/model/index.ts';
import { applyPatch } from '../../basics/patch/index.ts';
import { DEFAULT_PRECISION, resolveLevel, trialQuestion } from '../trials/index.ts';
import { onlyLevelAt, partsOfQuestion } from './index.ts';
import { depth } from '../../testing/index.ts';

const demo = homeBeforeDusk();
const document = documentOf(demo);

/** The pointers to all numbers of the document. */
const numbers: string[] = [];
(function visit(value: unknown, path: string): void {
  if (typeof value === 'number') numbers.push(path);
  else if (value !== null && typeof value === 'object')
    for (const [name, item] of Object.entries(value)) visit(item, `${path}/${name}`);
})(document, '');

const POSITIONS = [1, 9, 14, 20, 24];

const forecastOf = (project: Project, position: number): string =>
  JSON.stringify(trialQuestion(project, position, pacerOf(project, 'steady'), DEFAULT_PRECISION));

/** The text of each search's question about a level. */
function searchesOf(project: Project, position: number): Record<string, string> {
  const pacer = pacerOf(project, 'steady');
  const text = (parts: unknown): string => JSON.stringify(parts);
  const [parameter] = demo.parameters;
  return {
    bring: text(
      partsOfQuestion<'bring'>(project, pacer, { position, goal: { is: 'clearRate', share: 0.7 }, by: parameter!.key }),
    ),
    sweep: text(
      partsOfQuestion<'sweep'>(project, pacer, {
        axes: [{ key: parameter!.key, values: [1, 2] }],
        positions: [position],
      }),
    ),
    fit: text(
      partsOfQuestion<'fit'>(project, pacer, { keys: [parameter!.key], from: 1, to: 24, wanted: [], by: 'own' }),
    ),
    movers: text(partsOfQuestion<'movers'>(project, pacer, { position })),
  };
}

const changed = (before: Project, after: Project, position: number): string[] => {
  const [one, other] = [searchesOf(before, position), searchesOf(after, position)];
  return Object.keys(one).filter((name) => one[name] !== other[name]);
};

describe('the question of a search', () => {
  it('changes with every number that changes the question of a forecast', () => {
    let met = 0;
    fc.assert(
      fc.property(fc.constantFrom(...numbers), fc.constantFrom(...POSITIONS), (path, position) => {
        const value = path
          .split('/')
          .slice(1)
          .reduce<unknown>((part, name) => (part as Record<string, unknown>)[name], document) as number;
        const edited = projectOf(applyPatch(document, [{ op: 'replace', path, value: value + 1 }]));
        let asked: string;
        try {
          asked = forecastOf(edited, position);
        } catch {
          return; // The schema would refuse this number.
        }
        if (asked === forecastOf(demo, position)) return;
        met++;
        expect([path, changed(demo, edited, position)]).toEqual([path, ['bring', 'sweep', 'fit', 'movers']]);
      }),
      { numRuns: depth(1500, 200) },
    );
    expect(met).toBeGreaterThan(depth(20, 2));
  });

  it('changes with the health of the party at a level that a bout decides', () => {
    const position = demo.slots.findIndex(({ levelId }) => demo.levels[levelId]!.bout) + 1;
    const bouts = structuredClone(demo.bouts!);
    for (const fighter of bouts.fighters) if (fighter.side === 'ours') fighter.statistics['health'] = literal(140);
    expect(changed(demo, { ...demo, bouts }, position)).toEqual(['bring', 'sweep', 'fit', 'movers']);
  });

  it('stays the same when texts change', () => {
    const retold = { ...demo, name: 'Another name', words: { player: 'ant', worth: 'crumbs' } };
    const { bring, movers } = searchesOf(retold, 3);
    expect([bring, movers]).toEqual([searchesOf(demo, 3)['bring'], searchesOf(demo, 3)['movers']]);
  });
});

describe('a project with one level only', () => {
  it('is played at that level as the whole one is, also with fights on the way', () => {
    const level = demo.levels[demo.slots[23]!.levelId]!;
    expect(Object.keys(onlyLevelAt(demo, 24).levels)).toEqual([level.id]);
    expect(resolveLevel(onlyLevelAt(demo, 24), 24)).toEqual(resolveLevel(demo, 24));
    const losing = { ...level, meetings: { ...level.meetings!, whenLost: 'lost' as const } };
    const other = { ...demo, levels: { ...demo.levels, [level.id]: losing } };
    expect(resolveLevel(onlyLevelAt(other, 24), 24)).toEqual(resolveLevel(other, 24));
    expect(onlyLevelAt(demo, 99).levels).toEqual({});
  });
});
