import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Builder, Browser, By, Key, Origin, Session, type WebElement } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';
import http from 'selenium-webdriver/http/index.js';

const WAIT_MS = Number(process.env['WAIT_MS'] ?? 60_000);
/** Limit of the wait for trials on the shared server beside other journeys, ms. */
export const TRIALS_WAIT_MS = 110_000;
/** How often something that is waited for is looked at. */
const LOOK_EVERY_MS = 40;

/** A browser window with the few things that journeys do. */
export interface Page {
  driver: chrome.Driver;
  /** Waits for an element and that it can be seen. */
  find(css: string): Promise<WebElement>;
  /** An element by role and by what its accessible name begins with or holds. */
  byName(role: string, name: string | RegExp): Promise<WebElement>;
  /** Clicks once it can be clicked. */
  click(element: WebElement): Promise<void>;
  clickName(role: string, name: string | RegExp): Promise<void>;
  /** Waits until the page shows a text. */
  seeText(text: string | RegExp, ms?: number): Promise<void>;
  /** @param ms longer where it is played on the server, which lets all others have the cores first */
  waitFor(what: string, check: () => Promise<boolean>, ms?: number): Promise<void>;
  keys(...keys: string[]): Promise<void>;
  /** Holds modifiers while pressing a key. */
  chord(key: string, ...modifiers: string[]): Promise<void>;
  /** The text of an element as it stands now, however often it was drawn again. */
  textOf(css: string): Promise<string>;
  /** Types into the focused field, in place of what is there. */
  typeOver(text: string): Promise<void>;
  /** Opens a number chip, types in place of its number, and presses Enter. */
  typeInto(chip: string | RegExp, text: string): Promise<void>;
  /** Presses Tab until the focused element's name begins so. */
  tabTo(name: string): Promise<void>;
  /** Presses at an element's middle, moves by steps, lets go. */
  drag(element: WebElement, dx: number, dy: number): Promise<void>;
  size(width: number, height: number): Promise<void>;
  /** As a reader who has asked for dark pages, or for light ones. */
  theme(theme: 'light' | 'dark'): Promise<void>;
  /** Takes the connection away, or gives it back. */
  cutOff(offline: boolean): Promise<void>;
  /** Where files that the page offers for download arrive. */
  downloads: string;
  quit(): Promise<void>;
}

const ROLES: Readonly<Record<string, string>> = {
  button: 'button, [role=button]',
  link: 'a[href]',
  slider: '[role=slider]',
  menuitem: '[role=menuitem], [role=menuitemradio]',
  radio: '[role=radio]',
  textbox: 'input:not([type=file]), textarea',
  /** A parameter to follow, in the open editor of a number. */
  parameter: '[role=dialog] li button',
  /** In the question before something is destroyed. */
  answer: '[role=alertdialog] button',
  region: 'section[aria-label], aside[aria-label], [role=region]',
};

/** A browser that runs, and how another process comes to its window. */
export interface Launched {
  /** Address of ChromeDriver. */
  address: string;
  session: string;
  downloads: string;
  quit(): Promise<void>;
}

