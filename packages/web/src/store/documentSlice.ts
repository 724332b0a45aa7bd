import type { Edit, HistoryPlace, Problem, Revision } from '@stadion/core/exchange/contract';
import { rebased, withoutShift } from '@stadion/core/authoring/edits';
import type { ProjectDocument } from '@stadion/core/document/model';
import { applyPatch, applyWithInverse, patchesConflict, type PatchOperation } from '@stadion/core/basics/patch';
import { createSlice, original, type PayloadAction } from '@reduxjs/toolkit';

/** An edit that the server has not acknowledged yet. */
export interface PendingEdit {
  edit: Edit;
  inverse: PatchOperation[];
}

/** Edits made here and elsewhere to the same thing, at the same time. */
export interface Clash {
  mine: Edit[];
  theirs: Revision[];
}

/** An edit that was not made, and why. */
export interface Refusal {
  label: string;
  problem: Problem;
}

export type Connection = 'saved' | 'saving' | 'offline';

interface OpenDocument {
  projectId: string;
  /** The server's latest, as far as heard. */
  revision: number;
  acknowledged: ProjectDocument;
  /** The shown document: the acknowledged one with the pending edits on top. */
  document: ProjectDocument;
  /** Acknowledged edits, oldest first. */
  log: Revision[];
  pending: PendingEdit[];
}

export interface DocumentState {
  phase: 'closed' | 'loading' | 'open' | 'missing' | 'unreachable';
  open: OpenDocument | null;
  connection: Connection;
  /** Does the server have another history of the project than this page? Then nothing is sent until it is decided which one stands. */
  diverged: boolean;
  /** Are unsent edits kept in the browser? Not where it refuses to keep anything. */
  kept: boolean;
  clash: Clash | null;
  /** In the order in which they were reported. */
  refusals: Refusal[];
}

/** As far back as can be undone. */
const LOG_LENGTH = 400;

/** Said of an edit made here that has nothing to stand on any more. */
const NO_LONGER_FITS: Problem = {
  type: 'urn:stadion:problem:bad-patch',
  title: 'The edit does not fit the project',
  status: 422,
  detail: 'What it would change is no longer there.',
  code: 'bad-patch',
  kept: 'Nothing was changed.',
};

const initialState: DocumentState = {
  phase: 'closed',
  open: null,
  connection: 'saved',
  diverged: false,
  kept: true,
  clash: null,
  refusals: [],
};

/** Edits on top of a document. */
interface Applied {
  document: ProjectDocument;
  pending: PendingEdit[];
}

/**
 * Puts edits on top of a document; those that no longer fit are left out.
 *
 * @param moved were they made on another revision?
 */
function applyAll(
  base: ProjectDocument,
  edits: readonly Edit[],
  moved: boolean,
): { applied: Applied; misfits: Edit[] } {
  let document = base;
  const pending: PendingEdit[] = [];
  const misfits: Edit[] = [];
  for (const made of edits) {
    try {
      const edit = moved ? { ...made, patch: rebased(made.patch, document) } : made;
      const { document: next, inverse } = applyWithInverse(document, edit.patch);
      pending.push({ edit, inverse });
      document = next;
    } catch {
      misfits.push(made);
    }
  }
  return { applied: { document, pending }, misfits };
}

const unfit = (edits: readonly Edit[]): Refusal[] => edits.map(({ label }) => ({ label, problem: NO_LONGER_FITS }));

const meet = (mine: Edit, theirs: Edit): boolean => patchesConflict(withoutShift(mine.patch), theirs.patch);

/** Edits to be decided on, with what they met; null where there are none. */
const clashOf = (mine: Edit[], theirs: readonly Revision[]): Clash | null =>
  mine.length === 0 ? null : { mine, theirs: theirs.filter((entry) => mine.some((edit) => meet(edit, entry.edit))) };

/**
 * Takes in revisions that follow the known one. Pending edits among them are acknowledged; the others are put on top
 * again where they do not meet what came, and set aside as a clash where they do.
 */
