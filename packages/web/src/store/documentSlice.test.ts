import { describe, expect, it } from '@jest/globals';
import type { Edit, Problem, Revision } from '@stadion/core/exchange/contract';
import type { PatchOperation } from '@stadion/core/basics/patch';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { documentOf, projectOf } from '@stadion/core/document/model';
import fc from 'fast-check';
import { applyPatch, patchBetween } from '@stadion/core/basics/patch';
import {
  adopted,
  alreadyKnown,
  clashLeft,
  documentReducer,
  edited,
  historyOf,
  opened,
  refused,
  revisionsArrived,
  type DocumentState,
} from './documentSlice.ts';

const demo = documentOf(homeBeforeDusk());
const start = documentReducer(undefined, opened({ projectId: 'p', revision: 5, document: demo, log: [] }));
const edit = (id: string, path: string, value: number | string, more: Partial<Edit> = {}): Edit => ({
  id,
  label: id,
  patch: [{ op: 'replace', path, value }],
  ...more,
});
const WANTED_1 = '/slots/slot-1/wanted';
const WANTED_2 = '/slots/slot-2/wanted';
/** The edit as the server tells it. */
const made = (revision: number, one: Edit, before = demo): Revision => ({
  revision,
  edit: one,
  inverse: patchBetween(applyPatch(before, one.patch), before),
  at: '2030-01-01T00:00:00Z',
});
const wanted = (state: DocumentState): (number | undefined)[] =>
  projectOf(state.open!.document)
    .slots.slice(0, 2)
    .map((slot) => slot.wanted);
const run = (...actions: Parameters<typeof documentReducer>[1][]): DocumentState =>
  actions.reduce(documentReducer, start);

describe('an edit made here', () => {
  it('is shown at once and waits to be sent', () => {
    const state = run(edited(edit('e1', WANTED_1, 0.5)));
    expect(wanted(state)).toEqual([0.5, 0.96]);
    expect(state.open!.acknowledged).toBe(demo);
    expect(state.open!.pending.map((entry) => entry.edit.id)).toEqual(['e1']);
  });

  it('is acknowledged when it comes back', () => {
    const one = edit('e1', WANTED_1, 0.5);
    const state = run(edited(one), revisionsArrived([made(6, one)]));
    expect(state.open).toMatchObject({ revision: 6, pending: [] });
    expect(wanted(state)).toEqual([0.5, 0.96]);
  });

  it('heard twice counts once', () => {
    const one = edit('e1', WANTED_1, 0.5);
    const state = run(edited(one), revisionsArrived([made(6, one)]), revisionsArrived([made(6, one)]));
    expect(state.open!.log).toHaveLength(1);
  });

  it('refused by the server is taken out and said; the others stay', () => {
    const problem = { detail: 'No.' } as Problem;
    const state = run(
      edited(edit('e1', WANTED_1, 7)),
      edited(edit('e2', WANTED_2, 0.4)),
      refused({ editId: 'e1', problem }),
    );
    expect(wanted(state)).toEqual([0.97, 0.4]);
    expect(state.refusals).toEqual([{ label: 'e1', problem }]);
  });

  it('refused takes with it what was built on it, and says so of each', () => {
    const problem = { detail: 'No.' } as Problem;
    const tier = { name: 'Noon', from: 10 };
    const added: Edit = { id: 'e1', label: 'Add Noon', patch: [{ op: 'add', path: '/tiers/noon', value: tier }] };
    const state = run(
      edited(added),
      edited(edit('e2', '/tiers/noon/name', 'High noon')),
      edited(edit('e3', WANTED_2, 0.4)),
      refused({ editId: 'e1', problem }),
    );
    expect(state.open!.pending.map((entry) => entry.edit.id)).toEqual(['e3']);
    expect(state.refusals.map(({ label, problem: { detail } }) => [label, detail])).toEqual([
      ['Add Noon', 'No.'],
      ['e2', 'What it would change is no longer there.'],
    ]);
  });

  it('that has nothing to stand on is refused, never dropped without a word', () => {
    const state = run(edited(edit('e1', '/slots/slot-99/wanted', 0.5)));
    expect(state.open!.pending).toEqual([]);
    expect(state.refusals).toMatchObject([
      { label: 'e1', problem: { detail: 'What it would change is no longer there.' } },
    ]);
  });

  it('known to the server from before is not sent again', () => {
    expect(run(edited(edit('e1', WANTED_1, 0.5)), alreadyKnown(['e1'])).open!.pending).toEqual([]);
  });
});

