import type { Ground } from '../model/index.ts';

/** A ground on which the player moves otherwise; what stands there stays. */
export const asKind = (ground: Ground, kind: Ground['kind']): Ground => ({ ...ground, kind });
