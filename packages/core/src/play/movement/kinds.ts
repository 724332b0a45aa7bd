import {
  makeWorldOn,
  prepareOn,
  resolvingAt,
  type GroundKind,
  type PreparedLevel,
  type World,
} from '../attempt/index.ts';
import type { Ground, Level, Project } from '../../document/model/index.ts';
import type { Values } from '../../document/ramps/index.ts';
import type { Resolving } from '../rules/index.ts';
import { cross } from './cross/index.ts';
import { leap } from './leap/index.ts';
import { lift } from './lift/index.ts';
import { run } from './run/index.ts';
import { roam } from './roam/index.ts';

/** Every kind of ground. Their motions and what they remember are their own: nobody else looks into them. */
const GROUND_KINDS: Readonly<Record<Ground['kind'], GroundKind>> = {
  roam: roam as unknown as GroundKind,
  cross: cross as unknown as GroundKind,
  lift: lift as unknown as GroundKind,
  leap: leap as unknown as GroundKind,
  run: run as unknown as GroundKind,
};

/** The names of all kinds of ground. */
export const GROUND_KIND_NAMES = Object.keys(GROUND_KINDS) as Ground['kind'][];

export const groundKindOf = (kind: Ground['kind']): GroundKind => GROUND_KINDS[kind];

/** Resolve a level of which it is known already what its names and parameters stand for. */
export const prepareWith = (project: Project, level: Level, resolving: Resolving): PreparedLevel =>
  prepareOn(groundKindOf(level.ground.kind), project, level, resolving);

/** Resolve the level that stands at a position. @param position from 1 @param values of all parameters, where they are others than the project's there @throws RangeError where the sequence has no such position */
export function prepareLevel(project: Project, position: number, values?: Values): PreparedLevel {
  const slot = project.slots[position - 1];
  const level = slot && project.levels[slot.levelId];
  if (!level) throw new RangeError(`The sequence has no position ${position}.`);
  return prepareWith(project, level, resolvingAt(project, level, position, values));
}

/** Makes a prepared level ready for any number of attempts. */
export const makeWorld = (level: PreparedLevel): World => makeWorldOn(groundKindOf(level.kind), level);
