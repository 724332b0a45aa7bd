import { boutsScreen } from '../features/bouts/screen.ts';
import { handoffScreen } from '../features/handoff/screen.ts';
import { kindsScreen } from '../features/kinds/screen.ts';
import { playScreen } from '../features/play/screen.ts';
import { sequenceScreen } from '../features/sequence/screen.ts';
import { trialsScreen } from '../features/trials/screen.ts';
import type { Screen } from '../address/address.ts';
import { levelScreen } from './levelScreen.ts';
import { part } from './parts.ts';
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
].map((description) => ({ ...description, Screen: part(description.load) }));

export const screenAt = (path: Screen): (typeof SCREENS)[number] =>
  SCREENS.find((screen) => screen.path === path) ?? screenAt('level');
