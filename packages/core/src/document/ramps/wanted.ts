import type { Project } from '../model/index.ts';
import { sequenceContext } from './context.ts';
import { rampValue } from './values.ts';

const SHARE = { min: 0, max: 1 };

type WithWanted = Pick<Project, 'slots' | 'tiers' | 'wantedLine'>;

/** The clear rate wanted at a position: the slot's own, else the line's, whose formula knows no parameters; undefined where neither says one. @param position from 1 */
export function wantedAt(project: WithWanted, position: number): number | undefined {
  const own = project.slots[position - 1]?.wanted;
  if (own !== undefined || !project.wantedLine) return own;
  const line = rampValue({ ramp: project.wantedLine, sane: SHARE }, position, sequenceContext(project));
  return Math.min(SHARE.max, Math.max(SHARE.min, line));
}
