import { pointerOf, type Level, type Project } from '../../../document/model/index.ts';
import { addRules } from '../../edits/index.ts';
import { conditionInWords } from '../../../play/rules/index.ts';
import { winning } from '../conditions.ts';
import type { Check, Mend } from '../finding.ts';
import { blockingIn, isWonOtherwise } from '../possible.ts';
import { goalUnreachable } from './goalUnreachable.ts';
import { targetBeyondPlaced } from './targetBeyondPlaced.ts';

/** Lets a level be won at its goal, where it has one. */
function winAtGoal(project: Project, level: Level): Mend | undefined {
  const goal = level.ground.pieces.find(({ piece }) => piece === 'goal');
  if (goal?.piece !== 'goal') return undefined;
  const { patch } = addRules(
    project,
    level,
    [
      {
        id: 'won',
        when: { id: 'at-the-goal', is: 'onOff', reading: { reading: 'inside', zone: goal.id }, on: true },
        then: [{ effect: 'win' }],
        fires: 'once',
      },
    ],
    '',
  );
  return { label: `Won at ${goal.name}`, patch };
}

/** No rule wins the level, and its clock does not either. */
export const noWayToWin: Check<'judged'> = {
  code: 'no-way-to-win',
  title: 'No way to win',
  group: 'win',
  severity: 'stops play',
  source: 'document',
  scope: 'judged',
  find(here) {
    const { slot, level, project, names } = here;
    if (isWonOtherwise(here)) return [];
    const ways = winning(here);
    const told = (reason: string, mend?: Mend) => [
      {
        slotId: slot.id,
        path: pointerOf(['levels', level.id, 'rules']),
        sentence: 'There is no way to win.',
        reason,
        ...(mend ? { mend } : {}),
      },
    ];
    if (ways.length === 0)
      return told('No rule wins, and the clock does not either when it runs out.', winAtGoal(project, level));
    // Told with its number, or its place.
    if ([targetBeyondPlaced, goalUnreachable].some((check) => check.find(here).length > 0)) return [];
    const [first] = ways;
    const [blocking] = first ? blockingIn(first.rule.when, here) : [];
    return told(
      `What it takes never holds: ${conditionInWords(blocking?.leaf ?? (first as (typeof ways)[number]).rule.when, names)}.`,
    );
  },
};
