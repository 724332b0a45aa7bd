import type { Project, Ramp } from '../model/index.ts';
import { PLAIN, type RampContext } from './context.ts';
import { rampValue } from './values.ts';

const SHARE = { min: 0, max: 1 };

type WithWanted = Pick<Project, 'slots' | 'tiers' | 'wantedLine'>;

/** What the line of wanted clear rates sees. Its formula knows the level, and no parameters. */
export const wantedContext = ({ slots, tiers }: Pick<Project, 'slots' | 'tiers'>): RampContext => ({
  ...PLAIN,
  levels: slots.length,
  bands: tiers,
});

const lineAt = (ramp: Ramp, position: number, context: RampContext): number =>
  Math.min(1, Math.max(0, rampValue({ ramp, sane: SHARE }, position, context)));

/** The clear rate wanted at a position: the slot's own, else the line's; undefined where neither says one. @param position from 1 */
export function wantedAt(project: WithWanted, position: number): number | undefined {
  const own = project.slots[position - 1]?.wanted;
  if (own !== undefined || !project.wantedLine) return own;
  return lineAt(project.wantedLine, position, wantedContext(project));
}