/** Starts a browser with one window. */
export async function launchBrowser(): Promise<Launched> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stadion-browser-'));
  const downloads = path.join(folder, 'downloads');
  fs.mkdirSync(downloads);
  const options = new chrome.Options();
  options.setChromeBinaryPath('/usr/bin/chromium');
  options.addArguments(
    '--headless=new',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-dev-shm-usage',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--no-first-run',
    '--force-prefers-reduced-motion',
    '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1',
    `--user-data-dir=${path.join(folder, 'profile')}`,
  );
  options.setUserPreferences({ 'download.default_directory': downloads, 'download.prompt_for_download': false });
  const service = new chrome.ServiceBuilder('/usr/bin/chromedriver').build();
  const address = await service.start();
  const driver = await new Builder().usingServer(address).forBrowser(Browser.CHROME).setChromeOptions(options).build();
  return {
    address,
    session: (await driver.getSession()).getId(),
    downloads,
    quit: async () => {
      await driver.quit();
      await service.kill();
      fs.rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Takes over the session that there is, in place of a new one. */
class Attached extends http.Executor {
  readonly #session: string;
  /** The protocol is the standard one: no new session is requested here whose answer would say so. */
  w3c = true;

  constructor(address: string, session: string) {
    super(new http.HttpClient(address));
    this.#session = session;
  }

  override execute(command: { getName(): string }): unknown {
    return command.getName() === 'newSession'
      ? Promise.resolve(new Session(this.#session, {}))
      : (super.execute(command) as unknown);
  }
}

/** A window of its own browser. */
export async function openBrowser(): Promise<Page> {
  const launched = await launchBrowser();
  return { ...(await pageOf(launched)), quit: launched.quit };
}

/** The window of a browser that runs already, as a new one would be. */
export async function pageOf({ address, session, downloads }: Omit<Launched, 'quit'>): Promise<Page> {
  const driver = chrome.Driver.createSession(new chrome.Options(), new Attached(address, session)) as chrome.Driver;

  const size = async (width: number, height: number): Promise<void> => {
    await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
      width,
      height,
      deviceScaleFactor: 1,
      mobile: false,
    });
  };
  await size(1280, 800);
  // Journeys find every act where it stands; the one on quiet sheets asks for them to be quiet.
  await driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    source: `try { localStorage.getItem('stadion-all-acts') ?? localStorage.setItem('stadion-all-acts', 'yes'); } catch {}`,
  });

  /** Where the window is, and what is focused and told there: what one would look at first after a failure. */
  const seen = (): Promise<string> =>
    driver.executeScript<string>(
      `const told = [...document.querySelectorAll('[role=alert], [role=status], [role=dialog]')];
       const focused = document.activeElement;
       return [location.pathname + location.search,
         'focus: ' + (focused?.getAttribute('aria-label') ?? focused?.textContent ?? '').trim().slice(0, 80),
         ...told.map((one) => one.innerText.trim().slice(0, 200)).filter((text) => text !== '')].join(' | ');`,
    );
  const waitFor = async (what: string, check: () => Promise<boolean>, ms = WAIT_MS): Promise<void> => {
    try {
      await driver.wait(async () => check().catch(() => false), ms, '', LOOK_EVERY_MS);
    } catch (error) {
      throw new Error(`Waited in vain for ${what}, ${ms / 1000} s. Seen: ${await seen()}`, { cause: error });
    }
  };
  const find = async (css: string): Promise<WebElement> => {
    let found: WebElement | undefined;
    // Looked for again each time: the page may draw another in its place meanwhile.
    await waitFor(`${css} in sight`, async () => {
      found = await driver.findElement(By.css(css));
      return found.isDisplayed();
    });
    return found as WebElement;
  };
  const byName = async (role: string, name: string | RegExp): Promise<WebElement> => {
    let found: WebElement | null = null;
    await waitFor(`${role} “${String(name)}”`, async () => {
      found = await driver.executeScript<WebElement | null>(
        `const [css, name, isPattern] = arguments;
         const pattern = isPattern ? new RegExp(name) : undefined;
         const said = (e) => (e.getAttribute('aria-label') ?? (e.labels?.[0]?.textContent) ?? e.textContent ?? '').trim();
         const fits = (text) => pattern ? pattern.test(text) : text === name || text.startsWith(name + ':');
         const shown = (e) => e.getClientRects().length > 0;
         return [...document.querySelectorAll(css)].find((e) => fits(said(e)) && shown(e)) ?? null;`,
        ROLES[role] ?? `[role=${role}]`,
        typeof name === 'string' ? name : name.source,
        typeof name !== 'string',
      );
      return found !== null;
    });
    return found as unknown as WebElement;
  };
  const IN_SIGHT = `arguments[0].scrollIntoView({ block: 'nearest', inline: 'nearest' });`;
  const click = async (element: WebElement): Promise<void> => {
    await driver.executeScript(IN_SIGHT, element);
    await element.click();
  };

  /** @returns whether it was clicked: what moves between the press and the release is not */
  const landed = async (element: WebElement): Promise<boolean> => {
    await driver.executeScript(
      `const [element] = arguments;
       window.__clicked = element;
       window.__landed = false;
       element.addEventListener('click', () => { window.__landed = true; }, { capture: true, once: true });
       ${IN_SIGHT}`,
      element,
    );
    await element.click();
    // A menu opens by the press alone; what is gone, or stood in a document that is gone, has done its work.
    return driver.executeScript<boolean>(
      `return window.__landed !== false || window.__clicked.ariaExpanded === 'true' || !window.__clicked.isConnected;`,
    );
  };

  const clickName = (role: string, name: string | RegExp): Promise<void> =>
    // The element may be drawn again, or move, before the click: then it is looked for again.
    waitFor(`a click on ${role} “${String(name)}”`, async () => landed(await byName(role, name)));
  const keys = (...pressed: string[]): Promise<void> =>
    driver
      .actions()
      .sendKeys(...pressed)
      .perform();
  const typeOver = (text: string): Promise<void> =>
    driver.actions().keyDown(Key.CONTROL).sendKeys('a').keyUp(Key.CONTROL).sendKeys(text).perform();

  return {
    driver,
    downloads,
    size,
    theme: async (theme) => {
      await driver.sendDevToolsCommand('Emulation.setEmulatedMedia', {
        features: [{ name: 'prefers-color-scheme', value: theme }],
      });
    },
    cutOff: async (offline) => {
      if (offline)
        await driver.setNetworkConditions({ offline: true, latency: 0, download_throughput: 0, upload_throughput: 0 });
      else await driver.deleteNetworkConditions();
    },
    waitFor,
    find,
    byName,
    click,
    clickName,
    seeText: (text, ms) =>
      waitFor(
        `the text ${String(text)}`,
        async () => {
          const all = await driver.executeScript<string>('return document.body.innerText;');
          return typeof text === 'string' ? all.includes(text) : text.test(all);
        },
        ms,
      ),
    keys,
    chord: async (key, ...modifiers) => {
      const actions = driver.actions();
      for (const modifier of modifiers) actions.keyDown(modifier);
      actions.sendKeys(key);
      for (const modifier of modifiers) actions.keyUp(modifier);
      await actions.perform();
    },
    textOf: (css) => driver.executeScript<string>(`return document.querySelector(arguments[0])?.innerText ?? '';`, css),
    typeOver,
    typeInto: async (chip, text) => {
      await clickName('button', chip);
      await find('[role=dialog] input');
      await typeOver(text);
      await keys(Key.ENTER);
    },
    tabTo: async (name) => {
      for (let presses = 0; presses < 240; presses++) {
        await keys(Key.TAB);
        const said = await driver.executeScript<string>(
          `return document.activeElement.getAttribute('aria-label') ?? document.activeElement.textContent;`,
        );
        if (said.startsWith(name)) return;
      }
      throw new Error(`Tab never came to “${name}”.`);
    },
    drag: async (element, dx, dy) => {
      const actions = driver.actions({ async: true }).move({ origin: element }).press();
      // From where the pointer is, since what is dragged moves along.
      const part = (total: number, step: number): number =>
        Math.round((total * step) / 8) - Math.round((total * (step - 1)) / 8);
      for (let step = 1; step <= 8; step++) {
        actions.move({ origin: Origin.POINTER, x: part(dx, step), y: part(dy, step), duration: 30 });
      }
      await actions.pause(120).release().perform();
    },
    quit: () => Promise.resolve(),
  };
}
