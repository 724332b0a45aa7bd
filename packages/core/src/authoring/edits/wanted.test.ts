import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { documentOf, ProjectDocument, projectOf, type Project } from '../../document/model/index.ts';
import { applyPatch } from '../../basics/patch/index.ts';
import { wantedAt } from '../../document/ramps/index.ts';
import type { NamedEdit } from './edit.ts';
import { dropOwnWanted, setWantedLine, wantedLineAs } from './wanted.ts';

const after = (project: Project, edit: NamedEdit | undefined): Project => {
  const document = applyPatch(documentOf(project), edit!.patch);
  expect(ProjectDocument.safeParse(document).success).toBe(true);
  return projectOf(document);
};

describe('a line of wanted clear rates', () => {
  const demo = homeBeforeDusk();

  it('says what levels do not say themselves', () => {
    const lined = after(demo, setWantedLine(demo, { shape: { type: 'hold', value: 0.7 } }));
    expect(wantedAt(lined, 7)).toBe(demo.slots[6]!.wanted);
    const bare = after(lined, dropOwnWanted(lined));
    expect(bare.slots.map((_, index) => wantedAt(bare, index + 1))).toEqual(bare.slots.map(() => 0.7));
    expect(dropOwnWanted(bare)).toBeUndefined();
    expect(wantedAt(after(bare, setWantedLine(bare, undefined)), 7)).toBeUndefined();
  });

  it('keeps to what is wanted as it becomes a line of a shape', () => {
    const line = wantedLineAs(demo, 'points');
    const lined = after(demo, setWantedLine(demo, line));
    const bare = after(lined, dropOwnWanted(lined));
    bare.slots.forEach((_, index) => expect(wantedAt(bare, index + 1)).toBeCloseTo(demo.slots[index]!.wanted!, 2));
  });

  it('goes evenly from easy to hard where nothing is wanted yet', () => {
    const none: Project = { ...demo, slots: demo.slots.map(({ wanted: _wanted, ...slot }) => slot) };
    const lined = after(none, setWantedLine(none, wantedLineAs(none, 'points')));
    expect([1, 24].map((position) => wantedAt(lined, position))).toEqual([0.95, 0.6]);
  });

  it('never leaves what a share can be', () => {
    const lined = after(
      demo,
      setWantedLine(demo, { shape: { type: 'steps', from: 0.5, add: 0.2, every: 1, startingAt: 1 } }),
    );
    const bare = after(lined, dropOwnWanted(lined));
    expect(wantedAt(bare, 24)).toBe(1);
  });
});
