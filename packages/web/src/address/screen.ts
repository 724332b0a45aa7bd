import type { ComponentType } from 'react';
import type { Screen } from './address.ts';

/** A key that a part of a screen takes while it has the focus. */
export interface PartKey {
  keys: string;
  does: string;
}

/** A screen as its feature describes it: the shell makes routes, tabs, keys and the list of keys from these. */
export interface ScreenDescription {
  /** Its part of the address. */
  path: Screen;
  /** Label of its tab; absent where it is reached from another screen. */
  tab?: string;
  /** The screen whose tab stands for it, where it has no tab of its own. */
  under?: Screen;
  /** The key that opens it, and the words for that in the list of keys. */
  key: string;
  does: string;
  /** Keys of its parts; those of the whole screen are its shortcuts. */
  partKeys: readonly PartKey[];
  /** Loads it when it is first opened. */
  load(): Promise<ComponentType>;
}

/** Keys of parts that stand on several screens. */
export const NUMBER_KEYS: PartKey = { keys: '↑ ↓ =', does: 'On a number: nudge (Shift: by ten), follow a parameter' };
export const BORDER_KEYS: PartKey = { keys: '← →', does: 'On the border of a tier: move where it begins' };
