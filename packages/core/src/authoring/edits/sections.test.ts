import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { importProject } from '../../exchange/formats/index.ts';
import { documentOf, type Ground, type Level, type Project } from '../../document/model/index.ts';
import { after } from '../../testing/index.ts';
import { addSection, editGround, removeSection, setDrawnBy, setSection } from './index.ts';

const demo = homeBeforeDusk();
const levelOf = (project: Project): Level => project.levels['midday-meadow']!;
const evaluatorOf = (project: Project) => levelOf(project).ground as Extract<Ground, { kind: 'run' }>;
const run = evaluatorOf(demo);
const [first, second] = run.sections;
const whole = (project: Project): void => expect(importProject(documentOf(project))).toMatchObject({ ok: true });

describe('sections', () => {
  it('come at the end, under a name that is free', () => {
    const added = addSection(levelOf(demo), first!)!;
    const next = after(demo, added);
    expect(evaluatorOf(next).sections.map(({ name }) => name)).toEqual([
      ...run.sections.map(({ name }) => name),
      `${first!.name} 2`,
    ]);
    expect(evaluatorOf(next).sections.at(-1)).toMatchObject({ id: added.id, rows: first!.rows, tier: first!.tier });
    expect(added.patch).toHaveLength(1);
    whole(next);
    const gone = after(next, removeSection(levelOf(next), added.id)!);
    expect(evaluatorOf(gone).sections.map(({ id }) => id)).toEqual(run.sections.map(({ id }) => id));
  });

  it.each([
    [{ name: 'A hop' }, 'Name of'],
    [{ tier: 4 }, 'Tier of'],
    [{ weight: 0 }, 'Weight of'],
  ])('are changed in one number or word: %j', (change, said) => {
    const edit = setSection(levelOf(demo), first!, change);
    expect([edit.label.startsWith(said), edit.patch.length]).toEqual([true, 1]);
    expect(evaluatorOf(after(demo, edit)).sections[0]).toMatchObject(change);
    whole(after(demo, edit));
  });

  it('are drawn by another reading', () => {
    const next = after(demo, setDrawnBy(levelOf(demo), 'distance'));
    expect(evaluatorOf(next).drawnBy).toBe('distance');
    whole(next);
  });

  it('change row by row and piece by piece, so that two people do not meet', () => {
    const rows = second!.rows.map((row, y) => (y === 7 ? `${row.slice(0, 5)}#${row.slice(6)}` : row));
    const [moved, ...others] = second!.pieces;
    const changed = {
      ...run,
      sections: run.sections.map((section) =>
        section === second ? { ...section, rows, pieces: [{ ...moved!, at: { x: 6.5, y: 6.5 } }, ...others] } : section,
      ),
    };
    const edit = editGround(levelOf(demo), changed, 'Change');
    const base = `/levels/midday-meadow/ground/sections/${second!.id}`;
    expect(edit.patch.map(({ path }) => path)).toEqual([`${base}/rows/7`, `${base}/pieces/${moved!.id}/at`]);
    expect(evaluatorOf(after(demo, edit)).sections[1]!.rows).toEqual(rows);
  });

  it('of no run are not there', () => {
    const meadow = demo.levels['clover-steps']!;
    expect([addSection(meadow, first!), removeSection(meadow, first!.id)]).toEqual([undefined, undefined]);
  });
});

describe('a document with a run', () => {
  const broken = (change: (ground: typeof run) => void): unknown => {
    const project = structuredClone(demo);
    change(evaluatorOf(project));
    return importProject(documentOf(project));
  };
  it.each<[string, (ground: typeof run) => void, RegExp]>([
    ['is equally high all along', (ground) => ground.sections[0]!.rows.pop(), /equally high/],
    [
      'has sections of 8 cells at least',
      (ground) => (ground.sections[0]!.rows = ground.sections[0]!.rows.map((row) => row.slice(0, 7))),
      /at least 8 cells/,
    ],
    [
      'starts before its sections',
      (ground) => ground.sections[0]!.pieces.push({ id: 's', piece: 'start', at: { x: 1, y: 1 } }),
      /starts before its sections/,
    ],
    [
      'holds nothing that cannot come again',
      (ground) =>
        ground.sections[0]!.pieces.push({ id: 'z', piece: 'zone', name: 'Z', at: { x: 1, y: 1 }, width: 1, height: 1 }),
      /A run has no zone/,
    ],
    ['holds nothing outside', (ground) => (ground.sections[0]!.pieces[0]!.at.x = 30), /lies outside/],
    [
      'names kinds that there are',
      (ground) => Object.assign(ground.sections[0]!.pieces[0]!, { kind: 'tulip' }),
      /no collectable “tulip”/,
    ],
  ])('%s', (_what, change, said) => {
    const result = broken(change) as { ok: boolean; problems?: unknown };
    expect(result.ok).toBe(false);
    expect(JSON.stringify(result)).toMatch(said);
  });
});
