import { act, render } from '@testing-library/react';
import type { Action } from '@reduxjs/toolkit';
import { documentOf, projectOf, type Project } from '@stadion/core/document/model';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { edited, opened } from '../store/documentSlice.ts';
import { makeStore } from '../store/store.ts';

const PROJECT_ID = 'p';

/** A part of the page, drawn beside an open project. */
export interface OpenProject {
  projectId: string;
  store: ReturnType<typeof makeStore>;
  dispatch(action: unknown): Action;
  /** The project as it is now. */
  now(): Project;
  /** Makes a change, and waits until the page shows it. */
  changed(change: () => void): Promise<void>;
  /** Replaces one member of the document, by its JSON Pointer. */
  replace(path: string, value: unknown): Promise<void>;
}

interface Options {
  project?: Project;
  /** Address within the project, for example “level/slot-1”. */
  path?: string;
}

/** Opens a project, the demo unless another is given, and draws a part of the page at one of its addresses. */
export async function openProject(part: ReactElement, options: Options = {}): Promise<OpenProject> {
  const { project = homeBeforeDusk(), path = `level/${project.slots[0]?.id}` } = options;
  const store = makeStore();
  const dispatch = (action: unknown): Action => store.dispatch(action as Action);
  const changed = (change: () => void): Promise<void> =>
    // Answers of the store arrive in a later turn.
    act(async () => {
      change();
      await new Promise((resolve) => setTimeout(resolve, 20));
    });
  dispatch(opened({ projectId: PROJECT_ID, revision: 1, document: documentOf(project), log: [] }));
  const router = createMemoryRouter([{ path: '/projects/:projectId/:screen/:slotId', element: part }], {
    initialEntries: [`/projects/${PROJECT_ID}/${path}`],
  });
  await changed(() => {
    render(
      <Provider store={store}>
        <RouterProvider router={router} />
      </Provider>,
    );
  });
  return {
    projectId: PROJECT_ID,
    store,
    dispatch,
    changed,
    now: () => projectOf(store.getState().document.open!.document),
    replace: (pointer, value) =>
      changed(() =>
        dispatch(edited({ id: pointer, label: pointer, patch: [{ op: 'replace', path: pointer, value }] })),
      ),
  };
}
