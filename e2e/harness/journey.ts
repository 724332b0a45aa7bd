import { afterAll, beforeAll } from '@jest/globals';
import { projectOf, type Project, type ProjectDocument } from '@stadion/core/document/model';
import { openBrowser, pageOf, type Page } from './browser.ts';
import { runServer, type RunningServer } from './server.ts';
import { sharedHere } from './shared.ts';

/** Equipment of a journey: a server, a browser window, and a project of its own made from the demo. */
export interface Journey {
  /** Its own where it asked for one; else shared, and not to be stopped. */
  server: RunningServer;
  page: Page;
  projectId: string;
  /** Opens a screen of the demo and waits until it and the track are drawn. */
  open(path: string): Promise<void>;
  /** The project as the server has it. */
  document(): Promise<Project>;
  /** Waits until the server has the document as wanted. */
  saved(what: string, check: (project: Project) => boolean): Promise<void>;
}

async function post(address: string, body: object): Promise<Response> {
  const headers = { 'Content-Type': 'application/json' };
  const answer = await fetch(address, { method: 'POST', headers, body: JSON.stringify(body) });
  if (!answer.ok) throw new Error(`${address} answered with ${answer.status}.`);
  return answer;
}

/** A new project made from the demo. @returns its id */
async function newProject(address: string): Promise<string> {
  const made = await post(`${address}/api/projects`, { from: 'demo' });
  return ((await made.json()) as { id: string }).id;
}

/** The window as a new one would be: nothing open beside it, nothing kept, no settings. */
async function madeFresh(page: Page, address: string): Promise<void> {
  const { driver } = page;
  const [first, ...others] = await driver.getAllWindowHandles();
  for (const other of others) {
    await driver.switchTo().window(other);
    await driver.close();
  }
  await driver.switchTo().window(first as string);
  await page.cutOff(false);
  await page.theme('light');
  await page.size(1280, 800);
  await driver.get(`${address}/api/health`);
  await driver.executeScript('localStorage.clear(); sessionStorage.clear();');
}

const notMine = (): never => {
  throw new Error('This server is shared: ask for one of your own.');
};

/**
 * Sets up a journey for the tests of a file: a project of its own on the server and in the window that all share.
 *
 * @param own a server and a browser for this file alone: for tests that stop it, or count on being the only ones
 * @param trials the server plays the project's trials, as it does for a user; else they are held
 */
export function journey({ own = false, trials = false } = {}): Journey {
  const made = {} as Journey;
  beforeAll(async () => {
    if (own) {
      [made.server, made.page] = await Promise.all([runServer(true), openBrowser()]);
      const list = (await (await fetch(`${made.server.address}/api/projects`)).json()) as {
        projects: { id: string }[];
      };
      made.projectId = list.projects[0]!.id;
    } else {
      const { address, window } = sharedHere();
      made.server = {
        address,
        start: notMine,
        kill: notMine,
        stop: notMine,
        copyDatabase: notMine,
        restoreDatabase: notMine,
      };
      made.page = await pageOf(window);
      await madeFresh(made.page, address);
      made.projectId = await newProject(address);
    }
    // Forecasts on the server that nobody looks at take no time from the others.
    if (!trials) await post(`${made.server.address}/api/projects/${made.projectId}/trials`, { do: 'pause' });
    made.open = async (path) => {
      await made.page.driver.get(`${made.server.address}/projects/${made.projectId}/${path}`);
      await made.page.find('section[aria-label=Sequence]');
      // The screen below the track is loaded when it is first opened.
      await made.page.find('main');
    };
    made.document = async () => {
      const address = `${made.server.address}/api/projects/${made.projectId}`;
      // A connection kept open through a long computation may be closed under the request: once more, then.
      const answer = await fetch(address).catch(() => fetch(address));
      return projectOf(((await answer.json()) as { document: ProjectDocument }).document);
    };
    made.saved = (what, check) => made.page.waitFor(what, async () => check(await made.document()));
  }, 90_000);
  afterAll(async () => {
    if (!own) return;
    await made.page?.quit();
    await made.server?.stop();
  });
  return made;
}
