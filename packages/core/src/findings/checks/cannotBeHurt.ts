import { pointerOf } from '../../model/index.ts';
import type { Check, Found } from '../finding.ts';

/** In a fight, somebody whom nobody of the other side can hurt. */
export const cannotBeHurt: Check<'bout'> = {
  code: 'cannot-be-hurt',
  scope: 'bout',
  find({ slot, fights }) {
    return fights.flatMap(({ path, harm, world, names, group }): Found[] => {
      const told = new Set<string>();
      return world.fighters.flatMap((fighter, index) => {
        const isOurs = index < world.ours;
        const other = isOurs ? world.fighters.length - world.ours : world.ours;
        const hurts = harm.some(({ target, cannotHurt }) => target === index && !cannotHurt);
        if (other === 0 || world.lost === -1 || hurts || told.has(fighter.id)) return [];
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
