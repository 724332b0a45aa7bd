import { pointerOf, type Level, type Project } from '../../../document/model/index.ts';
import { leaves, rulesOf, type RuleInForce } from '../../../play/rules/index.ts';
import type { Fight } from '../boutFacts.ts';
import { clockMayWin, winning } from '../conditions.ts';
import type { Check, Found } from '../finding.ts';

/** May harm grow during the fight, since a formula of the other side reads what changes? */
const mayGrow = ({ world, harm }: Fight, target: number): boolean =>
  harm.some((one) => one.target === target && world.isMoving[one.action]);

/** Is the level won in another way than by beating the other side? Then nobody of it has to be hurt. */
function isWonOtherwise(project: Project, level: Level): boolean {
  const beats = ({ rule }: RuleInForce): boolean =>
    leaves(rule.when).some(({ leaf: { reading } }) => reading.reading === 'sideBeaten');
  return clockMayWin({ level }) || winning({ rules: rulesOf(project, level) }).some((way) => !beats(way));
}

/** In a fight, somebody whom nobody of the other side can hurt. */
export const cannotBeHurt: Check<'bout'> = {
  code: 'cannot-be-hurt',
  title: 'Fighter nobody can hurt',
  group: 'bouts',
  severity: 'surely wrong',
  source: 'judge',
  scope: 'bout',
  find({ project, slot, level, fights }) {
    const otherwise = isWonOtherwise(project, level);
    return fights.flatMap((fight): Found[] => {
      const { path, harm, world, names, group } = fight;
      const told = new Set<string>();
      return world.fighters.flatMap((fighter, index) => {
        const isOurs = index < world.ours;
        const other = isOurs ? world.fighters.length - world.ours : world.ours;
        const hurts = harm.some(({ target, cannotHurt }) => target === index && !cannotHurt);
        if (other === 0 || world.lost === -1 || hurts || told.has(fighter.id)) return [];
        if (mayGrow(fight, index) || (!isOurs && otherwise && path.at(-1) === 'bout')) return [];
        told.add(fighter.id);
        return [
          {
            slotId: slot.id,
            path: pointerOf([...path, fighter.id]),
            sentence: `Nobody can hurt ${names[index]} among ${group.name}.`,
            reason: `Every action of ${isOurs ? 'the other side' : 'the party'} comes to 0 against its statistics.`,
          },
        ];
      });
    });
  },
};
