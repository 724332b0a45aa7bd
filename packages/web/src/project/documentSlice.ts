import type { Edit, Problem, Revision } from '@stadion/core/contract';
import type { Project } from '@stadion/core/model';
import { applyPatch, applyWithInverse, patchesConflict, type PatchOperation } from '@stadion/core/patch';
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

export interface Refusal {
  label: string;
  problem: Problem;
}

export type Connection = 'saved' | 'saving' | 'offline';

interface OpenDocument {
  projectId: string;
  /** The server's latest, as far as heard. */
  revision: number;
  acknowledged: Project;
  /** What is shown: acknowledged, with the pending edits on top. */
  current: Project;
  /** Acknowledged edits, oldest first. */
  log: Revision[];
  pending: PendingEdit[];
}

export interface DocumentState {
  phase: 'closed' | 'loading' | 'open' | 'missing' | 'unreachable';
  open: OpenDocument | null;
  connection: Connection;
  clash: Clash | null;
  refusal: Refusal | null;
}

/** As far back as can be undone. */
const LOG_LENGTH = 400;

/** Said of an edit made here that has nothing to stand on any more, before it is ever sent. */
const NO_LONGER_FITS: Problem = {
  type: 'urn:stadion:problem:bad-patch',
  title: 'The edit does not fit the project',
  status: 422,
  detail: 'What it would change is no longer there.',
  code: 'bad-patch',
  kept: 'Nothing was changed.',
};

const initialState: DocumentState = { phase: 'closed', open: null, connection: 'saved', clash: null, refusal: null };

/** Puts edits on top of a document; those that no longer fit are left out. */
function applyAll(
  base: Project,
  edits: readonly Edit[],
): { current: Project; pending: PendingEdit[]; misfits: Edit[] } {
  let current = base;
  const pending: PendingEdit[] = [];
  const misfits: Edit[] = [];
  for (const edit of edits) {
    try {
      const applied = applyWithInverse(current, edit.patch);
      pending.push({ edit, inverse: applied.inverse });
      current = applied.document;
    } catch {
      misfits.push(edit);
    }
  }
  return { current, pending, misfits };
}

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
      theirs.some((entry) => patchesConflict(edit.patch, entry.edit.patch)) ||
      mine.some((other) => patchesConflict(edit.patch, other.patch));
    (meets ? mine : fitting).push(edit);
  }
  const stacked = applyAll(acknowledged, fitting);
  mine.push(...stacked.misfits);
  return {
    open: {
      ...open,
      revision: came.at(-1)?.revision ?? open.revision,
      acknowledged,
      current:
        theirs.length === 0 && stacked.misfits.length === 0 && mine.length === 0 ? open.current : stacked.current,
      log: [...open.log, ...came].slice(-LOG_LENGTH),
      pending: stacked.pending,
    },
    clash:
      mine.length === 0
        ? null
        : {
            mine,
            theirs: theirs.filter((entry) => mine.some((edit) => patchesConflict(edit.patch, entry.edit.patch))),
          },
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
      { payload }: PayloadAction<{ projectId: string; revision: number; document: Project; log: Revision[] }>,
    ): DocumentState {
      const { projectId, revision, document, log } = payload;
      return {
        ...initialState,
        phase: 'open',
        open: { projectId, revision, acknowledged: document, current: document, log, pending: [] },
      };
    },
    /** A change made here: shown at once, sent as soon as can be. */
    edited(draft, { payload: edit }: PayloadAction<Edit>) {
      const state = original(draft) as DocumentState;
      if (!state.open) return;
      const { current, pending, misfits } = applyAll(state.open.current, [edit]);
      draft.open = { ...state.open, current, pending: [...state.open.pending, ...pending] };
      if (misfits.length > 0) draft.refusal = { label: edit.label, problem: NO_LONGER_FITS };
    },
    /** Edits of an earlier tab, made on an older revision: what came since is known from the log. */
    adopted(draft, { payload }: PayloadAction<{ edits: Edit[]; since: Revision[] }>) {
      const state = original(draft) as DocumentState;
      if (!state.open) return;
      const known = new Set([...state.open.log, ...payload.since].map((entry) => entry.edit.id));
      const edits = payload.edits.filter((edit) => !known.has(edit.id));
      const mine = edits.filter((edit) => payload.since.some((entry) => patchesConflict(edit.patch, entry.edit.patch)));
      const stacked = applyAll(
        state.open.current,
        edits.filter((edit) => !mine.includes(edit)),
      );
      draft.open = { ...state.open, current: stacked.current, pending: [...state.open.pending, ...stacked.pending] };
      mine.push(...stacked.misfits);
      if (mine.length > 0) {
        draft.clash = {
          mine,
          theirs: payload.since.filter((entry) => mine.some((edit) => patchesConflict(edit.patch, entry.edit.patch))),
        };
      }
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
      const { current, pending } = applyAll(
        state.open.acknowledged,
        edits.filter((entry) => entry !== edit),
      );
      draft.open = { ...state.open, current, pending };
      if (edit) draft.refusal = { label: edit.label, problem: payload.problem };
    },
    /** Edits that the server has had long ago. */
    alreadyKnown(draft, { payload: ids }: PayloadAction<string[]>) {
      const state = original(draft) as DocumentState;
      if (!state.open) return;
      const edits = state.open.pending.map((entry) => entry.edit).filter((edit) => !ids.includes(edit.id));
      draft.open = { ...state.open, ...applyAll(state.open.acknowledged, edits) };
    },
    connectionChanged(state, { payload }: PayloadAction<Connection>) {
      state.connection = payload;
    },
    clashSettled(state) {
      state.clash = null;
    },
    refusalRead(state) {
      state.refusal = null;
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
  clashSettled,
  refusalRead,
} = slice.actions;

/** An edit that can be taken back or made again. */
export interface HistoryEntry {
  edit: Edit;
  inverse: PatchOperation[];
}

/** What can be undone and redone: read off the project's own history, so that it is the same in every tab and after a restart. */
export function historyOf(open: Pick<OpenDocument, 'log' | 'pending'>): { undo: HistoryEntry[]; redo: HistoryEntry[] } {
  const undo: HistoryEntry[] = [];
  let redo: HistoryEntry[] = [];
  for (const { edit, inverse } of [...open.log, ...open.pending]) {
    if (edit.undoes !== undefined) {
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
