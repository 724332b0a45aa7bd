import { Edit } from '@stadion/core/contract';
import { del, entries, set } from 'idb-keyval';
import { nanoid } from 'nanoid';
import { z } from 'zod';

/** Edits that the server has not acknowledged, kept in the browser until it has. */
export interface Unsent {
  /** The revision they were made on. */
  revision: number;
  edits: Edit[];
}

const Stored = z.object({ revision: z.number(), edits: z.array(Edit) });

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
  if (unsent.edits.length === 0) await del(key);
  else await set(key, unsent);
}

/** Takes over what tabs that are gone have left behind for a project. */
export async function adoptUnsent(projectId: string): Promise<Unsent[]> {
  announceTab();
  const held = 'locks' in navigator ? ((await navigator.locks.query()).held ?? []).map((lock) => lock.name) : [];
  const adopted: Unsent[] = [];
  for (const [key, value] of await entries()) {
    const [prefix, project, tab] = String(key).split('/');
    if (prefix !== PREFIX || project !== projectId || tab === undefined || tab === tabId || held.includes(lockOf(tab)))
      continue;
    const parsed = Stored.safeParse(value);
    if (parsed.success) adopted.push(parsed.data);
    await del(key);
  }
  return adopted.toSorted((a, b) => a.revision - b.revision);
}
