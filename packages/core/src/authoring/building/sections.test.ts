import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { importProject } from '../../exchange/formats/index.ts';
import { prepareLevel } from '../../play/movement/index.ts';
import { documentOf, type Ground } from '../../document/model/index.ts';
import { levelRunner, seedOf } from '../../forecast/trials/index.ts';
import {
  asKind,
  drawnSection,
  endsThatDoNotJoin,
  flatSection,
  groundOfText,
  grownRun,
  growthRefused,
  legendOf,
  mirrored,
  sectionAlone,
  textOfGround,
  turnRefused,
  withGroundAsSection,
  withSectionAsGround,
} from './index.ts';

const demo = homeBeforeDusk();
const level = demo.levels['midday-meadow']!;
const run = level.ground as Extract<Ground, { kind: 'run' }>;
const [first, second] = run.sections;

describe('a section that is drawn', () => {
  const drawn = drawnSection('Low bough, wide', 2, ['..#.^o..', '########'], 6, {
    o: { piece: 'collectable', kind: 'clover' },
    '^': { piece: 'hazard', kind: 'thorn' },
  });
  it('has open rows above, an id of its name, and its pieces where they were drawn', () => {
    expect(drawn).toMatchObject({ id: 'low-bough-wide', tier: 2, weight: 1 });
    expect(drawn.rows).toEqual([...Array.from({ length: 4 }, () => '........'), '..#.....', '########']);
    expect(drawn.pieces).toEqual([
      { id: 'thorn-1', piece: 'hazard', kind: 'thorn', at: { x: 4, y: 4.5 }, width: 1, height: 0.5 },
      { id: 'clover-1', piece: 'collectable', kind: 'clover', at: { x: 5.5, y: 4.5 } },
    ]);
  });
});

describe('a section shown as a ground', () => {
  it('is that ground, and comes back into its run with what was done to it', () => {
    const shown = withSectionAsGround(run, second!.id);
    expect([shown.rows, shown.pieces]).toEqual([second!.rows, second!.pieces]);
    const back = withGroundAsSection(run, second!.id, mirrored(shown, 'leftRight')) as typeof run;
    expect(back.sections[1]!.rows).toEqual(second!.rows.map((row) => [...row].toReversed().join('')));
    expect([back.sections[0], back.rows]).toEqual([first, run.rows]);
  });

  it('is the ground itself where there is no such section, or no sections at all', () => {
    expect(withSectionAsGround(run, 'nowhere')).toBe(run);
    const meadow = demo.levels['clover-steps']!.ground;
    expect(withSectionAsGround(meadow, 'any')).toBe(meadow);
    expect(withGroundAsSection(meadow, 'any', run)).toBe(meadow);
  });
});

describe('a section as text', () => {
  const shown = withSectionAsGround(run, second!.id);
  const legend = legendOf(demo);
  const text = textOfGround(shown, legend);
  it('comes back as it was, without a start', () => {
    expect(groundOfText(shown, legend, text)).toEqual({ ground: shown });
  });
  it.each([
    ['S', /^A run starts before its sections/],
    ['G', /^Goal cannot stand where the player is carried forward/],
  ])('is refused with a %s, with its place', (character, said) => {
    const lines = text.split('\n');
    lines[2] = `..${character}${lines[2]!.slice(3)}`;
    const result = groundOfText(shown, legend, lines.join('\n'));
    expect('faults' in result && result.faults).toMatchObject([
      { line: 3, column: 3, message: expect.stringMatching(said) },
    ]);
  });
});

describe('the ends of sections', () => {
  const { rows } = flatSection(run, 20);
  it.each([
    ['join where the floor goes on', rows, []],
    ['do not where the floor is higher', rows.map((row, y) => (y === 7 ? `##${row.slice(2)}` : row)), ['start']],
    ['do not where there is no floor', rows.map((row) => `${row.slice(0, -1)}.`), ['end']],
  ])('%s', (_what, drawn, apart) => expect(endsThatDoNotJoin(run, drawn)).toEqual(apart));

  it('join all along the hedge', () => {
    const hedge = demo.levels['hedge-by-dusk']!.ground as typeof run;
    expect(hedge.sections).toHaveLength(24);
    for (const section of hedge.sections)
      expect([section.name, endsThatDoNotJoin(hedge, section.rows)]).toEqual([section.name, []]);
  });
});

describe('the size of a run', () => {
  it('grows up and down all along, to the sides where it is asked', () => {
    const grown = grownRun(run, first!.id, { left: 0, right: 2, top: 1, bottom: 0 }) as typeof run;
    expect([grown.rows.length, grown.rows[0]!.length]).toEqual([11, run.rows[0]!.length]);
    expect(grown.sections.map(({ rows }) => rows.length).every((high) => high === 11)).toBe(true);
    expect(grown.sections.map(({ rows }) => rows[0]!.length)).toEqual([24, ...run.sections.slice(1).map(() => 22)]);
    expect(grown.sections[0]!.pieces[0]!.at.y).toBe(first!.pieces[0]!.at.y + 1);
    expect(
      importProject(documentOf({ ...demo, levels: { ...demo.levels, [level.id]: { ...level, ground: grown } } })),
    ).toMatchObject({ ok: true });
  });

  it.each([
    [{ left: -15, right: 0, top: 0, bottom: 0 }, /8 to 40 cells wide/],
    [{ left: 0, right: 30, top: 0, bottom: 0 }, /8 to 40 cells wide/],
  ])('of a section is refused beyond its limits', (growth, said) =>
    expect(growthRefused(withSectionAsGround(run, first!.id), growth, true)).toMatch(said),
  );

  it('cannot be turned', () => expect(turnRefused(run)).toMatch(/equally high/));
});

describe('a ground that becomes a run, and back', () => {
  it('loses what cannot come again, and its sections', () => {
    const meadow = demo.levels['clover-steps']!.ground;
    const made = asKind(meadow, 'run') as typeof run;
    expect(made).toMatchObject({ kind: 'run', drawnBy: 'sectionsPassed', sections: [] });
    expect(new Set(made.pieces.map(({ piece }) => piece))).toEqual(new Set(['start', 'collectable', 'enemy']));
    expect(Object.keys(asKind(run, 'leap'))).toEqual(['kind', 'rows', 'pieces']);
  });
});

describe('a section tried alone', () => {
  it('is passed by who passes it: nothing else is drawn, and what wins otherwise does not', () => {
    const flat = run.sections.find(({ name }) => name === 'Clover bank')!;
    const alone = sectionAlone(demo, level, flat.id);
    const changed = alone.levels[level.id]!;
    expect((changed.ground as typeof run).sections).toEqual([flat]);
    expect(
      changed.rules.filter((rule) => rule.then.some(({ effect }) => effect === 'win')).map(({ id }) => id),
    ).toEqual(['alone']);
    const game = levelRunner(prepareLevel(alone, 8));
    const results = Array.from({ length: 10 }, (_, attempt) => game.play(demo.pacers[0]!, seedOf(attempt)));
    expect(results.every(({ won }) => won)).toBe(true);
    expect(results[0]!.parts?.entered[0]).toBeGreaterThan(0);
    expect(demo.levels[level.id]).toBe(level);
  });
});
