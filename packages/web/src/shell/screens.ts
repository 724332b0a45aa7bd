import { lazy } from 'react';
import { boutsScreen } from '../features/bouts/screen.ts';
import { handoffScreen } from '../features/handoff/screen.ts';
import { kindsScreen } from '../features/kinds/screen.ts';
import { playScreen } from '../features/play/screen.ts';
import { sequenceScreen } from '../features/sequence/screen.ts';
import { trialsScreen } from '../features/trials/screen.ts';
import type { Screen } from '../project/hooks.ts';
import { levelScreen } from './levelScreen.ts';
import { rampsScreen } from './rampsScreen.ts';

/** All screens of a project, tabs in their order, each with its component, which loads itself. */
export const SCREENS = [
  sequenceScreen,
  levelScreen,
  kindsScreen,
  boutsScreen,
  rampsScreen,
  trialsScreen,
  handoffScreen,
  playScreen,
].map((description) => ({
  ...description,
  Screen: lazy(async () => ({ default: await description.load() })),
}));

export const screenAt = (path: Screen): (typeof SCREENS)[number] =>
  SCREENS.find((screen) => screen.path === path) ?? screenAt('level');

/** Time that the opened screen has for itself before the others are loaded, ms. */
const QUIET_MS = 2000;

/** Loads the screens that are not open yet while the page is idle: opening one of them then waits for nothing. @returns how to stop */
export function loadScreensWhenIdle(): () => void {
  let stopped = false;
  const timer = setTimeout(() => {
    void (async () => {
      // One after the other, so that no pause is long. One that cannot be loaded now is loaded when it is opened.
      for (const { load } of SCREENS) if (!stopped) await load().catch(() => undefined);
    })();
  }, QUIET_MS);
  return () => {
    stopped = true;
    clearTimeout(timer);
  };
}
