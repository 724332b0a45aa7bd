import { projectOf, type Project, type ProjectDocument } from '@stadion/core/document/model';
import { openScreen, pauseTrials, type Journey } from './journey.ts';

/** A project that a journey starts by itself, as a new user does. */
export interface OwnProject {
  /** Takes the project that the page has just opened for its own. */
  taken(): Promise<void>;
  open(path: string): Promise<void>;
  /** Opens a screen in a page that is loaded again. */
  load(path: string): Promise<void>;
  document(): Promise<Project>;
  /** Waits until the server has the document as wanted. */
  saved(what: string, check: (project: Project) => boolean): Promise<void>;
  id(): string;
}

export function ownProject(at: Journey): OwnProject {
  let id = '';
  const document = async (): Promise<Project> => {
    const address = `${at.server.address}/api/projects/${id}`;
    // A connection kept open through a long computation may be closed under the request: once more, then.
    const answer = await fetch(address).catch(() => fetch(address));
    return projectOf(((await answer.json()) as { document: ProjectDocument }).document);
  };
  return {
    taken: async () => {
      id = /projects\/([\w-]+)\//.exec(await at.page.driver.getCurrentUrl())![1]!;
      await pauseTrials(at, id);
    },
    open: (path) =>
      // Play has no track above it.
      path.startsWith('play/')
        ? at.page.driver.get(`${at.server.address}/projects/${id}/${path}`)
        : openScreen(at, id, path),
    load: (path) => at.page.driver.get(`${at.server.address}/projects/${id}/${path}`),
    document,
    saved: (what, check) => at.page.waitFor(what, async () => check(await document())),
    id: () => id,
  };
}
