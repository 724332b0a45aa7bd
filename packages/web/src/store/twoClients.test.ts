import { describe, expect, it } from '@jest/globals';
import type { Revision } from '@stadion/core/exchange/contract';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import {
  addLevel,
  addParameter,
  addTally,
  addTier,
  at,
  dropExpectation,
  duplicateLevel,
  duplicateRule,
  expectClearRate,
  insertEntry,
  moveRule,
  moveSlot,
  removeRule,
  removeSlot,
  repeatSlot,
  replaceAt,
  setPin,
  setRamp,
  setWanted,
  switchStanding,
  type NamedEdit,
} from '@stadion/core/authoring/edits';
import { importProject } from '@stadion/core/exchange/formats';
import { documentOf, literal, projectOf, type Project, type ProjectDocument } from '@stadion/core/document/model';
import { applyPatch, applyWithInverse, type PatchOperation } from '@stadion/core/basics/patch';
import { documentReducer, edited, opened, revisionsArrived } from './documentSlice.ts';
import { mintId } from './mintId.ts';

const demo = documentOf(homeBeforeDusk());
const project = homeBeforeDusk();
const level = project.levels['home-before-dusk']!;
const pond = project.levels['two-ponds']!;

type Make = (project: Project) => Pick<NamedEdit, 'patch'> | undefined;
const patched = (...patch: PatchOperation[]) => ({ patch });

/** Two people's edits of different things in one collection, each made without knowing of the other's. */
const CASES: [collection: string, mine: Make, theirs: Make][] = [
  ['slots: added by both', (p) => addLevel(p, 3, mintId), (p) => addLevel(p, 3, mintId)],
  ['slots: added and removed', (p) => addLevel(p, 3, mintId), (p) => removeSlot(p, 'slot-9')],
  ['slots: removed by both', (p) => removeSlot(p, 'slot-2'), (p) => removeSlot(p, 'slot-9')],
  [
    'slots: duplicated and repeated',
    (p) => duplicateLevel(p, 'slot-7', mintId),
    (p) => repeatSlot(p, 'slot-7', mintId),
  ],
  ['slots: moved by both', (p) => moveSlot(p, 'slot-3', 9), (p) => moveSlot(p, 'slot-20', 1)],
  ['slots: moved and changed', (p) => moveSlot(p, 'slot-3', 9), (p) => setWanted(p, 'slot-4', 0.5)],
  ['parameters: added by both', (p) => addParameter(p, 'Wind'), (p) => addParameter(p, 'Rain')],
  ['parameters: pinned and pinned', (p) => setPin(p, 'clock', 'slot-1', 9), (p) => setPin(p, 'clock', 'slot-2', 8)],
  [
    'parameters: added and changed',
    (p) => addParameter(p, 'Wind'),
    (p) => setRamp(p, 'clock', { shape: { type: 'hold', value: 44 } }, 'held'),
  ],
  [
    'pieces: put by both, one moved',
    () =>
      patched(
        ...insertEntry(['levels', pond.id, 'ground', 'pieces'], pond.ground.pieces, {
          id: 'clover-mine',
          piece: 'collectable',
          kind: 'clover',
          at: { x: 2.5, y: 2.5 },
        }),
      ),
    () =>
      patched(
        ...insertEntry(['levels', pond.id, 'ground', 'pieces'], pond.ground.pieces, {
          id: 'clover-theirs',
          piece: 'collectable',
          kind: 'clover',
          at: { x: 3.5, y: 2.5 },
        }),
        replaceAt(at('levels', pond.id, 'ground', 'pieces', 'start', 'at', 'x'), 1.5),
      ),
  ],
  [
    'rules of a level: moved and duplicated',
    () => moveRule(['levels', level.id, 'rules', 'won'], level.rules, 3, 'won'),
    (p) => duplicateRule(p, level, 'hurry', 'hurry', mintId),
  ],
  [
    'rules of a level: removed and changed',
    (p) => removeRule(p, ['levels', level.id, 'rules', 'hurry'], 'hurry'),
    () => patched(replaceAt(at('levels', level.id, 'rules', 'won', 'fires'), 'once')),
  ],
  [
    'standing rules: moved and changed',
    (p) => moveRule(['standing', 'wasp-touch'], p.standing, 0, 'wasp'),
    () => patched(replaceAt(at('standing', 'worn-out', 'fires'), 'once')),
  ],
  [
    'standing rules switched off in one level',
    () => switchStanding(pond, 'wasp-touch', false, 'wasp'),
    () => switchStanding(pond, 'hornet-touch', false, 'hornet'),
  ],
  [
    'kinds: added and changed',
    (p) =>
      patched(
        ...insertEntry(['kinds', 'collectables'], p.kinds.collectables, {
          id: 'thyme',
          name: 'Thyme',
          worth: literal(3),
        }),
      ),
    () => patched(replaceAt(at('kinds', 'collectables', 'clover', 'worth'), literal(5))),
  ],
  ['tallies: added by both', (p) => addTally(p, 'Bees met'), (p) => addTally(p, 'Rain')],
  ['tiers: added by both', (p) => addTier(p, undefined, 4, mintId), (p) => addTier(p, undefined, 16, mintId)],
  [
    'score: two parts',
    () => patched(replaceAt(at('score', 'nectar', 'times'), literal(2))),
    () => patched(replaceAt(at('score', 'quick', 'times'), literal(3))),
  ],
  [
    'expectations: added and dropped',
    (p) => expectClearRate(p, 'slot-4', p.pacers[1]!, { low: 0.4, high: 0.6 }),
    () => dropExpectation('first-is-easy'),
  ],
  [
    'pacers: two abilities',
    () => patched(replaceAt(at('pacers', 'steady', 'spread'), 0.1)),
    () => patched(replaceAt(at('pacers', 'sharp', 'abilities', 'planning'), 0.9)),
  ],
];

