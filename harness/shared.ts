import { launchBrowser, type Launched } from './browser.ts';
import { runServer, type RunningServer } from './server.ts';

/** Windows: as many as test files run at the same time. */
export const WINDOWS = 2;

/** Server and windows that all journeys share, as addresses for their processes. */
export interface Shared {
  address: string;
  windows: Omit<Launched, 'quit'>[];
}

const NAME = 'STADION_SHARED';

interface Running {
  server: RunningServer;
  windows: Launched[];
}
const running = globalThis as typeof globalThis & { stadionShared?: Running };

/** Starts the server and the windows once, before all journeys. */
export async function startShared(): Promise<void> {
  const [server, ...windows] = await Promise.all([
    runServer(true),
    ...Array.from({ length: WINDOWS }, () => launchBrowser()),
  ]);
  running.stadionShared = { server, windows };
  const shared: Shared = {
    address: server.address,
    windows: windows.map(({ address, session, downloads }) => ({ address, session, downloads })),
  };
  process.env[NAME] = JSON.stringify(shared);
}

export async function stopShared(): Promise<void> {
  const { server, windows } = running.stadionShared as Running;
  await Promise.all([...windows.map((window) => window.quit()), server.stop()]);
}

/** Returns the shared server and the window of this process. */
export function sharedHere(): { address: string; window: Shared['windows'][number] } {
  const { address, windows } = JSON.parse(process.env[NAME] ?? '{}') as Shared;
  const worker = Number(process.env['JEST_WORKER_ID'] ?? 1);
  return { address, window: windows[(worker - 1) % windows.length] as Shared['windows'][number] };
}
