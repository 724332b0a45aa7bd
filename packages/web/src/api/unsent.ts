import type { Edit, Revision, HistoryPlace } from '@stadion/core/exchange/contract';
import { del, get, keys, set } from 'idb-keyval';
import { nanoid } from 'nanoid';

/** Edits that the server has not acknowledged, kept in the browser until it has; and the place in the history that they were made on. */
export interface Unsent extends HistoryPlace {
  edits: Edit[];
  /** Edits that wait for a decision, with what they met. */
  clash?: { mine: Edit[]; theirs: Revision[] } | undefined;
}

/** A tab is known by this for as long as its page lives. */
const tabId = nanoid(8);
const PREFIX = 'unsent';
const keyOf = (projectId: string, tab: string): string => `${PREFIX}/${projectId}/${tab}`;
const lockOf = (tab: string): string => `stadion-tab-${tab}`;

let announced = false;

/** Holds a lock for as long as this page lives, so that other tabs do not take over its edits. */
function announceTab(): void {
  if (announced || !('locks' in navigator)) return;
  announced = true;
  void navigator.locks.request(lockOf(tabId), () => new Promise<void>(() => undefined));
}

/** Keep this tab's unsent edits, or forget them when there are none. */
export async function keepUnsent(projectId: string, unsent: Unsent): Promise<void> {
  announceTab();
  const key = keyOf(projectId, tabId);
  if (unsent.edits.length === 0 && !unsent.clash) await del(key);
  else await set(key, unsent);
}

/**
 * Takes over what other tabs have left behind for a project: of those that are gone at once, of those still open when
 * they go. What is taken is kept under this tab's name before it is forgotten under theirs.
 *
 * @param signal ends the waiting
 */
export async function adoptUnsent(
  projectId: string,
  take: (unsent: Unsent) => Promise<void>,
  signal: AbortSignal,
): Promise<void> {
  announceTab();
  const others = (await keys())
    .map(String)
    .filter((key) => key.startsWith(`${PREFIX}/${projectId}/`) && key !== keyOf(projectId, tabId));
  if (others.length === 0) return;
  // Now, while the server answers: the other tab may close when it does not.
  const { StoredUnsent } = await import('./storedUnsent.ts');
  const adopt = async (key: string): Promise<void> => {
    const parsed = StoredUnsent.safeParse(await get(key));
    if (signal.aborted) return;
    if (parsed.success && (parsed.data.edits.length > 0 || parsed.data.clash)) await take(parsed.data);
    await del(key);
  };
  for (const key of others) {
    const tab = key.split('/')[2] as string;
    if (!('locks' in navigator)) await adopt(key);
    // The lock is given once the other tab's page is gone.
    else void navigator.locks.request(lockOf(tab), { signal }, () => adopt(key)).catch(() => undefined);
  }
}
