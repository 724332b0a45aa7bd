import { afterAll, beforeAll } from '@jest/globals';
import type { Project } from '@stadion/core/model';
import { openBrowser, type Page } from './browser.ts';
import { runServer, type RunningServer } from './server.ts';

/** What a journey has at hand: a fresh server with the demo in its database, and a browser. */
export interface Journey {
  server: RunningServer;
  page: Page;
  projectId: string;
  /** Opens a screen of the demo and waits until the track stands. */
  open(path: string): Promise<void>;
  /** The document as the server has it. */
  document(): Promise<Project>;
  /** Waits until the server has the document as wanted. */
  saved(what: string, check: (project: Project) => boolean): Promise<void>;
}

/** Sets up a journey for the tests of a file. @param waitsForTrials its tests wait for what the server tries */
export function journey(waitsForTrials = false): Journey {
  const made = {} as Journey;
  beforeAll(async () => {
    made.server = await runServer(!waitsForTrials);
    made.page = await openBrowser();
    const list = (await (await fetch(`${made.server.address}/api/projects`)).json()) as { projects: { id: string }[] };
    made.projectId = list.projects[0]!.id;
    made.open = async (path) => {
      await made.page.driver.get(`${made.server.address}/projects/${made.projectId}/${path}`);
      await made.page.find('section[aria-label=Sequence]');
    };
    made.document = async () => {
      const address = `${made.server.address}/api/projects/${made.projectId}`;
      // A connection kept open through a long computation may be closed under the request: once more, then.
      const answer = await fetch(address).catch(() => fetch(address));
      return ((await answer.json()) as { document: Project }).document;
    };
    made.saved = (what, check) => made.page.waitFor(what, async () => check(await made.document()));
  }, 90_000);
  afterAll(async () => {
    await made.page?.quit();
    await made.server?.stop();
  });
  return made;
}
