import { MAX_CONDITION_DEPTH, type Condition, type GroupKind } from '../../document/model/index.ts';
import type { PatchOperation } from '../../basics/patch/index.ts';
import { addAt, replaceAt } from './edit.ts';

/** The group in which a condition stands. */
export interface Within {
  is: GroupKind;
  /** JSON pointer to the group. */
  path: string;
  /** Its place in the group, from 0. */
  index: number;
}

/** How two conditions join. */
export type Join = 'and' | 'or';

const GROUP_OF: Readonly<Record<Join, GroupKind>> = { and: 'all', or: 'any' };

/**
 * Joins a condition with another one. In a group that joins in the same way the other one comes right after it; else
 * both make a group of their own.
 *
 * @param path JSON pointer to the condition
 * @param depth of the condition, 0 for the whole condition of a rule
 * @param groupId the id of a group that is made
 * @returns no operations where groups would be too deep
 */
export function joinCondition(
  {
    condition,
    path,
    within,
    depth,
  }: { condition: Condition; path: string; within?: Within | undefined; depth: number },
  how: Join,
  added: Condition,
  groupId: string,
): PatchOperation[] {
  if (within?.is === GROUP_OF[how]) return [addAt(`${within.path}/of/${within.index + 1}`, added)];
  if (depth >= MAX_CONDITION_DEPTH) return [];
  return [replaceAt(path, { id: groupId, is: GROUP_OF[how], of: [condition, added] })];
}