describe('an edit made elsewhere', () => {
  it('is merged with one here that touches something else', () => {
    const state = run(edited(edit('mine', WANTED_1, 0.5)), revisionsArrived([made(6, edit('theirs', WANTED_2, 0.4))]));
    expect(wanted(state)).toEqual([0.5, 0.4]);
    expect(state.clash).toBeNull();
    expect(state.open!.pending).toHaveLength(1);
  });

  it('of the same thing is a clash: theirs stands, mine is kept', () => {
    const mine = edit('mine', WANTED_1, 0.5);
    const state = run(
      edited(mine),
      edited(edit('other', WANTED_2, 0.3)),
      revisionsArrived([made(6, edit('theirs', WANTED_1, 0.4))]),
    );
    expect(wanted(state)).toEqual([0.4, 0.3]);
    expect(state.clash!.mine).toEqual([mine]);
    expect(state.clash!.theirs.map((entry) => entry.edit.id)).toEqual(['theirs']);
  });

  it('takes with it what was built on the one that clashes', () => {
    const state = run(
      edited(edit('m1', WANTED_1, 0.5)),
      edited(edit('m2', WANTED_1, 0.6)),
      revisionsArrived([made(6, edit('theirs', WANTED_1, 0.4))]),
    );
    expect(state.clash!.mine.map((one) => one.id)).toEqual(['m1', 'm2']);
  });

  it('that takes away what mine changes is a clash, never a silent loss', () => {
    const gone: Edit = { id: 'theirs', label: 'gone', patch: [{ op: 'remove', path: '/slots/slot-1' }] };
    const state = run(edited(edit('mine', WANTED_1, 0.5)), revisionsArrived([made(6, gone)]));
    expect(state.clash!.mine.map((one) => one.id)).toEqual(['mine']);
  });
});

describe('edits of an earlier tab', () => {
  it('are put on top unless the server has them already', () => {
    const sent = edit('sent', WANTED_1, 0.5);
    const state = run(
      revisionsArrived([made(6, sent)]),
      adopted({ edits: [sent, edit('unsent', WANTED_2, 0.2)], since: [made(6, sent)] }),
    );
    expect(state.open!.pending.map((entry) => entry.edit.id)).toEqual(['unsent']);
    expect(wanted(state)).toEqual([0.5, 0.2]);
  });

  it('that meet what came since are a clash', () => {
    const theirs = made(6, edit('theirs', WANTED_1, 0.4));
    const state = run(revisionsArrived([theirs]), adopted({ edits: [edit('old', WANTED_1, 0.1)], since: [theirs] }));
    expect(state.clash!.mine.map((one) => one.id)).toEqual(['old']);
    expect(wanted(state)[0]).toBe(0.4);
  });
});

describe('a decision that an earlier page left open', () => {
  it('is asked for again, and nothing of it stands meanwhile', () => {
    const mine = edit('mine', WANTED_1, 0.5);
    const left = clashLeft({ mine: [mine], theirs: [made(6, edit('theirs', WANTED_1, 0.4))] });
    const state = run(left, left);
    expect(state.clash!.mine).toEqual([mine]);
    expect(wanted(state)[0]).toBe(0.97);
    expect(state.open!.pending).toEqual([]);
  });
});

describe('the history', () => {
  const step = (id: string, more: Partial<Edit> = {}): { edit: Edit; inverse: PatchOperation[] } => ({
    edit: edit(id, WANTED_1, 1, more),
    inverse: [],
  });
  const names = (entries: { edit: Edit }[]): string[] => entries.map((entry) => entry.edit.id);

  it.each([
    ['edits', [step('a'), step('b')], ['a', 'b'], []],
    ['an undo', [step('a'), step('b'), step('u', { undoes: 'b' })], ['a'], ['b']],
    ['an undo and a redo', [step('a'), step('u', { undoes: 'a' }), step('r', { redoes: 'a' })], ['a'], []],
    ['an edit after an undo', [step('a'), step('u', { undoes: 'a' }), step('c')], ['c'], []],
    ['an undo of something long ago', [step('u', { undoes: 'gone' }), step('a')], ['a'], []],
  ])('after %s offers the right ones', (_case, pending, undo, redo) => {
    const history = historyOf({ log: [], pending });
    expect([names(history.undo), names(history.redo)]).toEqual([undo, redo]);
  });

  it('restores the document, however many edits are undone', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(23), fc.integer({ min: 0, max: 100 })), { minLength: 1, maxLength: 12 }),
        (changes) => {
          let state = run(
            ...changes.map(([slot, percent], index) =>
              edited(edit(`e${index}`, `/slots/slot-${slot + 1}/wanted`, percent / 100)),
            ),
          );
          for (let i = 0; ; i++) {
            const last = historyOf(state.open!).undo.at(-1);
            if (!last) break;
            state = documentReducer(
              state,
              edited({ id: `u${i}`, label: 'undo', patch: last.inverse, undoes: last.edit.id }),
            );
          }
          expect(state.open!.document).toEqual(demo);
        },
      ),
      { numRuns: 40 },
    );
  });
});
