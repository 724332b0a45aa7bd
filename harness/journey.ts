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
  /** Opens a screen of the demo and waits until it and the track are drawn. A page that shows the project already stays. */
  open(path: string): Promise<void>;
  /** Opens a screen of the demo in a page that is loaded again, as in a new window. */
  load(path: string): Promise<void>;
  /** Lets the forecast of the open level be played while a test reads it. */
  forecasting(read: () => Promise<void>): Promise<void>;
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

/**
 * The window as a new one would be: nothing open beside it, nothing kept, no settings.
 *
 * @param paused of the forecast of the level that is open, as a user can pause it
 */
async function madeFresh(page: Page, address: string, paused: boolean): Promise<void> {
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
  await driver.executeScript(
    `localStorage.clear(); sessionStorage.clear(); localStorage.setItem('stadion-forecast-paused', arguments[0]);`,
    paused ? 'yes' : 'no',
  );
}

/** Leads a page of the project to another of its addresses, as going back or forward does. Returns whether it is one. */
const LEAD_TO = `
  const [path, project] = arguments;
  if (!location.pathname.startsWith(project) || !document.querySelector('section[aria-label=Sequence]')) return false;
  if (document.querySelector('[role=dialog], [role=alertdialog], [role=menu], [role=listbox]')) return false;
  history.pushState({ usr: null, key: 'opened', idx: (history.state?.idx ?? 0) + 1 }, '', path);
  dispatchEvent(new PopStateEvent('popstate', { state: history.state }));
  document.activeElement?.blur();
  return true;
`;

/** Does the header show the screen and the level of the address? Kinds and bouts share a tab. */
const IS_SHOWN = `
  const shared = (path) => path?.replace('/bouts/', '/kinds/');
  return shared(document.querySelector('header a[aria-current=page]')?.pathname) === shared(location.pathname);
`;

type Equipment = Pick<Journey, 'server' | 'page'>;

/** Opens a screen of a project in a page that is loaded again. */
async function loadScreen({ server, page }: Equipment, projectId: string, path: string): Promise<void> {
  await page.driver.get(`${server.address}/projects/${projectId}/${path}`);
  await page.find('section[aria-label=Sequence]');
  // The screen below the track is loaded when it is first opened.
  await page.find('main');
}

/** Opens a screen of a project, in the page that shows the project already where there is one. */
export async function openScreen({ server, page }: Equipment, projectId: string, path: string): Promise<void> {
  const project = `/projects/${projectId}/`;
  const stays = await page.driver.executeScript<boolean>(LEAD_TO, project + path, project);
  if (!stays) return loadScreen({ server, page }, projectId, path);
  // The screen may have to be loaded first; header and screen are drawn together.
  await page.waitFor(path, () => page.driver.executeScript<boolean>(IS_SHOWN));
  await page.find('main');
}

/** Pauses the trials of a project on the server. */
export async function pauseTrials({ server }: Pick<Journey, 'server'>, projectId: string): Promise<void> {
  await post(`${server.address}/api/projects/${projectId}/trials`, { do: 'pause' });
}

const notMine = (): never => {
  throw new Error('This server is shared: ask for one of your own.');
};

interface Options {
  /** A server and a browser for this file alone: for tests that stop it, or count on being the only ones. */
  own?: boolean;
  /**
   * The server plays the project's trials, as it does for a user; else they are paused, since attempts that no test reads would
   * take the cores from the others.
   */
  trials?: boolean;
  /** The page plays the forecast of the open level; else it is paused for the same reason. */
  forecasts?: boolean;
}

/** Sets up a journey for the tests of a file: a project of its own on the server and in the window that all share. */
export function journey({ own = false, trials = false, forecasts = trials }: Options = {}): Journey {
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
      made.projectId = await newProject(address);
    }
    await madeFresh(made.page, made.server.address, !forecasts);
    if (!trials) await pauseTrials(made, made.projectId);
    made.load = (path) => loadScreen(made, made.projectId, path);
    made.open = (path) => openScreen(made, made.projectId, path);
    made.forecasting = async (read) => {
      await made.page.clickName('button', 'Go on with the forecast');
      await read();
      await made.page.clickName('button', 'Pause the forecast');
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
    if (!own) return trials ? pauseTrials(made, made.projectId) : undefined;
    await made.page?.quit();
    await made.server?.stop();
  });
  return made;
}
