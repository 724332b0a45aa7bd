import { describe, expect, it } from '@jest/globals';
import { START_KITS, startGoals, startProject, type StartMoves } from '@stadion/core/authoring/building';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import {
  addKind,
  addParameter,
  addTally,
  duplicateKind,
  KIND_DEEDS,
  type KindDeed,
} from '@stadion/core/authoring/edits';
import { findingsOf, mendsOf, type FindingCode } from '@stadion/core/authoring/findings';
import { problemsAfterEdit } from '@stadion/core/exchange/formats';
import { documentOf, type Project } from '@stadion/core/document/model';
import { after, mistakenProject, PLANTS } from '@stadion/core/testing';
import { documentReducer, edited, opened } from './documentSlice.ts';

const look = { mark: 'spark', colour: 'ink' };
const kit = (moves: StartMoves): Project =>
  startProject({ moves, goal: Object.keys(startGoals(moves))[0] as string, levels: 4 });

/** Applies each mend of each finding in the store, and returns what the server would refuse. */
function refusals(project: Project): { refused: string[]; mends: number } {
  const document = documentOf(project);
  const before = documentReducer(undefined, opened({ projectId: 'p', revision: 1, document, log: [] }));
  const mends = findingsOf(project).flatMap((finding) => mendsOf(finding).map((mend) => ({ finding, mend })));
  const refused = mends.flatMap(({ finding: { code, path }, mend: { label, patch } }) => {
    const { open } = documentReducer(before, edited({ id: 'mend', label, patch }));
    const [problem] = open ? problemsAfterEdit(open.document) : [{ message: 'no project', path: [] }];
    return problem ? [`${code} at ${path}: ${problem.path.join('/')}: ${problem.message}`] : [];
  });
  return { refused, mends: mends.length };
}

describe('every mend of every finding is accepted by the store', () => {
  it('in the demo', () => {
    const { refused, mends } = refusals(homeBeforeDusk());
    expect(refused).toEqual([]);
    expect(mends).toBeGreaterThanOrEqual(10);
  });

  it.each(Object.keys(START_KITS) as StartMoves[])('in a new project that starts with %s', (moves) => {
    expect(refusals(kit(moves)).refused).toEqual([]);
  });

  it('after one kind of each sort, a tally and a parameter were added and not used', () => {
    let project = kit('roam');
    for (const deed of Object.keys(KIND_DEEDS) as KindDeed[]) project = after(project, addKind(project, deed, look));
    project = after(project, duplicateKind(project, 'enemies', project.kinds.enemies[0]!, look));
    project = after(project, addTally(project, 'Shells'));
    project = after(project, addParameter(project, 'Wind'));
    const { refused, mends } = refusals(project);
    expect(refused).toEqual([]);
    expect(mends).toBeGreaterThan(Object.keys(KIND_DEEDS).length);
  });

  it.each(Object.keys(PLANTS) as FindingCode[])('where the mistake %s was made', (code) => {
    let tried = 0;
    for (let seed = 0; tried < 2; seed++) {
      const mistaken = mistakenProject(seed, code);
      if (!mistaken) continue;
      tried++;
      expect(refusals(mistaken.project).refused).toEqual([]);
    }
  });
});