function mergeRevisions(
  open: OpenDocument,
  revisions: readonly Revision[],
): { open: OpenDocument; clash: Clash | null } {
  const came = revisions.filter((entry) => entry.revision > open.revision);
  if (came.length === 0) return { open, clash: null };
  const ids = new Set(came.map((entry) => entry.edit.id));
  const own = new Set(open.pending.map((entry) => entry.edit.id));
  const theirs = came.filter((entry) => !own.has(entry.edit.id));
  let acknowledged = open.acknowledged;
  for (const entry of came) acknowledged = applyPatch(acknowledged, entry.edit.patch);

  const waiting = open.pending.map((entry) => entry.edit).filter((edit) => !ids.has(edit.id));
  const mine: Edit[] = [];
  const fitting: Edit[] = [];
  for (const edit of waiting) {
    const meets =
      theirs.some((entry) => meet(edit, entry.edit)) || mine.some((other) => patchesConflict(edit.patch, other.patch));
    (meets ? mine : fitting).push(edit);
  }
  const { applied, misfits } = applyAll(acknowledged, fitting, theirs.length > 0);
  mine.push(...misfits);
  const same = theirs.length === 0 && mine.length === 0;
  return {
    open: {
      ...open,
      revision: came.at(-1)?.revision ?? open.revision,
      acknowledged,
      log: [...open.log, ...came].slice(-LOG_LENGTH),
      ...applied,
      // Only acknowledged: what is shown stays the same object.
      ...(same ? { document: open.document } : {}),
    },
    clash: clashOf(mine, theirs),
  };
}

const slice = createSlice({
  name: 'document',
  initialState,
  reducers: {
    loading: (): DocumentState => ({ ...initialState, phase: 'loading' }),
    missing: (): DocumentState => ({ ...initialState, phase: 'missing' }),
    unreachable: (): DocumentState => ({ ...initialState, phase: 'unreachable' }),
    opened(
      _state,
      { payload }: PayloadAction<{ projectId: string; revision: number; document: ProjectDocument; log: Revision[] }>,
    ): DocumentState {
      const { projectId, revision, document, log } = payload;
      return {
        ...initialState,
        phase: 'open',
        open: {
          projectId,
          revision,
          acknowledged: document,
          document,
          log,
          pending: [],
        },
      };
    },
    /** A change made here: shown at once, sent as soon as can be. */
    edited(draft, { payload: edit }: PayloadAction<Edit>) {
      const state = original(draft) as DocumentState;
      if (!state.open) return;
      const { applied, misfits } = applyAll(state.open.document, [edit], false);
      draft.open = { ...state.open, ...applied, pending: [...state.open.pending, ...applied.pending] };
      draft.refusals.push(...unfit(misfits));
    },
    /** Edits of an earlier tab, made on an older revision: what came since is known from the log. */
    adopted(draft, { payload }: PayloadAction<{ edits: Edit[]; since: Revision[] }>) {
      const state = original(draft) as DocumentState;
      if (!state.open) return;
      const known = new Set([...state.open.log, ...payload.since].map((entry) => entry.edit.id));
      const edits = payload.edits.filter((edit) => !known.has(edit.id));
      const mine = edits.filter((edit) => payload.since.some((entry) => meet(edit, entry.edit)));
      const fitting = edits.filter((edit) => !mine.includes(edit));
      const { applied, misfits } = applyAll(state.open.document, fitting, payload.since.length > 0);
      draft.open = { ...state.open, ...applied, pending: [...state.open.pending, ...applied.pending] };
      mine.push(...misfits);
      draft.clash = clashOf(mine, payload.since) ?? draft.clash;
    },
    revisionsArrived(draft, { payload: revisions }: PayloadAction<Revision[]>) {
      const state = original(draft) as DocumentState;
      if (!state.open) return;
      const { open, clash } = mergeRevisions(state.open, revisions);
      draft.open = open;
      if (clash)
        draft.clash = {
          mine: [...(state.clash?.mine ?? []), ...clash.mine],
          theirs: [...(state.clash?.theirs ?? []), ...clash.theirs],
        };
    },
    /** The server would not have an edit: it is taken out, and said. */
    refused(draft, { payload }: PayloadAction<{ editId: string; problem: Problem }>) {
      const state = original(draft) as DocumentState;
      if (!state.open) return;
      const edits = state.open.pending.map((entry) => entry.edit);
      const edit = edits.find((entry) => entry.id === payload.editId);
      const others = edits.filter((entry) => entry !== edit);
      const { applied, misfits } = applyAll(state.open.acknowledged, others, false);
      draft.open = { ...state.open, ...applied };
      if (edit) draft.refusals.push({ label: edit.label, problem: payload.problem });
      // Later edits that depend on it are removed with it.
      draft.refusals.push(...unfit(misfits));
    },
    /** Edits that the server has had long ago. */
    alreadyKnown(draft, { payload: ids }: PayloadAction<string[]>) {
      const state = original(draft) as DocumentState;
      if (!state.open) return;
      const edits = state.open.pending.map((entry) => entry.edit).filter((edit) => !ids.includes(edit.id));
      const { applied, misfits } = applyAll(state.open.acknowledged, edits, false);
      draft.open = { ...state.open, ...applied };
      draft.refusals.push(...unfit(misfits));
    },
    connectionChanged(state, { payload }: PayloadAction<Connection>) {
      state.connection = payload;
    },
    /** A decision that an earlier page left open: it is asked for again. */
    clashLeft(draft, { payload }: PayloadAction<Clash>) {
      const known = new Set(draft.clash?.mine.map((edit) => edit.id));
      draft.clash = {
        mine: [...(draft.clash?.mine ?? []), ...payload.mine.filter((edit) => !known.has(edit.id))],
        theirs: [...(draft.clash?.theirs ?? []), ...payload.theirs],
      };
    },
    historyDiverged(state) {
      state.diverged = true;
    },
    keptChanged(state, { payload }: PayloadAction<boolean>) {
      state.kept = payload;
    },
    clashSettled(state) {
      state.clash = null;
    },
    refusalsRead(state) {
      state.refusals = [];
    },
  },
});