const patchOf = (make: Make): PatchOperation[] => make(project)!.patch;
const revisionOf = (revision: number, id: string, document: ProjectDocument, patch: PatchOperation[]): Revision => ({
  revision,
  edit: { id, label: id, patch },
  inverse: applyWithInverse(document, patch).inverse,
  at: '2030-01-01T00:00:00Z',
});

describe('two people at one project', () => {
  it.each(CASES)('never clash over different %s', (_collection, makeMine, makeTheirs) => {
    const [mine, theirs] = [patchOf(makeMine), patchOf(makeTheirs)];
    let state = documentReducer(undefined, opened({ projectId: 'p', revision: 0, document: demo, log: [] }));
    state = documentReducer(state, edited({ id: 'mine', label: 'mine', patch: mine }));
    state = documentReducer(state, revisionsArrived([revisionOf(1, 'theirs', demo, theirs)]));
    expect(state.clash).toBeNull();
    const [pending] = state.open!.pending;
    // The edits sent now are made on their revision, and whole there.
    const merged = importProject(applyPatch(applyPatch(demo, theirs), pending!.edit.patch));
    expect(merged).toMatchObject({ ok: true, document: state.open!.document });
    // The other order gives the same result.
    let other = documentReducer(undefined, opened({ projectId: 'p', revision: 0, document: demo, log: [] }));
    other = documentReducer(other, edited({ id: 'theirs', label: 'theirs', patch: theirs }));
    other = documentReducer(other, revisionsArrived([revisionOf(1, 'mine', demo, mine)]));
    expect(other.clash).toBeNull();
    expect(other.open!.document).toEqual(state.open!.document);
  });

  it('move the tiers on by both slots that were put in before them', () => {
    const patch = patchOf((p) => addLevel(p, 3, mintId));
    let state = documentReducer(undefined, opened({ projectId: 'p', revision: 0, document: demo, log: [] }));
    state = documentReducer(state, edited({ id: 'mine', label: 'mine', patch }));
    const theirs = patchOf((p) => addLevel(p, 5, mintId));
    state = documentReducer(state, revisionsArrived([revisionOf(1, 'theirs', demo, theirs)]));
    expect(projectOf(state.open!.document).tiers.map(({ from }) => from)).toEqual([1, 10, 15, 21]);
    expect(projectOf(state.open!.document).slots).toHaveLength(26);
  });
});
