import { lazy, type ComponentType } from 'react';

/** Loads of the named parts, in the order of their naming. */
const loads: (() => Promise<unknown>)[] = [];

/** Returns a component that is loaded when it is first drawn, or before that by `loadParts`. */
export function part<Props extends object>(load: () => Promise<ComponentType<Props>>) {
  loads.push(load);
  return lazy(async () => ({ default: await loadOnceServed(load) }));
}

/** Shortest and longest time between two questions whether the server is there, ms. */
const FIRST_WAIT_MS = 1000;
const LONGEST_WAIT_MS = 8000;

const serverAnswers = (): Promise<boolean> =>
  fetch('/api/health').then(
    ({ ok }) => ok,
    () => false,
  );

/**
 * Loads a part. Where that fails, it waits until the server answers, and loads it again.
 *
 * @throws the error of the second load, for example where another version of Stadion is served now
 */
async function loadOnceServed<Part>(load: () => Promise<Part>): Promise<Part> {
  try {
    return await load();
  } catch {
    for (let wait = FIRST_WAIT_MS; !(await serverAnswers()); wait = Math.min(LONGEST_WAIT_MS, 2 * wait))
      await new Promise((resolve) => setTimeout(resolve, wait));
    return load();
  }
}

/** Time that the opened screen has for itself before the other parts are loaded, ms. */
const QUIET_MS = 2000;

/**
 * Loads all parts, one after the other: opening one then waits for nothing, and needs no server.
 *
 * @param also further loads, which come first
 * @returns how to stop
 */
export function loadParts(also: readonly (() => Promise<unknown>)[]): () => void {
  let stopped = false;
  const loadAll = async (): Promise<void> => {
    // A part that is loaded may name further ones. One that cannot be loaded now is loaded when it is opened.
    for (const load of also) if (!stopped) await load().catch(() => undefined);
    for (let at = 0; at < loads.length && !stopped; at++) await loads[at]?.().catch(() => undefined);
  };
  const timer = setTimeout(() => void loadAll(), QUIET_MS);
  return () => {
    stopped = true;
    clearTimeout(timer);
  };
}