export const documentReducer = slice.reducer;
export const {
  loading,
  missing,
  unreachable,
  opened,
  edited,
  adopted,
  revisionsArrived,
  refused,
  alreadyKnown,
  connectionChanged,
  clashLeft,
  clashSettled,
  keptChanged,
  historyDiverged,
  refusalsRead,
} = slice.actions;

/** An edit that can be taken back or made again. */
export interface HistoryEntry {
  edit: Edit;
  inverse: PatchOperation[];
}

/** Edits before a project was brought up to this version name places that there are no more. */
const bringsUp = (edit: Edit): boolean => edit.patch.some(({ path }) => path === '/version');

/** Where the page stands in the project's history, as the server tells histories apart. */
export function placeOf({ revision, log }: Pick<OpenDocument, 'revision' | 'log'>): HistoryPlace {
  const last = log.at(-1);
  return { revision, editId: last?.revision === revision ? last.edit.id : undefined };
}

/** Edits that can be undone and redone: derived from the project's history, so that it is the same in every tab and after a restart. */
export function historyOf(open: Pick<OpenDocument, 'log' | 'pending'>): { undo: HistoryEntry[]; redo: HistoryEntry[] } {
  let undo: HistoryEntry[] = [];
  let redo: HistoryEntry[] = [];
  for (const { edit, inverse } of [...open.log, ...open.pending]) {
    if (bringsUp(edit)) {
      undo = [];
      redo = [];
    } else if (edit.undoes !== undefined) {
      const index = undo.findLastIndex((entry) => entry.edit.id === edit.undoes);
      if (index >= 0) redo.push(...undo.splice(index, 1));
    } else if (edit.redoes !== undefined) {
      const index = redo.findLastIndex((entry) => entry.edit.id === edit.redoes);
      if (index >= 0) undo.push(...redo.splice(index, 1));
    } else {
      undo.push({ edit, inverse });
      redo = [];
    }
  }
  return { undo, redo };
}
