import { pacerOf, projectOf, type Pacer, type Project, type ProjectDocument } from '@stadion/core/document/model';
import { nanoid } from 'nanoid';
import { useCallback, useMemo } from 'react';
import { shallowEqual, useDispatch, useSelector, useStore } from 'react-redux';
import type { NamedEdit } from '@stadion/core/authoring/edits';
import { signed } from './me.ts';
import { edited, historyOf, type DocumentState, type HistoryEntry } from './documentSlice.ts';
import type { Dispatch, RootState, Store } from './store.ts';

export const useAppDispatch = (): Dispatch => useDispatch<Dispatch>();
export const useAppSelector = <T>(select: (state: RootState) => T): T => useSelector(select);

export const useDocument = (): DocumentState => useAppSelector((state) => state.document);

/** The open project. Only below the screen that waits for it. */
export const useProject = (): Project => projectOf(useProjectDocument());

/** The open project as it is stored and sent. */
export function useProjectDocument(): ProjectDocument {
  const open = useAppSelector((state) => state.document.open);
  if (!open) throw new Error('No project is open.');
  return open.document;
}

function openProject({ document }: RootState): Project {
  if (!document.open) throw new Error('No project is open.');
  return projectOf(document.open.document);
}

/**
 * A part of the open project: the component is drawn again only when that part is another one.
 * @param isSame compares parts that are new objects at each reading; otherwise they are compared as objects
 */
export const useProjectPart = <T>(select: (project: Project) => T, isSame?: (one: T, other: T) => boolean): T =>
  useSelector((state: RootState) => select(openProject(state)), isSame);

/** Ids of the slots in their order. */
export const useSlotIds = (): readonly string[] =>
  useProjectPart(({ slots }) => slots.map(({ id }) => id), shallowEqual);

/** Returns the open project as it is when called: for handlers, which need no drawing when it changes. */
export function useProjectNow(): () => Project {
  const store = useStore() as Store;
  return useCallback(() => openProject(store.getState()), [store]);
}

/** The pacer whose forecasts are looked at: the chosen one, else the middle one of the project's. */
export const usePacer = (): Pacer => useAppSelector((state) => pacerOf(openProject(state), state.view.pacer));

/** Makes named edits. */
export function useEdit(): (command: NamedEdit | undefined) => void {
  const dispatch = useAppDispatch();
  return useCallback(
    (command) => {
      if (!command || command.patch.length === 0) return;
      dispatch(edited({ id: nanoid(), label: command.label.slice(0, 200), patch: command.patch, ...signed() }));
    },
    [dispatch],
  );
}

/** Takes the last edit back, or makes it again. */
export function useUndoRedo(): { undoLast: () => void; redoLast: () => void } {
  const store = useStore() as Store;
  const take = useCallback(
    (direction: 'undo' | 'redo') => {
      const { open } = store.getState().document;
      if (!open) return;
      const entry = historyOf(open)[direction].at(-1);
      if (!entry) return;
      const { id, label, patch } = entry.edit;
      store.dispatch(
        edited(
          direction === 'undo'
            ? { id: nanoid(), label: `Undo: ${label}`.slice(0, 200), patch: entry.inverse, undoes: id, ...signed() }
            : { id: nanoid(), label: `Redo: ${label}`.slice(0, 200), patch, redoes: id, ...signed() },
        ),
      );
    },
    [store],
  );
  return {
    undoLast: useCallback(() => take('undo'), [take]),
    redoLast: useCallback(() => take('redo'), [take]),
  };
}

/** The next edits to undo and redo; undefined where there is none. */
export function useNextUndoRedo(): { undo: HistoryEntry | undefined; redo: HistoryEntry | undefined } {
  const log = useAppSelector((state) => state.document.open?.log);
  const pending = useAppSelector((state) => state.document.open?.pending);
  return useMemo(() => {
    const { undo, redo } = historyOf({ log: log ?? [], pending: pending ?? [] });
    return { undo: undo.at(-1), redo: redo.at(-1) };
  }, [log, pending]);
}
