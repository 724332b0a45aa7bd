import type { AttemptState } from '../attempt/index.ts';
import { READINGS, type JudgeNode } from '../rules/index.ts';

/** What is still missing for a win. Lists run by kind (the last is “any”) and by goal. */
export interface Needs {
  gather: boolean[];
  anythingToGather: boolean;
  goal: number;
}

/** Can this unmet condition be pursued by gathering, or by going somewhere? Fills `needs`. */
function add(node: JudgeNode, state: AttemptState, needs: Needs): void {
  const { truth } = state.verdicts;
  if (node.is === 'all') {
    for (const child of node.of) if (truth[child.index] !== true) add(child, state, needs);
  } else if (node.is === 'any') {
    const first = node.of[0];
    if (first && truth[node.index] !== true) add(first, state, needs);
  } else if (node.is === 'compare') {
    const { reading } = node;
    const gathering = reading === READINGS.worth || reading === READINGS.collected || reading === READINGS.left;
    if (!gathering) return;
    needs.gather[node.subject] = true;
    needs.anythingToGather = true;
  } else if (node.is === 'onOff' && node.on && node.reading === READINGS.inside && needs.goal < 0) {
    needs.goal = node.subject;
  }
}

/** Works out what the first winning rule still lacks. @param needs is overwritten */
export function pendingNeeds(state: AttemptState, needs: Needs): void {
  needs.gather.fill(false);
  needs.anythingToGather = false;
  needs.goal = -1;
  for (const rule of state.world.judge.rules) {
    if (rule.ending !== 'won') continue;
    add(rule.when, state, needs);
    return;
  }
}
